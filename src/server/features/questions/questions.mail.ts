/** The mail that carries an answer to a customer's question. */
import type { Transporter } from 'nodemailer';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { MailAnswer } from '../../jobs/queue.ts';
import { linkUrl } from '../../links.ts';
import { SHOP_HEADER } from '../../mail/outbox.ts';
import { buildDetail } from '../builds/index.ts';
import { liveLink } from '../links/index.ts';
import { shopOf } from '../session/index.ts';
import { questionById } from './questions.queries.ts';

export async function mailAnswer(deps: Deps, transport: Transporter, job: MailAnswer): Promise<void> {
  const to = await inShop(deps.db, job.shopId, async (tx) => {
    const question = await questionById(tx, job.questionId);
    const build = question && (await buildDetail(tx, question.buildId));
    const link = build && (await liveLink(tx, build.id));
    return question && build && link ? { question, build, link, shop: await shopOf(tx) } : null;
  });
  if (!to || to.question.answeredAt === null) return;
  const { question, build, link, shop } = to;
  await transport.sendMail({
    from: { name: shop.name, address: 'letters@avrik.invalid' },
    to: { name: build.customer, address: build.customer_email },
    subject: `About your ${build.vehicle}: your question`,
    date: question.answeredAt ?? undefined,
    messageId: `<question-${question.id}@avrik.invalid>`,
    headers: { [SHOP_HEADER]: job.shopId },
    text: `You asked: ${question.text}\n\n${question.answer}\n\nIt stands on your page too:\n${linkUrl(deps, link.id)}\n\n${shop.name}\n`,
  });
}
