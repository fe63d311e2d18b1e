/** The mail that carries a letter: worked off the queue, tried again until it is taken or given up. */
import type { Transporter } from 'nodemailer';
import { letterHtml, letterText } from '#core/update/html.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { MailLetter } from '../../jobs/queue.ts';
import { linkUrl } from '../../links.ts';
import { SHOP_HEADER } from '../../mail/outbox.ts';
import { liveLink } from '../links/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './letters.queries.ts';

/** `last`: no further try follows, so a failure is final. Throws when the mail was not taken. */
export async function mailLetter(
  deps: Deps,
  transport: Transporter,
  job: MailLetter,
  last: boolean,
): Promise<void> {
  const { letter, link, shop } = await inShop(deps.db, job.shopId, async (tx) => ({
    letter: await q.letterDetail(tx, job.letterId),
    shop: await shopOf(tx),
    link: await q.letterDetail(tx, job.letterId).then((l) => (l ? liveLink(tx, l.build_id) : undefined)),
  }));
  if (!letter || letter.mail === 'accepted') return;
  const note = (mail: 'queued' | 'accepted' | 'failed', why: string | null): Promise<number> =>
    inShop(deps.db, job.shopId, (tx) => q.noteMail(tx, { id: job.letterId, mail, note: why }));
  if (!link) {
    await note('failed', 'The customer’s link was revoked before the mail went.');
    return;
  }
  const url = linkUrl(deps, link.id);
  try {
    await transport.sendMail({
      from: { name: shop.name, address: 'letters@avrik.invalid' },
      to: { name: letter.customer_name, address: letter.customer_email },
      subject: letter.content.subject,
      date: letter.sent_at ?? undefined,
      messageId: `<letter-${letter.id}@avrik.invalid>`,
      headers: { [SHOP_HEADER]: job.shopId },
      text: letterText(letter.content, url),
      html: `${letterHtml(letter.content)}<p><a href="${url}">Read it with everything I have sent you</a></p>`,
    });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    await note(last ? 'failed' : 'queued', `The mail server said: ${why.slice(0, 300)}`);
    throw error;
  }
  await note('accepted', null);
}
