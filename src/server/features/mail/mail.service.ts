/** A shop's own mail server: set, tried, taken away again. And what the stand-in does in a customer's place. */
import nodemailer, { type Transporter } from 'nodemailer';
import type { MailServerDto, MailServerView, MailTried, OpenMail } from '#contract/mail.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { addressesIn, type Outbox } from '../../mail/outbox.ts';
import { queueAgain } from '../../jobs/queue.ts';
import { mailForUpdate, noteHandover, openMails, type MailRow } from '../../mail/handover.ts';
import { mailServerOf, openPost, whyNoMail } from '../../mail/post.ts';
import { seal } from '../../mail/seal.ts';
import { noteEvent, shopOf } from '../session/index.ts';
import * as q from './mail.queries.ts';

const toOpenMail = (m: MailRow): OpenMail => ({
  id: m.id,
  to: `${m.to_name} <${m.to_address}>`,
  subject: m.subject,
  state: m.state as OpenMail['state'],
  note: m.note,
  at: m.begun_at,
  canAgain: m.task !== null,
});

async function viewOf(tx: Tx, deps: Deps): Promise<MailServerView> {
  const s = await mailServerOf(tx);
  const server = s && {
    version: s.version,
    host: s.host,
    port: s.port,
    secure: s.secure,
    userName: s.user_name,
    hasPassword: s.password !== null,
    fromAddress: s.from_address,
    fromName: s.from_name,
  };
  const { isDemo } = await shopOf(tx);
  return {
    server: server ?? null,
    usual: deps.outbox === null ? 'installation' : isDemo ? 'stand-in' : 'none',
    whyNot: whyNoMail(deps, { isDemo }, s),
    triedAt: await q.triedAt(tx),
    open: (await openMails(tx)).map(toOpenMail),
  };
}

export const readServer = (deps: Deps, who: SignedIn): Promise<MailServerView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps));

/** Its people are made up, and so are their addresses: real ones might be somebody's. */
const isHere = (host: string): boolean => host === 'localhost' || /^127(?:\.\d{1,3}){3}$/.test(host);

export async function putServer(deps: Deps, who: SignedIn, dto: MailServerDto): Promise<MailServerView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    if ((await shopOf(tx)).isDemo && !isHere(dto.host))
      throw invalidAt('host', 'the demo shop sends nothing out of this machine: localhost only');
    const before = await mailServerOf(tx);
    const { password: typed, ...server } = dto;
    const kept = before?.password ?? null;
    // A password goes with the server and the name that it was typed for, and to no other.
    const isSame = before?.host === dto.host && before.user_name === dto.userName;
    if (typed === undefined && kept !== null && dto.userName !== '' && !isSame)
      throw invalidAt('password', 'type it again: it was for another server, or another name');
    const password =
      typed === undefined ? (isSame ? kept : null) : typed === '' ? null : seal(deps.secret, typed);
    if (!(await q.saveServer(tx, { ...server, fromName: dto.fromName?.trim() ?? '', password })))
      throw changedMeanwhile('the mail server', await viewOf(tx, deps));
    await q.noteTried(tx, null);
    const text = `Mail goes through ${dto.host}, from ${dto.fromAddress}.`;
    await noteEvent(tx, deps.clock.now(), { kind: 'mail server', text, byId: who.personId });
    return viewOf(tx, deps);
  });
}

export async function dropServer(deps: Deps, who: SignedIn): Promise<MailServerView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    await q.dropServer(tx);
    await q.noteTried(tx, null);
    const text = 'The shop’s own mail server is no longer used.';
    await noteEvent(tx, deps.clock.now(), { kind: 'mail server', text, byId: who.personId });
    return viewOf(tx, deps);
  });
}

/** Sends a mail to whoever asks, as letters go, and says in the server's own words what became of it. */
export async function tryServer(deps: Deps, who: SignedIn): Promise<MailTried> {
  const { shop, me } = await inShop(deps.db, who.shopId, async (tx) => ({
    shop: await shopOf(tx),
    me: (await q.personMail(tx, who.personId))!,
  }));
  const now = deps.clock.now();
  try {
    await openPost(deps).tryOut(who.shopId, {
      id: `try-${Date.parse(now)}-${who.personId}`,
      from: shop.name,
      to: { name: me.name, address: me.email },
      subject: `Mail from ${shop.name} goes`,
      date: now,
      text: `This mail was sent to try the mail server of ${shop.name}. Letters go the same way.\n`,
    });
    const released = await inShop(deps.db, who.shopId, async (tx) => {
      await q.noteTried(tx, now);
      return releaseWaiting(tx, deps);
    });
    return { to: me.email, why: null, released };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { to: me.email, why: why.slice(0, 300), released: 0 };
  }
}

/** Lets the job of a mail hand it over anew. */
async function again(tx: Tx, deps: Deps, mail: MailRow): Promise<void> {
  if (mail.task === null || mail.payload === null)
    throw new Refusal('conflict', 'This mail cannot be made again.');
  await noteHandover(tx, mail.id, { state: 'failed', note: 'It is sent again.' }, deps.clock.now());
  await noteLetterMail(tx, mail, 'queued');
  await queueAgain(tx, mail.task, mail.payload, mail.id);
}

