/** Routes of inspection. */
import type { CheckpointMarkDto, FittedDto, InspectionView } from './inspection.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const inspectionRead = get('/api/builds/:buildId/inspection', EVERYBODY).answers<InspectionView>();

export const inspectionRoutes = {
  inspectionRead,
  inspectionMark: post('/api/builds/:buildId/inspection', EVERYBODY)
    .takes<CheckpointMarkDto>()
    .answersAs(inspectionRead),
  fittedSave: put('/api/builds/:buildId/fitted', EVERYBODY).takes<FittedDto>().answersAs(inspectionRead),
} as const;
