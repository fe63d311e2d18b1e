/** Routes of plan. */
import type { PinnedDto, PlanView } from './plan.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

const planRead = get('/api/plan', EVERYBODY).of('every build').answers<PlanView>().about('lists');

export const planRoutes = {
  planRead,
  pinnedSet: put('/api/builds/:buildId/pinned', EVERYBODY).takes<PinnedDto>().answersAs(planRead),
} as const;
