import { SnagEndDto, SnagPutDto, TrialPutDto } from '#contract/snags.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './snags.service.ts';

export function snagsRoutes(deps: Deps): Feature {
  return {
    snagsRead: { run: ({ who, params }) => s.readSnags(deps, who, params.buildId) },
    snagPut: {
      body: SnagPutDto,
      run: ({ who, params, body }) => s.putSnag(deps, who, params.buildId, params.snagId, body),
    },
    snagEnd: {
      body: SnagEndDto,
      run: ({ who, params, body }) => s.endSnag(deps, who, params.buildId, params.snagId, body),
    },
    trialPut: {
      body: TrialPutDto,
      run: ({ who, params, body }) => s.putTrial(deps, who, params.buildId, params.entryId, body),
    },
  };
}
