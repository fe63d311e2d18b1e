/** Routes of plan. */
import type { PinnedDto, PlanView } from './plan.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

export const planRoutes = {
  planRead: get('/api/plan', EVERYBODY).of('every build').answers<PlanView>(),
  pinnedSet: put('/api/builds/:buildId/pinned', EVERYBODY).takes<PinnedDto>().answers<PlanView>(),
} as const;