async function releaseWaiting(tx: Tx, deps: Deps): Promise<number> {
  const waiting = (await openMails(tx)).filter((m) => m.state === 'waiting' && m.task !== null);
  for (const mail of waiting) await again(tx, deps, mail);
  return waiting.length;
}

/** A letter's own page says what became of its mail. */
async function noteLetterMail(
  tx: Tx,
  { task, payload }: MailRow,
  mail: 'queued' | 'accepted',
): Promise<void> {
  if (task === 'mail-letter') await q.noteLetter(tx, (payload as { letterId: string }).letterId, mail);
}

/** The owner's word on a mail of which nobody knows whether it went: once more, or it arrived. */
export async function decideMail(
  deps: Deps,
  who: SignedIn,
  mailId: string,
  what: 'again' | 'arrived',
): Promise<MailServerView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const mail = await mailForUpdate(tx, mailId);
    if (!mail) throw notFound('mail');
    if (mail.state !== 'perhaps')
      throw new Refusal('conflict', 'Somebody has decided that already, or it went meanwhile.', {
        current: await viewOf(tx, deps),
      });
    if (what === 'again') await again(tx, deps, mail);
    else {
      await noteHandover(
        tx,
        mailId,
        { state: 'accepted', note: 'The owner says that it arrived.' },
        deps.clock.now(),
      );
      await noteLetterMail(tx, mail, 'accepted');
    }
    return viewOf(tx, deps);
  });
}

function outboxOf(deps: Deps): Outbox {
  if (deps.outbox === null) throw notFound('outbox');
  return deps.outbox;
}

/** What a mail in the outbox is answered to, or brought back to. */
async function sentMail(deps: Deps, who: SignedIn, mailId: string) {
  const mail = await outboxOf(deps).raw(who.shopId, mailId);
  const [back] = addressesIn(mail?.replyTo);
  if (!mail) throw notFound('mail');
  if (!back?.address) throw new Refusal('conflict', 'Nobody answers to this mail.');
  const [customer] = addressesIn([mail.to ?? []].flat()[0]);
  return {
    mail,
    back: back.address,
    customer: { name: customer?.name ?? '', address: customer?.address ?? '' },
  };
}

async function bySmtp(deps: Deps, work: (t: Transporter) => Promise<unknown>): Promise<{ sent: true }> {
  const transport = nodemailer.createTransport({ url: deps.smtpUrl });
  try {
    await work(transport);
    return { sent: true };
  } catch (error) {
    throw new Refusal(
      'conflict',
      `It was not taken: ${error instanceof Error ? error.message : String(error)}`,
    );
  } finally {
    transport.close();
  }
}

/** Answers as the customer would: by mail, to the address that the mail gave. */
export async function answerMail(
  deps: Deps,
  who: SignedIn,
  mailId: string,
  text: string,
): Promise<{ sent: true }> {
  const { mail, back, customer } = await sentMail(deps, who, mailId);
  const quoted = (mail.text ?? '').split('\n').map((l) => `> ${l}`);
  return bySmtp(deps, (t) =>
    t.sendMail({
      from: customer,
      to: back,
      subject: `Re: ${mail.subject ?? ''}`,
      ...(mail.messageId === undefined ? {} : { inReplyTo: mail.messageId, references: mail.messageId }),
      text: `${text}\n\nOn ${(mail.date ?? new Date(0)).toUTCString()}, ${addressesIn(mail.from)[0]?.name} wrote:\n${quoted.join('\n')}`,
    }),
  );
}

/** Brings a mail back as a server does that has no such mailbox (RFC 3464). */
export async function returnMail(deps: Deps, who: SignedIn, mailId: string): Promise<{ sent: true }> {
  const { mail, back, customer } = await sentMail(deps, who, mailId);
  const parts = [
    ['text/plain', `${customer.address} does not exist here.`],
    [
      'message/delivery-status',
      `Reporting-MTA: dns; mail.example.org\r\n\r\nFinal-Recipient: rfc822; ${customer.address}\r\nAction: failed\r\nStatus: 5.1.1\r\nDiagnostic-Code: smtp; 550 5.1.1 no such mailbox`,
    ],
    ['message/rfc822', `Message-ID: ${mail.messageId}\r\nSubject: returned\r\n\r\n`],
  ];
  const mark = 'report-of-the-stand-in';
  const body = parts.map(([type, text]) => `--${mark}\r\nContent-Type: ${type}\r\n\r\n${text}\r\n`).join('');
  const head = `From: Mail server <postmaster@mail.example.org>\r\nTo: ${back}\r\nSubject: It came back\r\nAuto-Submitted: auto-replied\r\nMIME-Version: 1.0\r\nContent-Type: multipart/report; report-type=delivery-status; boundary="${mark}"`;
  const raw = `${head}\r\n\r\n${body}--${mark}--\r\n`;
  return bySmtp(deps, (t) => t.sendMail({ envelope: { from: '', to: back }, raw }));
}
