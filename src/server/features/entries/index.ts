/** What other features may use of this one. */
export { addIn, agoOf, logAll, logIn } from './entries.service.ts';
export { asReadBy, refuseHidden, seesPrices, withoutPrices } from './prices.ts';
export { lastSeq, logbookSql, toEntry, type EntryRow } from './entries.queries.ts';
export { mailFault, sendOrSay } from './undelivered.ts';
export { standingNow } from './standing.ts';
