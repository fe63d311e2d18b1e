/** The mail that carries a letter: worked off the queue, tried again until it is taken or given up. */
import { v5 as uuidv5 } from 'uuid';
import type { LetterView } from '#contract/letters.ts';
import { letterHtml, letterText } from '#core/update/html.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { MailLetter, MailReader } from '../../jobs/queue.ts';
import { linkUrl } from '../../links.ts';
import { isForGood, NotSent, type Sender } from '../../mail/post.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn, mailFault, sendOrSay } from '../entries/index.ts';
import { liveLink, readerById } from '../links/index.ts';
import { shopOf } from '../session/index.ts';
import { textsGo } from './manner.service.ts';
import * as q from './letters.queries.ts';
import { lettersFor } from './scoped.ts';

/** `last`: no further try follows, so a failure is final. Throws when the mail was not taken. */
export async function mailLetter(deps: Deps, post: Sender, job: MailLetter, last: boolean): Promise<void> {
  const { letter, link, shop } = await inShop(deps.db, job.shopId, async (tx) => ({
    letter: await q.letterDetail(tx, job.letterId),
    shop: await shopOf(tx),
    link: await q.letterDetail(tx, job.letterId).then((l) => (l ? liveLink(tx, l.build_id) : undefined)),
  }));
  if (!letter || letter.mail === 'accepted') return;
  const note = (mail: NonNullable<LetterView['mail']>, why: string | null): Promise<number> =>
    inShop(deps.db, job.shopId, (tx) => q.noteMail(tx, { id: job.letterId, mail, note: why }));
  if (!link) {
    await note('failed', 'The customer’s link was revoked before the mail went.');
    return;
  }
  const url = linkUrl(deps, link.id);
  try {
    await post.send(job.shopId, {
      id: `letter-${letter.id}`,
      from: shop.name,
      to: { name: letter.customer_name, address: letter.customer_email },
      subject: letter.content.subject,
      date: letter.sent_at ?? undefined,
      linkId: link.id,
      text: letterText(letter.content, url),
      html: `${letterHtml(letter.content)}<p><a href="${url}">Read it with everything I have sent you</a></p>`,
    });
  } catch (error) {
    if (error instanceof NotSent) {
      await note(error.state, error.state === 'waiting' ? error.message : null);
      return;
    }
    // What was refused for good is not asked again.
    const isEnd = last || isForGood(error);
    await note(isEnd ? 'failed' : 'queued', `The mail server said: ${mailFault(error)}`);
    if (isForGood(error)) return;
    throw error;
  }
  await note('accepted', null);
}

/** The letter as somebody else is told it, with their own link. Where it cannot go, the logbook says so. */
export async function mailReader(deps: Deps, post: Sender, job: MailReader, last: boolean): Promise<void> {
  const about = await inShop(deps.db, job.shopId, async (tx) => {
    const letter = await q.letterDetail(tx, job.letterId);
    const reader = await readerById(tx, job.readerId);
    if (!letter || !reader || reader.revoked_at !== null) return null;
    const [told] = await lettersFor(tx, deps, reader.scope, [{ content: letter.content }]);
    return { letter: { ...letter, content: told!.content }, reader, shop: await shopOf(tx) };
  });
  if (about === null) return;
  const { letter, reader, shop } = about;
  const url = linkUrl(deps, reader.id);
  const words = `The letter could not be sent to ${reader.name}`;
  await sendOrSay(deps, { shopId: job.shopId, buildId: letter.build_id, words, last }, () =>
    post.send(job.shopId, {
      id: `letter-${letter.id}-${reader.id}`,
      from: shop.name,
      to: { name: reader.name, address: reader.email },
      subject: letter.content.subject,
      date: letter.sent_at ?? undefined,
      linkId: reader.id,
      text: `${reader.name}, this is what ${letter.customer_name} was written:\n\n${letterText(letter.content, url)}`,
    }),
  );
}

/** The word that goes by text message beside the mail: that there is a letter, and where. */
export async function textLetter(deps: Deps, job: MailLetter): Promise<void> {
  const about = await inShop(deps.db, job.shopId, async (tx) => {
    const letter = await q.letterDetail(tx, job.letterId);
    const link = letter && (await liveLink(tx, letter.build_id));
    return letter && link && letter.text_to !== '' ? { letter, link, shop: await shopOf(tx) } : null;
  });
  if (about === null) return;
  const { letter, link, shop } = about;
  if (!textsGo(deps, shop)) {
    // The same job done twice says it once.
    const id = uuidv5('no text message', letter.id);
    const text = `No text message went to ${letter.customer_name}: no service for text messages is set. The letter itself goes by mail.`;
    await inShop(deps.db, job.shopId, async (tx) => {
      const build = (await buildForUpdate(tx, letter.build_id))!;
      await logIn(tx, deps, build, { id, personId: null, kind: 'note', audience: 'shop', text });
    });
    return;
  }
  await deps.texts!.send(job.shopId, {
    id: `letter-${letter.id}`,
    to: letter.text_to,
    text: `${shop.name}: ${letter.content.subject} ${linkUrl(deps, link.id)}`,
  });
}
