import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { readWaits } from './waits.service.ts';

export const waitsRoutes = (deps: Deps): Feature => ({
  waitsRead: { run: ({ who }) => readWaits(deps, who) },
});
