// What the thread of the job queue loads. JavaScript, since a thread does not take over what reads TypeScript.
import { register } from 'tsx/esm/api';

register();
await import('./main.ts');
