/** Reads the environment, opens the pool, listens; nothing else. */
import 'reflect-metadata';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { pino } from 'pino';
import { fillDemoIfEmpty } from '#demo/fill.ts';
import { createApp } from './app.ts';
import { openDatabase } from './db/pool.ts';
import { isLoopback } from './http/hosts.ts';
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

const listOf = (setting: string | undefined): string[] =>
  (setting ?? '')
    .split(',')
    .map((s) => s.trim())
    .filter((s) => s !== '');

/** Who mail comes from: what is set, or the name to sign in with where that is an address. */
function senderOf(setting: string | undefined, smtpUrl: string): string {
  const address = setting ?? decodeURIComponent(new URL(smtpUrl).username);
  if (/^[^\s@]+@[^\s@]+$/.test(address)) return address;
  process.stderr.write('SMTP_URL is set: set AVRIK_MAIL_FROM too, the address that mail is to come from.\n');
  process.exit(1);
}

const copiesOf = (setting: string | undefined): Deps['copies'] =>
  setting === 'daily' || setting === 'off' ? setting : 'elsewhere';

/** `1`: the one before this server; or addresses and networks, as in `10.0.0.7, 172.16.0.0/12`. */
function proxiesOf(setting: string | undefined): number | false | string[] {
  if (setting === undefined || setting.trim() === '') return false;
  return /^\d+$/.test(setting.trim()) ? Number(setting) : listOf(setting);
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
  dataFolder,
  copies: copiesOf(process.env.AVRIK_COPIES),
  photos: photosIn(path.join(dataFolder, 'photos')),
  clock: { now: () => new Date().toISOString() },
  log,
  secret: must('AVRIK_SECRET'),
  publicUrl,
  secure: publicUrl.startsWith('https:'),
  hosts: listOf(process.env.AVRIK_HOSTS),
  proxies: proxiesOf(process.env.AVRIK_PROXIES),
  openDemo:
    process.env.AVRIK_OPEN_DEMO === 'yes' || (isLoopback(host) && isLoopback(new URL(publicUrl).hostname)),
  smtpUrl: process.env.SMTP_URL ?? standIn!.url,
  mailFrom: standIn ? null : senderOf(process.env.AVRIK_MAIL_FROM, process.env.SMTP_URL!),
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

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  await app.close();
  await worker.stop();
  await standIn?.stop();
  await deps.db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop());
// The script that started it is gone, however it ended: nobody would stop this process any more.
if (process.env.AVRIK_SUPERVISED === '1') process.stdin.on('end', () => void stop()).resume();
