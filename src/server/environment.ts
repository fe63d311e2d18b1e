/** What the environment says of this installation: read here, and nowhere else. */
import { statfs } from 'node:fs/promises';
import path from 'node:path';
import { pino } from 'pino';
import { openComputer } from './compute/computer.ts';
import { openDatabase } from './db/pool.ts';
import type { Deps } from './deps.ts';
import { isLoopback } from './http/hosts.ts';
import { outboxIn, textsIn } from './mail/outbox.ts';
import { photosIn } from './media/store.ts';
import { standInTranscriber } from './media/transcriber.ts';

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

export const port = Number(process.env.PORT ?? 4100);
export const host = process.env.AVRIK_HOST ?? '127.0.0.1';
export const dataFolder = must('AVRIK_DATA');
export const outboxFolder = path.join(dataFolder, 'outbox');
export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

/** What the parts of a thread need. `standInUrl` is where the stand-in mail server listens; null where a real one is set. */
export function openDeps(standInUrl: string | null): Deps {
  const publicUrl = process.env.AVRIK_URL ?? `http://localhost:${port}`;
  const appUrl = must('AVRIK_APP_URL');
  return {
    db: openDatabase(appUrl),
    databaseUrl: appUrl,
    compute: openComputer(),
    dataFolder,
    disk: async () => {
      const { bavail, blocks, bsize } = await statfs(dataFolder);
      return { freeBytes: bavail * bsize, totalBytes: blocks * bsize };
    },
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
    smtpUrl: standInUrl ?? must('SMTP_URL'),
    mailFrom: standInUrl ? null : senderOf(process.env.AVRIK_MAIL_FROM, must('SMTP_URL')),
    outbox: standInUrl ? outboxIn(outboxFolder) : null,
    texts: standInUrl ? textsIn(outboxFolder) : null,
    transcriber: standInTranscriber,
  };
}
