/** Routes of waits. */
import type { WaitsView } from './waits.ts';
import { EVERYBODY } from './access.ts';
import { get } from './route.ts';

export const waitsRoutes = {
  waitsRead: get('/api/waits', EVERYBODY).of('every build').answers<WaitsView>().about('lists'),
} as const;
