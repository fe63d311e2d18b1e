/**
 * The stand-in for mail and text messages: takes mail by SMTP on loopback, as a real server would, and keeps it in a folder;
 * text messages lie beside it. Nothing leaves this machine. What is addressed to us, an answer or a mail that comes back, is
 * handed on. A real server is set with `SMTP_URL`, or by a shop for itself.
 */
import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import { simpleParser, type AddressObject, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import type { OutboxView } from '#contract/mail.ts';
import { isOurs } from './address.ts';

/** Says which shop a mail is of, so that one shop's outbox never shows another's. */
export const SHOP_HEADER = 'X-Avrik-Shop';

export interface Outbox {
  list(shopId: string): Promise<OutboxView['mails']>;
  /** The mail as it went; null where this shop sent none of this id. */
  raw(shopId: string, id: string): Promise<ParsedMail | null>;
}

export interface TextMessage {
  /** The same message sent twice has the same. */
  id: string;
  to: string;
  text: string;
}

/** Sends text messages. A service that really does would stand behind the same. */
export interface Texts {
  send(shopId: string, message: TextMessage): Promise<void>;
}

type OutboxItem = OutboxView['mails'][number];

const SHOWN = 100;
/** Files looked at for one list: the newest, of every shop. */
const LOOKED_AT = 3 * SHOWN;

export function outboxIn(folder: string): Outbox {
  /** What was read of the newest mails: none changes once it is there, and reading one with its pictures takes a while. */
  const known = new Map<string, Kept>();
  const read = async (file: string): Promise<Kept> => {
    const bytes = await readFile(path.join(folder, file));
    if (file.endsWith(TEXT)) return textItem(file, bytes);
    const kept = await mailItem(file, bytes);
    known.set(file, kept);
    return kept;
  };
  return {
    list: async (shopId) => {
      const files = await newestIn(folder);
      for (const file of known.keys()) if (!files.includes(file)) known.delete(file);
      const items: OutboxItem[] = [];
      for (const file of files) {
        const kept = known.get(file) ?? (await read(file));
        if (kept.shopId === shopId) items.push(kept.item);
        if (items.length === SHOWN) break;
      }
      return items.sort((x, y) => y.at.localeCompare(x.at));
    },
    raw: async (shopId, id) => {
      if (!/^[\w-]+$/.test(id)) return null;
      const bytes = await readFile(path.join(folder, `${id}.eml`)).catch(() => null);
      const mail = bytes && (await simpleParser(bytes));
      return mail && shopOf(mail) === shopId ? mail : null;
    },
  };
}

const TEXT = '.text.json';
type KeptText = TextMessage & { shopId: string; at: string };

export const textsIn = (folder: string): Texts => ({
  send: async (shopId, message) => {
    const kept: KeptText = { ...message, shopId, at: new Date().toISOString() };
    // Named by its id: sent again after a lost answer, it is the same message.
    await writeFile(path.join(folder, `${message.id}${TEXT}`), JSON.stringify(kept));
  },
});

const shopOf = (mail: ParsedMail): unknown => mail.headers.get(SHOP_HEADER.toLowerCase());

interface Kept {
  shopId: unknown;
  item: OutboxItem;
}

async function newestIn(folder: string): Promise<string[]> {
  const files = await readdir(folder).catch(() => []);
  return files
    .filter((f) => f.endsWith('.eml') || f.endsWith(TEXT))
    .sort()
    .reverse()
    .slice(0, LOOKED_AT);
}

const linkIn = (text: string): string | null =>
  /https?:\/\/\S+\/l\/[\w-]+(?:\/estimate)?/.exec(text)?.[0] ?? null;

function textItem(file: string, bytes: Buffer): Kept {
  const { shopId, to, text, at } = JSON.parse(bytes.toString('utf8')) as KeptText;
  const id = file.slice(0, -TEXT.length);
  const item = { id, way: 'text' as const, to, subject: 'Text message', text, at, link: linkIn(text) };
  return { shopId, item: { ...item, canAnswer: false } };
}

/** The addresses of a header, however many lines it has. */
export const addressesIn = (header: AddressObject | AddressObject[] | undefined): AddressObject['value'] =>
  [header ?? []].flat().flatMap((h) => h.value);

async function mailItem(file: string, bytes: Buffer): Promise<Kept> {
  const mail = await simpleParser(bytes);
  const text = mail.text ?? '';
  return {
    shopId: shopOf(mail),
    item: {
      id: file.replace(/\.eml$/, ''),
      way: 'mail',
      to: [mail.to ?? []]
        .flat()
        .map((t) => t.text)
        .join(', '),
      subject: mail.subject ?? '',
      text,
      at: (mail.date ?? new Date(0)).toISOString(),
      link: linkIn(text),
      canAnswer: addressesIn(mail.replyTo).length > 0,
    },
  };
}

const MAX_MAIL_BYTES = 40 * 1024 * 1024;

/** Takes a mail that is addressed to us; answers whether that address is one of ours. */
export type TakeMail = (raw: Buffer, address: string) => Promise<boolean>;

export interface StandIn {
  url: string;
  /** From then on, mail that is addressed to us goes there. */
  handOn: (take: TakeMail) => void;
  stop: () => Promise<void>;
}

/** As a real server does of a mailbox that it does not have, so that a failure can be tried. */
const NOBODY = /^nobody@/i;

const refusal = (code: number, words: string): Error =>
  Object.assign(new Error(words), { responseCode: code });

/** Starts the server on a loopback port (0: any free one). */
export async function startStandIn(folder: string, port = 0): Promise<StandIn> {
  await mkdir(folder, { recursive: true });
  let take: TakeMail = () => Promise.resolve(false);
  const deliver = async (raw: Buffer, recipients: readonly string[]): Promise<void> => {
    for (const address of recipients.filter(isOurs))
      if (!(await take(raw, address))) throw refusal(550, 'nobody answers to that address');
    if (!recipients.every(isOurs)) await keepMail(folder, raw);
  };
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    size: MAX_MAIL_BYTES,
    banner: 'Avrik stand-in mail server: nothing leaves this machine',
    onRcptTo: ({ address }, _session, done) =>
      done(NOBODY.test(address) ? refusal(550, 'no such mailbox here') : null),
    onData: (stream, session, done) => {
      const chunks: Buffer[] = [];
      stream.on('data', (chunk: Buffer) => chunks.push(chunk));
      stream.on('end', () => {
        if (stream.sizeExceeded) return done(refusal(552, 'too large'));
        const recipients = session.envelope.rcptTo.map((r) => r.address);
        deliver(Buffer.concat(chunks), recipients).then(() => done(), done);
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
    handOn: (next) => (take = next),
    stop: () => new Promise((resolve) => server.close(() => resolve())),
  };
}

/** Written beside and moved into place, so that no reader sees half a mail. */
async function keepMail(folder: string, raw: Buffer): Promise<void> {
  const name = `${Date.now()}-${randomUUID()}`;
  await writeFile(path.join(folder, `${name}.part`), raw);
  await rename(path.join(folder, `${name}.part`), path.join(folder, `${name}.eml`));
}
