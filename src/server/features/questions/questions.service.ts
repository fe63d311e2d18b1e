/** Questions of customers: asked on their page, logged, answered once, and told. */
import type { QuestionAnswerDto, QuestionDto, QuestionView } from '#contract/questions.ts';
import { whyNotWith } from '#core/update/leaks.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queueAnswer } from '../../jobs/queue.ts';
import { buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { guardOf } from '../letters/index.ts';
import { ensureLink } from '../links/index.ts';
import * as q from './questions.queries.ts';

/** A customer asks; the logbook says so. The same id again is the same question. The caller holds the build. */
export async function askIn(
  tx: Tx,
  deps: Deps,
  build: BuildKey,
  { id, name, text }: QuestionDto & { id: string },
): Promise<void> {
  const question = { id, name: name.trim(), text: text.trim() };
  const isNew = await q.insertQuestion(tx, { ...question, buildId: build.id, now: deps.clock.now() });
  if (!isNew) return;
  await logIn(tx, deps, build, {
    personId: null,
    kind: 'asked',
    text: `${question.name} asks: ${question.text}`,
    audience: 'shop',
    about: { type: 'question', id },
  });
}

export const readQuestions = (deps: Deps, who: SignedIn, buildId: string): Promise<QuestionView[]> =>
  inShop(deps.db, who.shopId, (tx) => q.questionsOf(tx, buildId));

/** Answers a question, once. What is not for this customer is refused, as in a letter; the answer goes by mail and stands on their page. */
export const answerQuestion = (
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: QuestionAnswerDto,
): Promise<QuestionView[]> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const known = await q.questionById(tx, id);
    const build = known && (await buildForUpdate(tx, known.buildId));
    if (!known || !build) throw notFound('question');
    const answer = dto.answer.trim();
    const question = (await q.questionById(tx, id))!;
    if (question.answeredAt !== null) {
      if (question.answer === answer) return q.questionsOf(tx, build.id);
      throw new Refusal('conflict', 'It has been answered meanwhile.', { current: question });
    }
    const refused = whyNotWith(
      await deps.compute.run('leaks', asLetter(answer), await guardOf(tx, build.id)),
    );
    if (refused !== null) throw invalidAt('answer', refused);
    const now = deps.clock.now();
    await q.saveAnswer(tx, { id, answer, by: who.personId, now });
    await logIn(tx, deps, build, {
      personId: who.personId,
      kind: 'told',
      text: `answered ${question.name}: ${answer}`,
      about: { type: 'question', id },
    });
    await ensureLink(tx, deps, build.id, now);
    await queueAnswer(tx, { shopId: who.shopId, questionId: id });
    return q.questionsOf(tx, build.id);
  });

const asLetter = (text: string) => ({
  subject: '',
  greeting: '',
  parts: [{ id: 'other' as const, title: '', items: [{ id: 'answer', text, leftOut: false }] }],
  closing: '',
});
