/** What other features may use of this one. */
export {
  addIn,
  addLineIn,
  agoOf,
  correctable,
  correctIn,
  entryShown,
  holdsAfter,
  logAll,
  logIn,
  whenIn,
  type Done,
} from './entries.service.ts';
export { changedFields, sameWritten, type ChangeBefore } from './changed.ts';
export { doneSince } from './lineAct.ts';
export type { LineCall, Prepare, Prepared, Revision, TakeBack } from './lineAct.ts';
export { asReadBy, refuseHidden, seesPrices, withoutPrices } from './prices.ts';
export {
  actedSince,
  entryById,
  entryNow,
  lastSeq,
  wasTakenBack,
  toEntry,
  type EntryRow,
} from './entries.queries.ts';
export { mailFault, sendOrSay } from './undelivered.ts';
export { standingFromLogbook, standingNow } from './standing.ts';
