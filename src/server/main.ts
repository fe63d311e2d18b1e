/** Listens; what the environment says is read in `environment.ts`. */
import 'reflect-metadata';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { fillDemoIfEmpty } from '#demo/fill.ts';
import { createApp } from './app.ts';
import { dataFolder, host, log, openDeps, outboxFolder, port } from './environment.ts';
import { takeMail } from './features/mail/index.ts';
import { startJobs } from './jobs/thread.ts';
import { startStandIn } from './mail/outbox.ts';
import { closePictures } from './media/picture.ts';
import { sweepIncoming } from './media/store.ts';
import { ROOT } from './root.ts';

const standIn = process.env.SMTP_URL ? null : await startStandIn(outboxFolder);
const deps = openDeps(standIn?.url ?? null);
standIn?.handOn((raw, address) => takeMail(deps, raw, address));

await sweepIncoming(path.join(dataFolder, 'photos'), Date.now());
const jobs = await startJobs(log, standIn?.url ?? null);
if (process.env.AVRIK_DEMO === '1') await fillDemoIfEmpty(deps);
const app = createApp(deps, path.join(ROOT, 'dist/client'));
await app.hub.start();
const server = app.express.listen(port, host, (error?: Error) => {
  if (error) {
    process.stderr.write(`Cannot listen on port ${port}: ${error.message}\n`);
    process.exit(1);
  }
  // The start script waits for this line.
  process.stdout.write(`listening ${(server.address() as AddressInfo).port}\n`);
});

/** A large photograph over a weak signal takes its time. */
server.requestTimeout = 20 * 60_000;

/** Whoever stops the machine waits about ten seconds. */
const LONGEST_STOP_MS = 9000;

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  // What is under way then is taken back by the database, and sent again by whoever sent it.
  setTimeout(() => process.exit(0), LONGEST_STOP_MS).unref();
  server.close();
  server.closeAllConnections();
  await app.close();
  await jobs.stop();
  await deps.compute.stop();
  await closePictures();
  await standIn?.stop();
  await deps.db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop());
// The script that started it is gone, however it ended: nobody would stop this process any more.
if (process.env.AVRIK_SUPERVISED === '1') process.stdin.on('end', () => void stop()).resume();
