/** What other features may use of this one. */
export {
  buildDetail,
  buildForUpdate,
  FLOOR_SQL,
  insertBuild,
  insertCustomer,
  insertVehicle,
  IS_HERE,
  sayNext,
  takeNumber,
  type BuildDetail,
  type BuildKey,
} from './builds.queries.ts';
