/** What other features may use of this one. */
export {
  buildDetail,
  buildExists,
  buildForUpdate,
  insertBuild,
  insertCustomer,
  insertVehicle,
  openWaitsOf,
  PAUSES,
  IS_HERE,
  WAITS_NOW,
  sayNext,
  takeNumber,
  type BuildDetail,
  type BuildKey,
} from './builds.queries.ts';
