/** Pieces that something waits for: out, missing, or on a pile while a task needs them. */
import { groupBy } from '#core/lists/groupBy.ts';
import { expectedBack, type ExpectedBack } from '#core/outwork/expectedBack.ts';
import { thingsInWords, TREATMENT_WORK, type Treatment } from '#core/outwork/outwork.ts';
import { dayOf, type Day } from '#core/time/days.ts';
import type { Tx } from '../../db/pool.ts';
import { shopOf } from '../session/index.ts';
import { pastBatches } from './outwork.queries.ts';
import { MOST_PAST, numberOf } from './outworkNow.ts';

interface AwayRow {
  pieceId: string;
  buildId: string;
  taskId: string | null;
  what: string;
  count: number;
  state: 'off' | 'out' | 'missing';
  treatment: Treatment;
  madeAt: string;
  batchNumber: number | null;
  vendor: string | null;
  promised: Day | null;
  sentAt: string | null;
}

export interface AwayPiece {
  buildId: string;
  taskId: string | null;
  state: AwayRow['state'];
  /** “2 door hinges, out for plate to Halcyon Platers (O-003)”. */
  words: string;
  vendor: string | null;
  since: Day;
  back: ExpectedBack | null;
}

/** Of one build, or of all. A piece on a pile counts only while a task needs it: else nothing waits for it yet. */
const rowsOf = (tx: Tx, buildId: string | null): Promise<AwayRow[]> =>
  tx.rows(
    `select p.id as "pieceId", p.build_id as "buildId", p.task_id as "taskId", p.content ->> 'what' as what,
       (p.content ->> 'count')::int as count, p.state, p.treatment, p.made_at as "madeAt", o.number as "batchNumber",
       o.vendor, o.promised, o.sent_at as "sentAt"
     from pieces p
     left join batches o on o.shop_id = p.shop_id and o.id = p.batch_id
     left join tasks t on t.shop_id = p.shop_id and t.id = p.task_id
     where p.shop_id = :shopId and p.removed_at is null and p.treatment is not null
       and (p.state in ('out', 'missing') or (p.state = 'off' and t.id is not null))
       and (t.id is null or t.state in ('to do', 'going'))
       ${buildId === null ? '' : 'and p.build_id = :buildId'}
     order by p.made_at, p.id`,
    { buildId },
  );

function wordsOf(r: AwayRow): string {
  const things = thingsInWords(r);
  const batch = r.batchNumber === null ? '' : ` (${numberOf(r.batchNumber)})`;
  if (r.state === 'out') return `${things}, out for ${TREATMENT_WORK[r.treatment]} at ${r.vendor}${batch}`;
  if (r.state === 'missing') return `${things}, missing since it was at ${r.vendor}${batch}`;
  return `${things}, still to go for ${TREATMENT_WORK[r.treatment]}`;
}

export async function awayPieces(tx: Tx, buildId: string | null): Promise<AwayPiece[]> {
  const rows = await rowsOf(tx, buildId);
  if (rows.length === 0) return [];
  const { timeZone } = await shopOf(tx);
  const past = await pastBatches(tx, timeZone, MOST_PAST);
  return rows.map((r) => {
    const sentOn = r.sentAt === null ? null : dayOf(r.sentAt, timeZone);
    const own = past.filter((b) => b.vendor === r.vendor && b.treatment === r.treatment);
    return {
      buildId: r.buildId,
      taskId: r.taskId,
      state: r.state,
      words: wordsOf(r),
      vendor: r.vendor,
      since: sentOn ?? dayOf(r.madeAt, timeZone),
      back: r.state === 'out' && sentOn !== null ? expectedBack(sentOn, r.promised, own) : null,
    };
  });
}

/** What each task waits for, in words. */
export function awayByTask(pieces: readonly AwayPiece[]): Map<string, string[]> {
  const byTask = groupBy(
    pieces.flatMap(({ taskId, words }) => (taskId === null ? [] : [{ taskId, words }])),
    (p) => p.taskId,
  );
  return new Map([...byTask].map(([taskId, of]) => [taskId, of.map((p) => p.words)]));
}
