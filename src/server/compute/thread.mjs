// What a thread of the computer loads. JavaScript, since a thread does not take over what reads TypeScript.
import { register } from 'tsx/esm/api';
import workerpool from 'workerpool';

register();
const { TASKS } = await import('./tasks.ts');
/** Says that the task begins, since reading this file's modules for the first time is no part of the task's time. */
const said =
  (task) =>
  (...args) => {
    workerpool.workerEmit('begun');
    return task(...args);
  };
workerpool.worker(Object.fromEntries(Object.entries(TASKS).map(([name, task]) => [name, said(task)])));
