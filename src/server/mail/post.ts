/**
 * Mail on its way out: through the shop's own server where it has one, else where the installation says. The stand-in takes
 * the mail of the demo shop only; a real shop's mail waits until there is a server to hand it to.
 */
import { Transform } from 'node:stream';
import nodemailer, { type Transporter } from 'nodemailer';
import { inShop, type Tx } from '../db/pool.ts';
import type { Deps } from '../deps.ts';
import { isLoopback } from '../http/hosts.ts';
import { answerAddress, STAND_IN_FROM } from './address.ts';
import {
  beginHandover,
  noteHandover,
  writeMail,
  type Handover,
  type MailJob,
  type MailState,
} from './handover.ts';
import { SHOP_HEADER } from './outbox.ts';
import { unseal } from './seal.ts';

export interface MailServer {
  host: string;
  port: number;
  secure: 'tls' | 'starttls' | 'none';
  user_name: string;
  password: Buffer | null;
  from_address: string;
  from_name: string;
  version: number;
}

export const mailServerOf = (tx: Tx): Promise<MailServer | undefined> =>
  tx.one(
    'select host, port, secure, user_name, password, from_address, from_name, version from mail_settings where shop_id = :shopId',
  );

export interface Mail {
  /** Of the message; the same mail sent twice has the same. */
  id: string;
  from: string;
  to: { name: string; address: string };
  subject: string;
  /** UTC ISO instant. */
  date?: string | undefined;
  text: string;
  html?: string;
  /** The link that answers to it belong to. */
  linkId?: string;
}

/** A mail that did not go, and what follows from it. */
export class NotSent extends Error {
  constructor(
    /** waiting: it is kept, and goes when there is a server. perhaps: nobody knows, and somebody must decide. */
    readonly state: 'waiting' | 'perhaps',
    words: string,
  ) {
    super(words);
  }
}

const PATIENCE = { connectionTimeout: 10_000, greetingTimeout: 10_000, socketTimeout: 20_000 };

/** A connection to a shop's own server. `starttls` is insisted upon: nothing goes in the clear that was meant not to. */
const transportTo = (secret: string, s: MailServer): Transporter =>
  nodemailer.createTransport({
    host: s.host,
    port: s.port,
    secure: s.secure === 'tls',
    requireTLS: s.secure === 'starttls',
    ignoreTLS: s.secure === 'none',
    ...(s.user_name === ''
      ? {}
      : { auth: { user: s.user_name, pass: s.password === null ? '' : unseal(secret, s.password) } }),
    ...PATIENCE,
  });

const codeOf = (error: unknown): number | undefined =>
  (error as { responseCode?: number } | null)?.responseCode;

/** Whether the server said that it will never take this mail (RFC 5321: codes from 500 on). */
export const isForGood = (error: unknown): boolean => (codeOf(error) ?? 0) >= 500;

/** The last of a mail's content has been given to the connection; from then on only the server's answer tells what became of it. */
function noteEndOfContent(transport: Transporter, ended: () => void): void {
  transport.use('stream', (mail, done) => {
    mail.message.transform(
      () =>
        new Transform({
          transform: (chunk, _encoding, next) => next(null, chunk),
          flush: (next) => {
            ended();
            next();
          },
        }),
    );
    done();
  });
}

export interface Sender {
  send(shopId: string, mail: Mail): Promise<void>;
}

export interface Post extends Sender {
  /** Sends the mails of one job, which makes them again where somebody decides so. */
  of(job: MailJob): Sender;
  /** Sends a mail that only tries how mail goes. */
  tryOut(shopId: string, mail: Mail): Promise<void>;
}

/** By which server a shop's mail goes, and from whom. */
interface Way {
  own: MailServer | undefined;
  from: { name: string; address: string };
  /** Nothing leaves this machine. */
  isStandIn: boolean;
}

const NO_SERVER = 'no mail server is set';
const NO_ADDRESS = 'the address that customers would open is not set (it leads to this machine only)';

/** Why no mail of a shop can go out now, or null: the demo shop's goes to the stand-in. */
export function whyNoMail(deps: Deps, shop: { isDemo: boolean }, own: MailServer | undefined): string | null {
  if (shop.isDemo) return null;
  if (!own && deps.mailFrom === null) return NO_SERVER;
  return isLoopback(new URL(deps.publicUrl).host) ? NO_ADDRESS : null;
}

