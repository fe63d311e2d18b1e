/** The mails of an estimate: where to read it, and the code that an answer takes. */
import { formatMoney } from '#core/money/money.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { MailCode, MailRevision } from '../../jobs/queue.ts';
import { linkUrl } from '../../links.ts';
import type { Sender } from '../../mail/post.ts';
import { buildDetail } from '../builds/index.ts';
import { sendOrSay } from '../entries/index.ts';
import { liveLink, readerById } from '../links/index.ts';
import { shopOf } from '../session/index.ts';
import { codeOf, waitingAnswer } from './answerCodes.ts';
import { revisionById } from './estimate.queries.ts';

/** Who it goes to, and what it is about; null where the link was revoked since. */
async function addressed(deps: Deps, shopId: string, revisionId: string, readerId: string | null = null) {
  return inShop(deps.db, shopId, async (tx) => {
    const revision = await revisionById(tx, revisionId);
    const build = revision && (await buildDetail(tx, revision.buildId));
    const link = build && (await liveLink(tx, build.id));
    if (!revision || !build || !link) return null;
    const reader = readerId === null ? undefined : await readerById(tx, readerId);
    if (reader?.revoked_at) return null;
    // The customer's own link has no name.
    const to = reader?.name
      ? { name: reader.name, address: reader.email }
      : { name: build.customer, address: build.customer_email };
    return {
      revision,
      build,
      to,
      linkId: link.id,
      shop: await shopOf(tx),
      url: `${linkUrl(deps, link.id)}/estimate`,
    };
  });
}

interface Mail {
  shopId: string;
  /** What it is, where it cannot be sent. */
  what: string;
  last: boolean;
  id: string;
  date: string;
  subject: string;
  text: string;
}

async function send(
  deps: Deps,
  post: Sender,
  { shop, build, to, linkId }: NonNullable<Awaited<ReturnType<typeof addressed>>>,
  mail: Mail,
): Promise<void> {
  const { shopId, what, last } = mail;
  const words = `${what} could not be sent to ${to.name}`;
  await sendOrSay(deps, { shopId, buildId: build.id, words, last }, () =>
    post.send(shopId, {
      id: mail.id,
      from: shop.name,
      to,
      subject: mail.subject,
      date: mail.date,
      text: mail.text,
      linkId,
    }),
  );
}

export async function mailRevision(
  deps: Deps,
  post: Sender,
  job: MailRevision,
  last: boolean,
): Promise<void> {
  const to = await addressed(deps, job.shopId, job.revisionId);
  if (!to) return;
  const { revision, build, shop, url } = to;
  const { number, grossMinor, note } = revision.content;
  const price = formatMoney(grossMinor, shop.currency, shop.locale);
  await send(deps, post, to, {
    shopId: job.shopId,
    what: `Estimate ${number}`,
    last,
    id: `revision-${revision.id}`,
    date: revision.sentAt,
    subject: `Estimate ${number} for your ${build.nickname}: ${price}`,
    text: `${note === '' ? '' : `${note}\n\n`}Estimate ${number} for your ${build.vehicle} comes to ${price}. Line by line, with the reasons, and to answer:\n\n${url}\n\nNothing on it is done before you have agreed to it.\n\n${shop.name}\n`,
  });
}

export async function mailCode(deps: Deps, post: Sender, job: MailCode, last: boolean): Promise<void> {
  const waiting = await inShop(deps.db, job.shopId, (tx) => waitingAnswer(tx, job.codeId));
  const to = waiting && (await addressed(deps, job.shopId, waiting.revision_id, waiting.link_id));
  if (!waiting || !to || waiting.used_at !== null) return;
  const code = codeOf(deps, waiting.id);
  await send(deps, post, to, {
    shopId: job.shopId,
    what: 'The code for an answer',
    last,
    id: `code-${waiting.id}`,
    date: waiting.made_at,
    subject: `${code} is the code for your answer`,
    text: `Your code is ${code}. Type it on the page where you answered estimate ${to.revision.number}. It holds for half an hour.\n\nIf you did not answer anything, somebody else has your link: ring us, and nothing is agreed.\n\n${to.shop.name}\n`,
  });
}
