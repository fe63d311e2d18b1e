/** The mail that carries an answer to a customer's question. */
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { MailAnswer } from '../../jobs/queue.ts';
import { linkUrl } from '../../links.ts';
import type { Sender } from '../../mail/post.ts';
import { buildDetail } from '../builds/index.ts';
import { sendOrSay } from '../entries/index.ts';
import { liveLink } from '../links/index.ts';
import { shopOf } from '../session/index.ts';
import { questionById } from './questions.queries.ts';

export async function mailAnswer(deps: Deps, post: Sender, job: MailAnswer, last: boolean): Promise<void> {
  const to = await inShop(deps.db, job.shopId, async (tx) => {
    const question = await questionById(tx, job.questionId);
    const build = question && (await buildDetail(tx, question.buildId));
    const link = build && (await liveLink(tx, build.id));
    return question && build && link ? { question, build, link, shop: await shopOf(tx) } : null;
  });
  if (!to || to.question.answeredAt === null) return;
  const { question, build, link, shop } = to;
  const words = `The answer could not be sent to ${build.customer}`;
  await sendOrSay(deps, { shopId: job.shopId, buildId: build.id, words, last }, () =>
    post.send(job.shopId, {
      id: `question-${question.id}`,
      from: shop.name,
      to: { name: build.customer, address: build.customer_email },
      subject: `About your ${build.vehicle}: your question`,
      date: question.answeredAt ?? undefined,
      linkId: link.id,
      text: `You asked: ${question.text}\n\n${question.answer}\n\nIt stands on your page too:\n${linkUrl(deps, link.id)}\n\n${shop.name}\n`,
    }),
  );
}
