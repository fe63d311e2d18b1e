import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { readUpkeep } from './upkeep.service.ts';

export const upkeepRoutes = (deps: Deps): Feature => ({
  upkeepRead: { run: ({ who }) => readUpkeep(deps, who) },
});
