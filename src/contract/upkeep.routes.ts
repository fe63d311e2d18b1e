/** Routes of upkeep. */
import type { UpkeepView } from './upkeep.ts';
import { DESK } from './access.ts';
import { get } from './route.ts';

export const upkeepRoutes = {
  upkeepRead: get('/api/upkeep', DESK).answers<UpkeepView>().about('mail'),
} as const;
