import type { QuestionView } from '#contract/questions.ts';
import type { Tx } from '../../db/pool.ts';

const COLUMNS = `select id, build_id as "buildId", name, text, asked_at as "askedAt", answer, answered_at as "answeredAt"
  from questions where shop_id = :shopId`;

/** The open ones first, each the newest first. */
export const questionsOf = (tx: Tx, buildId: string): Promise<QuestionView[]> =>
  tx.rows(`${COLUMNS} and build_id = :buildId order by answered_at is not null, asked_at desc, id`, {
    buildId,
  });

export const questionById = (tx: Tx, id: string): Promise<QuestionView | undefined> =>
  tx.one(`${COLUMNS} and id = :id`, { id });

/** Answers whether it was new. */
export const insertQuestion = async (
  tx: Tx,
  q: { id: string; buildId: string; name: string; text: string; now: string },
): Promise<boolean> =>
  (await tx.run(
    `insert into questions (shop_id, id, build_id, name, text, asked_at)
     values (:shopId, :id, :buildId, :name, :text, :now) on conflict do nothing`,
    q,
  )) === 1;

export const saveAnswer = (
  tx: Tx,
  a: { id: string; answer: string; by: string; now: string },
): Promise<number> =>
  tx.run(
    `update questions set answer = :answer, answered_at = :now, answered_by = :by
     where shop_id = :shopId and id = :id and answered_at is null`,
    a,
  );

/** It was answered by word of mouth. */
export const closeQuestion = (tx: Tx, q: { id: string; by: string; at: string }): Promise<number> =>
  tx.run(
    `update questions set answered_at = :at, answered_by = :by
     where shop_id = :shopId and id = :id and answered_at is null`,
    q,
  );

/** Open again, unless it was answered in writing. */
export const reopenQuestion = (tx: Tx, id: string): Promise<number> =>
  tx.run(
    `update questions set answered_at = null, answered_by = null
     where shop_id = :shopId and id = :id and answer = ''`,
    { id },
  );
