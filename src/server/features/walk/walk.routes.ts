import { WalkSeenDto } from '#contract/walk.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './walk.service.ts';

export function walkRoutes(deps: Deps): Feature {
  return {
    walkRead: handler({ run: ({ who }) => s.readWalk(deps, who) }),
    walkSeen: handler({
      body: WalkSeenDto,
      run: ({ who, params, body }) =>
        s.markSeen(deps, who, { walkId: params.walkId!, buildId: params.buildId! }, body),
    }),
    walkEnd: handler({ run: ({ who, params }) => s.endWalk(deps, who, params.walkId!) }),
  };
}
