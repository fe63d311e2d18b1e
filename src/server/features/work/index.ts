/** What other features may use of this one. */
export { tasksByBuild, type TaskToDo } from './allTasks.ts';
