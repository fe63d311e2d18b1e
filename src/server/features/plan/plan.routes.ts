import { PinnedDto } from '#contract/plan.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { readPlan, setPinned } from './plan.service.ts';

export function planRoutes(deps: Deps): Feature {
  return {
    planRead: { run: ({ who }) => readPlan(deps, who) },
    pinnedSet: {
      body: PinnedDto,
      run: ({ who, params, body }) => setPinned(deps, who, params.buildId, body),
    },
  };
}
