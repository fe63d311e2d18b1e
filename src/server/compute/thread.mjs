// What a thread of the computer loads. JavaScript, since a thread does not take over what reads TypeScript.
import { register } from 'tsx/esm/api';
import workerpool from 'workerpool';

register();
const { TASKS } = await import('./tasks.ts');
workerpool.worker(TASKS);
