/** Routes of inspection. */
import type { CheckpointMarkDto, FittedDto, InspectionView } from './inspection.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const inspectionRoutes = {
  inspectionRead: get('/api/builds/:buildId/inspection', EVERYBODY).answers<InspectionView>(),
  inspectionMark: post('/api/builds/:buildId/inspection', EVERYBODY)
    .takes<CheckpointMarkDto>()
    .answers<InspectionView>(),
  fittedSave: put('/api/builds/:buildId/fitted', EVERYBODY).takes<FittedDto>().answers<InspectionView>(),
} as const;
