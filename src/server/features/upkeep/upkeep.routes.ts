import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { readUpkeep } from './upkeep.service.ts';

export const upkeepRoutes = (deps: Deps): Feature => ({
  upkeepRead: handler({ run: ({ who }) => readUpkeep(deps, who) }),
});
