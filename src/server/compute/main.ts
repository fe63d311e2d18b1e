/** What a thread of the computer does. */
import workerpool from 'workerpool';
import { TASKS } from './tasks.ts';

/** Says that the task begins, since reading this file's modules for the first time is no part of the task's time. */
const said =
  <Args extends unknown[], Answer>(task: (...args: Args) => Answer) =>
  (...args: Args): Answer => {
    workerpool.workerEmit('begun');
    return task(...args);
  };

workerpool.worker(
  Object.fromEntries(
    Object.entries(TASKS).map(([name, task]) => [name, said(task as (...args: unknown[]) => unknown)]),
  ),
);
