/**
 * The stand-in mail server: takes mail by SMTP on loopback, as a real one would, and keeps it in a folder.
 * Nothing leaves this machine. A real server is set with `SMTP_URL`.
 */
import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { OutboxView } from '#contract/letters.ts';

/** Says which shop a mail is of, so that one shop's outbox never shows another's. */
export const SHOP_HEADER = 'X-Avrik-Shop';

export interface Outbox {
  list(shopId: string): Promise<OutboxView['mails']>;
}

const SHOWN = 100;

export function outboxIn(folder: string): Outbox {
  return { list: (shopId) => listMails(folder, shopId) };
}

async function listMails(folder: string, shopId: string): Promise<OutboxView['mails']> {
  const files = (await readdir(folder).catch(() => []))
    .filter((f) => f.endsWith('.eml'))
    .sort()
    .reverse();
  const mails = [];
  for (const file of files.slice(0, SHOWN * 3)) {
    const mail = await simpleParser(await readFile(path.join(folder, file)));
    if (mail.headers.get(SHOP_HEADER.toLowerCase()) === shopId) mails.push(viewOf(file, mail));
    if (mails.length === SHOWN) break;
  }
  return mails.sort((a, b) => b.at.localeCompare(a.at));
}

function viewOf(file: string, mail: ParsedMail): OutboxView['mails'][number] {
  const to = Array.isArray(mail.to) ? mail.to.map((t) => t.text).join(', ') : (mail.to?.text ?? '');
  const text = mail.text ?? '';
  return {
    id: file.replace(/\.eml$/, ''),
    to,
    subject: mail.subject ?? '',
    text,
    at: (mail.date ?? new Date(0)).toISOString(),
    link: /https?:\/\/\S+\/l\/[\w-]+(?:\/estimate)?/.exec(text)?.[0] ?? null,
  };
}

const MAX_MAIL_BYTES = 40 * 1024 * 1024;

/** Starts the server on a loopback port (0: any free one). */
export async function startStandIn(
  folder: string,
  port = 0,
): Promise<{ url: string; stop: () => Promise<void> }> {
  await mkdir(folder, { recursive: true });
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: MAX_MAIL_BYTES,
    banner: 'Avrik stand-in mail server: nothing leaves this machine',
    onData: (stream, _session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        if (stream.sizeExceeded) return done(new Error('552 too large'));
        keepMail(folder, Buffer.concat(chunks)).then(() => done(), done);
      });
    },
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  const { port: taken } = server.server.address() as AddressInfo;
  return {
    url: `smtp://127.0.0.1:${taken}`,
    stop: () => new Promise((resolve) => server.close(() => resolve())),
  };
}

/** Written beside and moved into place, so that no reader sees half a mail. */
async function keepMail(folder: string, raw: Buffer): Promise<void> {
  const name = `${Date.now()}-${randomUUID()}`;
  await writeFile(path.join(folder, `${name}.part`), raw);
  await rename(path.join(folder, `${name}.part`), path.join(folder, `${name}.eml`));
}
