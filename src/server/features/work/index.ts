/** What other features may use of this one. */
export {
  finishFollowUp,
  followUpsOf,
  insertFollowUp,
  insertTask,
  isLineOf,
  saveBelongs,
  setState,
} from './work.queries.ts';
export { doneJobs } from './doneJobs.queries.ts';
export { effortByLine, type LineEffort } from './effort.ts';
export { prepareLine, prepareTask, takeBackOfLine, takeBackOfTask } from './line.ts';
