import { PinnedDto } from '#contract/plan.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { readPlan, setPinned } from './plan.service.ts';

export function planRoutes(deps: Deps): Feature {
  return {
    planRead: handler({ run: ({ who }) => readPlan(deps, who) }),
    pinnedSet: handler({
      body: PinnedDto,
      run: ({ who, params, body }) => setPinned(deps, who, params.buildId!, body),
    }),
  };
}
