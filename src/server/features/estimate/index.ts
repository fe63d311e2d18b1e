/** What other features may use of this one. */
export { exportPdf } from './exchange.service.ts';
export { answersTold, type AnswerTold } from './answersTold.ts';
export {
  codesSince,
  insertWaiting,
  MOST_CODES_AN_HOUR,
  noteTry,
  waitingAnswer,
  whyNotCode,
} from './answerCodes.ts';
export { mailCode, mailRevision } from './estimate.mail.ts';
export { discretionUsed, revisionById, revisionsOf, type Revision } from './estimate.queries.ts';
export { beginIn, workableLines, type WorkableLine } from './begin.service.ts';
export { estimateNow, lineViews, notRoadworthyOf, type EstimateNow } from './estimateNow.ts';
export { keepAnswer } from './revisions.service.ts';
export { ratesOf } from './rates.queries.ts';
export { todayOf } from './rates.service.ts';
export { addLineIn } from './estimate.service.ts';
