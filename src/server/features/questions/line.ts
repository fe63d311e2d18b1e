/** A customer's question, as a line of the log ends it: it was answered by word of mouth. And how that is taken back. */
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import { seesPrices, type Prepare, type TakeBack } from '../entries/index.ts';
import * as q from './questions.queries.ts';

/** The words of the line stay in the shop: the customer's page says only that it was answered, and when. */
export const prepareQuestion: Prepare = async ({ tx, who, build, act, at }) => {
  if (!seesPrices(who))
    throw new Refusal('forbidden', 'Questions of customers are for the desk to answer. Nothing was kept.');
  const question = await q.questionById(tx, act.id);
  if (question?.buildId !== build.id) throw notFound('question');
  if (question.answeredAt !== null)
    throw invalidAt('does', `the question of ${question.name} has been answered already`);
  return {
    done: { act: act.act, type: 'question', id: question.id, before: null },
    perform: async () => {
      // What happened before it was asked did not answer it.
      await q.closeQuestion(tx, {
        id: question.id,
        by: who.personId,
        at: at < question.askedAt ? question.askedAt : at,
      });
    },
  };
};

export const takeBackOfQuestion: TakeBack = async (tx, _deps, { id }) => {
  await q.reopenQuestion(tx, id);
};
