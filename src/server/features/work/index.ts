/** What other features may use of this one. */
export { followUpsOf, saveBelongs } from './work.queries.ts';
export { tasksByBuild, type TaskToDo } from './allTasks.ts';
