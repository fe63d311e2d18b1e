/** Tasks, as the rules of core see them. */
import type { TaskToDo } from '#core/graph/readiness.ts';
import type { Work } from '#core/estimate/lines.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import type { TaskNeed, TaskState } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE } from '../builds/index.ts';

interface Row {
  id: string;
  buildId: string;
  lineId: string | null;
  title: string;
  place: PlaceKind | null;
  work: Work;
  gate: string | null;
  state: TaskState;
  doneAt: string | null;
  needs: { taskId: string; reason: string; waitAtLeast: number | null; waitAtMost: number | null }[] | null;
}

const SQL = `
  select t.id, t.build_id as "buildId", t.line_id as "lineId", t.content ->> 'title' as title,
    t.content ->> 'place' as place, t.content ->> 'work' as work, t.state, t.done_at as "doneAt",
    case when t.content -> 'gateSigned' is null then t.content ->> 'gate' end as gate,
    (select json_agg(json_build_object('taskId', n.needs_id, 'reason', n.reason, 'waitAtLeast', n.wait_at_least,
       'waitAtMost', n.wait_at_most) order by n.needs_id)
     from task_needs n where n.shop_id = t.shop_id and n.task_id = t.id) as needs
  from builds b join tasks t on t.shop_id = b.shop_id and t.build_id = b.id
  where b.shop_id = :shopId and (${IS_HERE} and :buildId::uuid is null or b.id = :buildId)
  order by t.build_id, t.position, t.id`;

/** Of all builds that are here, or of one; what pieces each waits for is not told here. */
export async function tasksByBuild(tx: Tx, buildId?: string): Promise<Map<string, TaskToDo[]>> {
  const byBuild = new Map<string, TaskToDo[]>();
  for (const r of await tx.rows<Row>(SQL, { buildId: buildId ?? null })) {
    const needs = (r.needs ?? []).map(({ taskId, reason, waitAtLeast, waitAtMost }): TaskNeed => ({
      taskId,
      reason,
      ...(waitAtLeast === null ? {} : { waitAtLeast }),
      ...(waitAtMost === null ? {} : { waitAtMost }),
    }));
    const task = {
      id: r.id,
      title: r.title,
      state: r.state,
      gate: r.gate,
      doneAt: r.doneAt,
      needs,
      away: [],
    };
    const of = byBuild.get(r.buildId) ?? [];
    of.push({ task, lineId: r.lineId, place: r.place, work: r.work });
    byBuild.set(r.buildId, of);
  }
  return byBuild;
}
