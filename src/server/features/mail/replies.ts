/** Mail that comes to us: what a customer answers becomes a question of theirs, and a letter that came back is marked so. */
import { createHash } from 'node:crypto';
import { simpleParser, type ParsedMail } from 'mailparser';
import { LONGEST_QUESTION } from '#contract/questions.ts';
import { ownWords } from '#core/update/reply.ts';
import type { Deps } from '../../deps.ts';
import { linkOfAddress } from '../../mail/address.ts';
import { addressesIn } from '../../mail/outbox.ts';
import { isUuid } from '../../uuid.ts';
import { buildDetail, buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { markReturned } from '../letters/index.ts';
import { throughLinkOf, type Opened } from '../links/index.ts';
import { askIn } from '../questions/index.ts';

/** An id that the same mail has again. */
function idOf(mail: ParsedMail, raw: Buffer): string {
  const hex = createHash('sha256')
    .update(mail.messageId ?? raw)
    .digest('hex');
  return hex.replace(/^(.{8})(.{4}).(.{3}).(.{3})(.{12}).*$/, '$1-$2-8$3-8$4-$5');
}

const header = (mail: ParsedMail, name: string): string => {
  const value = mail.headers.get(name);
  return typeof value === 'string' ? value : ((value as { value?: string } | undefined)?.value ?? '');
};

/** A report of a mail server (RFC 3464). */
const isReport = (mail: ParsedMail): boolean => header(mail, 'content-type') === 'multipart/report';
/** What nobody wrote: away until Monday (RFC 3834). */
const isByItself = (mail: ParsedMail): boolean =>
  !['', 'no'].includes(header(mail, 'auto-submitted').toLowerCase());

const LETTER = /<letter-([0-9a-f-]{36})@/i;
const DIAGNOSIS = /^Diagnostic-Code:\s*(?:smtp;\s*)?(.+(?:\r?\n[ \t]+.+)*)/im;

/** The letter is named by the message that comes back with the report. */
async function takeReport(deps: Deps, { tx, link }: Opened, raw: string): Promise<void> {
  const letterId = LETTER.exec(raw)?.[1] ?? '';
  const why = (DIAGNOSIS.exec(raw)?.[1] ?? 'it did not say why').replace(/\s+/g, ' ').trim().slice(0, 300);
  const subject = isUuid(letterId)
    ? await markReturned(tx, { id: letterId, buildId: link.build_id, why })
    : null;
  if (subject === null) return;
  const build = (await buildForUpdate(tx, link.build_id))!;
  await logIn(tx, deps, build, {
    personId: null,
    kind: 'note',
    audience: 'shop',
    text: `The letter “${subject}” came back: ${why}. Their address may be wrong; tell them another way.`,
    about: { type: 'letter', id: letterId },
  });
}

async function takeAnswer(deps: Deps, { tx, link }: Opened, mail: ParsedMail, id: string): Promise<void> {
  const build = (await buildDetail(tx, link.build_id))!;
  const files = mail.attachments.length;
  const words = ownWords(mail.text ?? '') || '(no words)';
  const text =
    files === 0 ? words : `${words}\n(with ${files === 1 ? 'a file' : `${files} files`}, not taken in)`;
  const cut = text.length > LONGEST_QUESTION ? `${text.slice(0, LONGEST_QUESTION - 1)}…` : text;
  const name = addressesIn(mail.from)[0]?.name.trim().slice(0, 120) || build.customer;
  await buildForUpdate(tx, link.build_id);
  await askIn(tx, deps, build, { id, name, text: cut });
}

/** Takes a mail that came to one of our addresses; answers whether it is one that is open. */
export async function takeMail(deps: Deps, raw: Buffer, address: string): Promise<boolean> {
  const linkId = linkOfAddress(deps, address);
  if (linkId === null) return false;
  const mail = await simpleParser(raw);
  const done = await throughLinkOf(deps, linkId, async (opened) => {
    if (isReport(mail)) await takeReport(deps, opened, raw.toString('utf8'));
    else if (!isByItself(mail)) await takeAnswer(deps, opened, mail, idOf(mail, raw));
    return true;
  });
  return done !== null;
}
