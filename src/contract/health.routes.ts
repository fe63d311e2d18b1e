/** Routes of health. */
import { get } from './route.ts';

export const healthRoutes = {
  health: get('/api/health', 'anyone').answers<{ status: string }>(),
} as const;