async function wayOf(deps: Deps, shopId: string, name: string): Promise<Way | { why: string }> {
  const { own, isDemo } = await inShop(deps.db, shopId, async (tx) => ({
    own: await mailServerOf(tx),
    isDemo: (await tx.one<{ is_demo: boolean }>('select is_demo from shops where id = :shopId'))!.is_demo,
  }));
  const why = whyNoMail(deps, { isDemo }, own);
  if (why) return { why };
  const address = own?.from_address ?? deps.mailFrom ?? STAND_IN_FROM;
  return {
    own,
    from: { name: own?.from_name || name, address },
    isStandIn: !own && deps.outbox !== null,
  };
}

const wordsOf = (error: unknown): string =>
  (error instanceof Error ? error.message : String(error)).slice(0, 300);

const domainOf = (address: string): string => address.slice(address.lastIndexOf('@') + 1);

export function openPost(deps: Deps): Post {
  /**
   * One SMTP conversation. The headers are of the sender's own domain; only the stand-in is told whose mail it is. Throws
   * NotSent where the mail may have been taken all the same: its content went, and no answer came (RFC 5321, 6.1).
   */
  async function deliver(shopId: string, way: Way, messageId: string, mail: Mail): Promise<void> {
    const { linkId, to, subject, text, html, date } = mail;
    const transport = way.own
      ? transportTo(deps.secret, way.own)
      : nodemailer.createTransport({ url: deps.smtpUrl, ...PATIENCE });
    let contentWent = false;
    noteEndOfContent(transport, () => (contentWent = true));
    // Only the stand-in hands answers on; a real server puts them into the shop's own mail.
    const answers = way.isStandIn && linkId !== undefined ? answerAddress(deps, linkId) : null;
    try {
      await transport.sendMail({
        ...{ subject, text, from: way.from, to, messageId },
        ...(html === undefined ? {} : { html }),
        // As a Date it is written as RFC 5322 wants it.
        ...(date === undefined ? {} : { date: new Date(date) }),
        ...(way.isStandIn ? { headers: { [SHOP_HEADER]: shopId } } : {}),
        ...(answers === null ? {} : { replyTo: answers, envelope: { from: answers, to: to.address } }),
      });
    } catch (error) {
      if (!contentWent || codeOf(error) !== undefined) throw error;
      throw new NotSent('perhaps', `The mail server did not answer after it had the mail: ${wordsOf(error)}`);
    } finally {
      transport.close();
    }
  }

  async function send(shopId: string, mail: Mail, job: MailJob | null): Promise<void> {
    const way = await wayOf(deps, shopId, mail.from);
    const domain = 'why' in way ? 'avrik.invalid' : domainOf(way.from.address);
    const { id, to, subject } = mail;
    const handover: Handover = { id, messageId: `<${id}@${domain}>`, to, subject, job };
    const note = (state: MailState, words: string | null): Promise<number> =>
      inShop(deps.db, shopId, (tx) => noteHandover(tx, id, { state, note: words }, deps.clock.now()));
    if ('why' in way) {
      await inShop(deps.db, shopId, (tx) =>
        writeMail(tx, handover, { state: 'waiting', note: way.why }, deps.clock.now()),
      );
      throw new NotSent('waiting', way.why);
    }
    const before = await inShop(deps.db, shopId, (tx) => beginHandover(tx, handover, deps.clock.now()));
    if (before === 'accepted') return;
    if (before === 'perhaps') throw new NotSent('perhaps', 'it may have been sent already');
    try {
      await deliver(shopId, way, handover.messageId, mail);
    } catch (error) {
      await note(error instanceof NotSent ? error.state : 'failed', wordsOf(error));
      throw error;
    }
    await note('accepted', null);
  }

  /** Without a note: what tries how mail goes may go twice. */
  async function tryOut(shopId: string, mail: Mail): Promise<void> {
    const way = await wayOf(deps, shopId, mail.from);
    if ('why' in way) throw new NotSent('waiting', way.why);
    await deliver(shopId, way, `<${mail.id}@${domainOf(way.from.address)}>`, mail);
  }

  return {
    send: (shopId, mail) => send(shopId, mail, null),
    of: (job) => ({ send: (shopId, mail) => send(shopId, mail, job) }),
    tryOut,
  };
}
