import type { DoneJob } from '#contract/bench.ts';
import type { Tx } from '../../db/pool.ts';

/** Finished work is looked for among so many of the tasks that were done last. */
const LOOKED_AT = 250;

/**
 * Lines of all estimates that are finished, the newest first: every task of them is done or dropped, and somebody put hours in. What was
 * estimated is the likely of its three points as it stands.
 */
export const doneJobs = (tx: Tx, most: number): Promise<DoneJob[]> =>
  tx.rows(
    `with ended as (
       select line_id, max(done_at) as last_at from (
         select line_id, done_at from tasks
         where shop_id = :shopId and state = 'done' and line_id is not null order by done_at desc limit ${LOOKED_AT}) t
       group by line_id)
     select l.content ->> 'work' as kind, l.content ->> 'title' as title, b.nickname,
       (l.content #>> '{minutes,likely}')::int as "estimatedMinutes", w.minutes as "tookMinutes"
     from ended d
     join estimate_lines l on l.shop_id = :shopId and l.id = d.line_id and l.removed_at is null
     join builds b on b.shop_id = l.shop_id and b.id = l.build_id
     join lateral (select sum(h.minutes)::int as minutes from ledger h
       where h.shop_id = l.shop_id and h.line_id = l.id and not h.withdrawn) w on w.minutes > 0
     where (l.content #>> '{minutes,likely}')::int > 0
       and not exists (select 1 from tasks t where t.shop_id = l.shop_id and t.line_id = l.id and t.state not in ('done', 'dropped'))
     order by d.last_at desc, l.id limit :most`,
    { most },
  );
