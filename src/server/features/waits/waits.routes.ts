import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { readWaits } from './waits.service.ts';

export const waitsRoutes = (deps: Deps): Feature => ({
  waitsRead: handler({ run: ({ who }) => readWaits(deps, who) }),
});
