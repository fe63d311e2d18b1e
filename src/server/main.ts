/** Reads the environment, opens the pool, listens; nothing else. */
import 'reflect-metadata';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { pino } from 'pino';
import { fillDemoIfEmpty } from '#demo/fill.ts';
import { createApp } from './app.ts';
import { openDatabase } from './db/pool.ts';
import type { Deps } from './deps.ts';
import { startWorker } from './jobs/worker.ts';
import { photosIn, sweepIncoming } from './media/store.ts';
import { standInTranscriber } from './media/transcriber.ts';
import { takeMail } from './features/mail/index.ts';
import { outboxIn, startStandIn, textsIn } from './mail/outbox.ts';

function must(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; start with "npm start"`);
  return value;
}

const port = Number(process.env.PORT ?? 4100);
const host = process.env.AVRIK_HOST ?? '127.0.0.1';
const dataFolder = must('AVRIK_DATA');
const publicUrl = process.env.AVRIK_URL ?? `http://localhost:${port}`;
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

const outboxFolder = path.join(dataFolder, 'outbox');
const standIn = process.env.SMTP_URL ? null : await startStandIn(outboxFolder);
const deps: Deps = {
  db: openDatabase(must('AVRIK_APP_URL')),
  databaseUrl: must('AVRIK_APP_URL'),
  photos: photosIn(path.join(dataFolder, 'photos')),
  clock: { now: () => new Date().toISOString() },
  log,
  secret: must('AVRIK_SECRET'),
  publicUrl,
  secure: publicUrl.startsWith('https:'),
  smtpUrl: process.env.SMTP_URL ?? standIn!.url,
  outbox: standIn ? outboxIn(outboxFolder) : null,
  texts: standIn ? textsIn(outboxFolder) : null,
  transcriber: standInTranscriber,
};
standIn?.handOn((raw, address) => takeMail(deps, raw, address));

await sweepIncoming(path.join(dataFolder, 'photos'), Date.now());
const worker = await startWorker(deps);
if (process.env.AVRIK_DEMO === '1') await fillDemoIfEmpty(deps);
const app = createApp(deps, path.resolve(import.meta.dirname, '../../dist/client'));
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

async function stop(): Promise<void> {
  server.close();
  server.closeAllConnections();
  await app.close();
  await worker.stop();
  await standIn?.stop();
  await deps.db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop());
