import { CheckpointMarkDto, FittedDto } from '#contract/inspection.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { markCheckpoint, readInspection, setFitted } from './inspection.service.ts';

export function inspectionRoutes(deps: Deps): Feature {
  return {
    inspectionRead: handler({ run: ({ who, params }) => readInspection(deps, who, params.buildId!) }),
    inspectionMark: handler({
      body: CheckpointMarkDto,
      run: ({ who, params, body }) => markCheckpoint(deps, who, params.buildId!, body),
    }),
    fittedSave: handler({
      body: FittedDto,
      run: ({ who, params, body }) => setFitted(deps, who, params.buildId!, body),
    }),
  };
}
