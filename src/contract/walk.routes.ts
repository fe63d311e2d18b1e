/** Routes of walk. */
import type { WalkSeenDto, WalkView } from './walk.ts';
import { EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const walkRoutes = {
  walkRead: get('/api/walk', EVERYBODY).of('every build').answers<WalkView>().about('walk'),
  walkSeen: put('/api/walks/:walkId/cars/:buildId', EVERYBODY).takes<WalkSeenDto>().answers<{ seen: true }>(),
  walkEnd: post('/api/walks/:walkId/end', EVERYBODY).answers<{ ended: true }>().about('walk'),
} as const;
