import { CheckpointMarkDto, FittedDto } from '#contract/inspection.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { markCheckpoint, readInspection, setFitted } from './inspection.service.ts';

export function inspectionRoutes(deps: Deps): Feature {
  return {
    inspectionRead: { run: ({ who, params }) => readInspection(deps, who, params.buildId) },
    inspectionMark: {
      body: CheckpointMarkDto,
      run: ({ who, params, body }) => markCheckpoint(deps, who, params.buildId, body),
    },
    fittedSave: {
      body: FittedDto,
      run: ({ who, params, body }) => setFitted(deps, who, params.buildId, body),
    },
  };
}
