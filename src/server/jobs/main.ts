/** The thread of the job queue: works it off until it is told to stop. */
import 'reflect-metadata';
import { parentPort, workerData } from 'node:worker_threads';
import { openDeps } from '../environment.ts';
import { closePictures } from '../media/picture.ts';
import { startWorker } from './worker.ts';

const { standInUrl } = workerData as { standInUrl: string | null };
const deps = openDeps(standInUrl);
const worker = await startWorker(deps);

parentPort!.once('message', () => {
  void (async () => {
    await worker.stop();
    await deps.compute.stop();
    await closePictures();
    await deps.db.destroy();
    process.exit(0);
  })();
});
parentPort!.postMessage('ready');
