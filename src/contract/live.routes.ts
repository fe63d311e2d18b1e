/** Routes of live. */
import { EVERYBODY } from './access.ts';
import { get } from './route.ts';

export const liveRoutes = {
  live: get('/api/live', EVERYBODY),
} as const;
