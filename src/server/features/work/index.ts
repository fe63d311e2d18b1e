/** What other features may use of this one. */
export {
  finishFollowUp,
  followUpsOf,
  insertFollowUp,
  insertTask,
  isLineOf,
  saveBelongs,
  setState,
  spentByLine,
  tasksOf,
  type TaskRow,
} from './work.queries.ts';
export { doneJobs } from './doneJobs.queries.ts';
export { effortByLine, effortOf, toGoOf, type LineEffort } from './effort.ts';
export { takeBackOfTask } from './doing.ts';
export { prepareLine, prepareTask, takeBackOfLine } from './line.ts';
export { revisePlan } from './written.ts';
