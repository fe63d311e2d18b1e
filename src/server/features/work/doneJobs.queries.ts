import type { DoneJob } from '#contract/bench.ts';
import type { Tx } from '../../db/pool.ts';

/**
 * Lines of all estimates that are finished, the newest first: every task of them is done or dropped, and somebody put hours in. What was
 * estimated is the likely of its three points as it stands.
 */
export const doneJobs = (tx: Tx, most: number): Promise<DoneJob[]> =>
  tx.rows(
    `with worked as (
       select b.line_id, sum((e.facts ->> 'minutes')::int)::int as minutes, max(e.at) as last_at
       from entry_belongs b join entries_now e on e.shop_id = b.shop_id and e.id = b.entry_id and not e.withdrawn
       where b.shop_id = :shopId and b.line_id is not null and e.facts ->> 'minutes' is not null
       group by b.line_id)
     select l.content ->> 'work' as kind, l.content ->> 'title' as title, b.nickname,
       (l.content #>> '{minutes,likely}')::int as "estimatedMinutes", w.minutes as "tookMinutes"
     from worked w
     join estimate_lines l on l.shop_id = :shopId and l.id = w.line_id and l.removed_at is null
     join builds b on b.shop_id = l.shop_id and b.id = l.build_id
     where w.minutes > 0 and (l.content #>> '{minutes,likely}')::int > 0
       and exists (select 1 from tasks t where t.shop_id = l.shop_id and t.line_id = l.id and t.state = 'done')
       and not exists (select 1 from tasks t where t.shop_id = l.shop_id and t.line_id = l.id and t.state not in ('done', 'dropped'))
     order by w.last_at desc, l.id limit :most`,
    { most },
  );
