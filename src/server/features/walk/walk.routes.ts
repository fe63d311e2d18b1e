import { WalkSeenDto } from '#contract/walk.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './walk.service.ts';

export function walkRoutes(deps: Deps): Feature {
  return {
    walkRead: { run: ({ who }) => s.readWalk(deps, who) },
    walkSeen: {
      body: WalkSeenDto,
      run: ({ who, params, body }) =>
        s.markSeen(deps, who, { walkId: params.walkId, buildId: params.buildId }, body),
    },
    walkEnd: { run: ({ who, params }) => s.endWalk(deps, who, params.walkId) },
  };
}
