/** What other features may use of this one. */
export { saveBelongs } from './work.queries.ts';
export { tasksByBuild, type TaskToDo } from './allTasks.ts';
