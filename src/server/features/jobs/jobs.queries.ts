/** Jobs and what belongs to them: each root names its job; what hangs on a root follows it. */
import type { JobThing, JobView } from '#contract/jobs.ts';
import { KIND_SPECS, KINDS, type LineClass } from '#core/log/kinds.ts';
import type { Tx } from '../../db/pool.ts';

export interface JobRow {
  id: string;
  buildId: string;
  title: string;
  isNamed: boolean;
  version: number;
}

const JOBS = 'select id, build_id as "buildId", title, is_named as "isNamed", version from jobs';

export const jobsOf = (tx: Tx, buildId: string): Promise<JobRow[]> =>
  tx.rows(`${JOBS} where shop_id = :shopId and build_id = :buildId order by id`, { buildId });

/** Jobs that something belongs to. */
export const liveJobs = (tx: Tx, buildId: string): Promise<{ id: string; title: string }[]> =>
  tx.rows(
    `select j.id, j.title from jobs j
     where j.shop_id = :shopId and j.build_id = :buildId and (
       exists (select from ledger h where h.shop_id = j.shop_id and h.job_id = j.id and h.kind = 'found' and not h.withdrawn)
       or exists (select from estimate_lines l where l.shop_id = j.shop_id and l.job_id = j.id and l.removed_at is null)
       or exists (select from tasks t where t.shop_id = j.shop_id and t.job_id = j.id and t.state <> 'dropped'))
     order by j.id`,
    { buildId },
  );

export const jobById = (tx: Tx, id: string): Promise<JobRow | undefined> =>
  tx.one(`${JOBS} where shop_id = :shopId and id = :id`, { id });

export interface FindingRow {
  id: string;
  jobId: string;
  text: string;
  class: LineClass | null;
}

/** Findings as they hold now, the oldest first. */
export const findingsOf = (tx: Tx, buildId: string): Promise<FindingRow[]> =>
  tx.rows(
    `select e.id, h.job_id as "jobId", e.text, e.facts ->> 'class' as class
     from ledger h join entries_now e on e.shop_id = h.shop_id and e.id = h.entry_id
     where h.shop_id = :shopId and h.build_id = :buildId and h.kind = 'found' and not h.withdrawn
       and h.job_id is not null
     order by h.at, h.seq`,
    { buildId },
  );

export type PartRow = JobView['parts'][number] & { lineId: string | null; taskId: string | null };

/** Parts of lines, or for tasks, that are not here yet. */
export const partsToCome = (tx: Tx, buildId: string): Promise<PartRow[]> =>
  tx.rows(
    `select id, line_id as "lineId", (content ->> 'taskId')::uuid as "taskId", content ->> 'what' as what, state, due
     from parts
     where shop_id = :shopId and build_id = :buildId and removed_at is null and (line_id is not null or content ->> 'taskId' is not null)
       and state in ('to find', 'to order', 'ordered', 'wrong')
     order by made_at, id`,
    { buildId },
  );

/** What a job’s customer was told of some of its entries. */
export interface ToldRow {
  jobId: string | null;
  lineId: string | null;
  taskId: string | null;
  letterId: string | null;
  at: string | null;
  /** Entries that the next letter will tell. */
  news: number;
}

/** Kinds of entry that stand in letters by themselves. */
const TOLD_KINDS = KINDS.filter((k) => 'section' in KIND_SPECS[k].letter);

/** Entries that a sent letter told, and those that were kept since the last one, by what they belong to. */
export const toldOf = (tx: Tx, buildId: string): Promise<ToldRow[]> =>
  tx.rows(
    `with sent as (
       select id, sent_at, up_to, content from letters
       where shop_id = :shopId and build_id = :buildId and sent_at is not null),
     told as materialized (
       select distinct on (1) (item #>> '{}')::uuid as entry_id, id, sent_at, up_to
       from sent, jsonb_path_query(content, '$.parts[*].items[*] ? (@.leftOut == false).id') item
       where item #>> '{}' ~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$'
       order by 1, up_to desc)
     select h.job_id as "jobId", coalesce(h.line_id, p.line_id) as "lineId",
       coalesce(h.task_id, (p.content ->> 'taskId')::uuid, case when e.about_type = 'task' then e.about_id end) as "taskId",
       t.id as "letterId", t.sent_at as at,
       (count(*) filter (where t.id is null and not h.withdrawn and e.audience = 'customer' and h.kind = any(:kinds)))::int as news
     from ledger h
     join entries_now e on e.shop_id = h.shop_id and e.id = h.entry_id
     left join parts p on p.shop_id = h.shop_id and p.id = e.about_id and e.about_type = 'part'
     left join told t on t.entry_id = h.entry_id
     where h.shop_id = :shopId and h.build_id = :buildId
       and (t.id is not null or h.seq > coalesce((select max(up_to) from sent), 0))
     group by 1, 2, 3, 4, 5, t.up_to
     order by t.up_to desc nulls last`,
    { buildId, kinds: TOLD_KINDS },
  );

export const insertJob = (
  tx: Tx,
  job: { id: string; buildId: string; title: string; isNamed: boolean },
): Promise<number> =>
  tx.run(
    `insert into jobs (shop_id, id, build_id, title, is_named) values (:shopId, :id, :buildId, :title, :isNamed)
     on conflict do nothing`,
    job,
  );

export const nameJob = (tx: Tx, job: { id: string; title: string; isNamed: boolean }): Promise<number> =>
  tx.run(
    `update jobs set title = :title, is_named = :isNamed, version = version + 1
     where shop_id = :shopId and id = :id`,
    job,
  );

/** Things of a job that name it: its lines, its tasks without a line, its findings. */
export const rootsOf = (tx: Tx, jobId: string): Promise<{ type: JobThing; id: string }[]> =>
  tx.rows(
    `select 'line' as type, id from estimate_lines where shop_id = :shopId and job_id = :jobId
     union all
     select 'task', id from tasks where shop_id = :shopId and job_id = :jobId
     union all
     select 'finding', entry_id from ledger where shop_id = :shopId and job_id = :jobId
     order by 1, 2`,
    { jobId },
  );

/** Moves those of the things that are still with `from`. */
export async function moveRoots(
  tx: Tx,
  move: { ids: readonly string[]; from: string; to: string },
): Promise<void> {
  const here = 'where shop_id = :shopId and job_id = :from';
  await tx.run(`update estimate_lines set job_id = :to ${here} and id = any(:ids::uuid[])`, move);
  await tx.run(`update tasks set job_id = :to ${here} and id = any(:ids::uuid[])`, move);
  await tx.run(`update ledger set job_id = :to ${here} and entry_id = any(:ids::uuid[])`, move);
}

/** Puts an entry with a job, or back to none. */
export const setJobOf = (tx: Tx, entryId: string, jobId: string | null): Promise<number> =>
  tx.run('update ledger set job_id = :jobId where shop_id = :shopId and entry_id = :entryId', {
    entryId,
    jobId,
  });
