import type { FollowUpView, RunningView, SpellView } from '#contract/work.ts';
import type { Work } from '#core/estimate/lines.ts';
import { BOUGHT_KINDS, WORKED_KINDS } from '#core/log/kinds.ts';
import type { PlaceKind } from '#core/shop/places.ts';
import type { Caution } from '#core/work/cautions.ts';
import type { FollowUpRule } from '#core/work/playbook.ts';
import type { TaskNeed, TaskState } from '#core/work/tasks.ts';
import type { Tx } from '../../db/pool.ts';
import { rowsPer } from '../../db/together.ts';
import { IS_HERE } from '../builds/index.ts';

/** What a task says, as it is kept in `content`. */
export interface TaskContent {
  title: string;
  work: Work;
  place?: PlaceKind;
  minutes: number;
  cautions: Caution[];
  gate?: string;
  gateSigned?: { by: string; at: string };
  count?: { of: string; total: number; counted: number };
  /** Due once it is done: from its playbook. */
  followUps?: FollowUpRule[];
}

export interface TaskRow {
  id: string;
  build_id: string;
  line_id: string | null;
  /** Of one without a line; the others are of their line’s job. */
  job_id: string | null;
  content: TaskContent;
  state: TaskState;
  to_go_minutes: number | null;
  done_at: string | null;
  version: number;
  spent_minutes: number;
}

const TASKS = `select t.id, t.build_id, t.line_id, t.job_id, t.content, t.state, t.to_go_minutes, t.done_at, t.version,
    coalesce((
      select sum(h.minutes) from ledger h
      where h.shop_id = t.shop_id and h.task_id = t.id and not h.withdrawn), 0)::int as spent_minutes
  from tasks t where t.shop_id = :shopId`;

export const tasksOf = rowsPer(
  (tx, buildIds) =>
    tx.rows<TaskRow>(`${TASKS} and t.build_id = any(:buildIds::uuid[]) order by t.position, t.id`, {
      buildIds,
    }),
  (t) => t.build_id,
);

const tasksById = rowsPer(
  (tx, ids) => tx.rows<TaskRow>(`${TASKS} and t.id = any(:ids::uuid[])`, { ids }),
  (t) => t.id,
);

export const taskById = async (tx: Tx, id: string): Promise<TaskRow | undefined> =>
  (await tasksById(tx, id))[0];

/** `jobId`: the job that it is of where it has no line; absent, it is one by itself. */
export const insertTask = (
  tx: Tx,
  t: {
    id: string;
    buildId: string;
    lineId: string | null;
    jobId?: string | null;
    content: TaskContent;
    now: string;
  },
): Promise<number> =>
  tx.run(
    `insert into tasks (shop_id, id, build_id, line_id, job_id, position, content, made_at)
     select :shopId, :id, :buildId, :lineId::uuid, :jobId::uuid, coalesce(max(position), 0) + 1, :content::jsonb, :now::timestamptz
     from tasks where shop_id = :shopId and build_id = :buildId`,
    { jobId: null, ...t, content: JSON.stringify(t.content) },
  );

export const saveTask = (
  tx: Tx,
  t: { id: string; lineId: string | null; content: TaskContent },
): Promise<number> =>
  tx.run(
    `update tasks set line_id = :lineId, content = :content::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    { ...t, content: JSON.stringify(t.content) },
  );

/** Whether hours, parts, pieces, what is due after it or other tasks name a task. */
export const isReferredTo = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one(
    `select 1 where exists (select from spells where shop_id = :shopId and task_id = :id)
       or exists (select from ledger where shop_id = :shopId and task_id = :id)
       or exists (select from follow_ups where shop_id = :shopId and task_id = :id)
       or exists (select from task_needs where shop_id = :shopId and needs_id = :id)
       or exists (select from pieces p join tasks t on t.shop_id = p.shop_id and t.build_id = p.build_id
         where t.shop_id = :shopId and t.id = :id and p.task_id = t.id)
       or exists (select from parts p join tasks t on t.shop_id = p.shop_id and t.build_id = p.build_id
         where t.shop_id = :shopId and t.id = :id and p.removed_at is null and p.content ->> 'taskId' = t.id::text)`,
    { id },
  )) !== undefined;

export const deleteTask = (tx: Tx, id: string): Promise<number> =>
  tx.run('delete from tasks where shop_id = :shopId and id = :id', { id });

export async function setNeeds(tx: Tx, taskId: string, needs: readonly TaskNeed[]): Promise<void> {
  await tx.run('delete from task_needs where shop_id = :shopId and task_id = :taskId', { taskId });
  for (const n of needs)
    await tx.run(
      `insert into task_needs (shop_id, task_id, needs_id, reason, wait_at_least, wait_at_most)
       values (:shopId, :taskId, :needsId, :reason, :atLeast, :atMost)`,
      {
        taskId,
        needsId: n.taskId,
        reason: n.reason,
        atLeast: n.waitAtLeast ?? null,
        atMost: n.waitAtMost ?? null,
      },
    );
}

export const setState = (
  tx: Tx,
  t: { id: string; state: TaskState; toGoMinutes: number | null; doneAt: string | null },
): Promise<number> =>
  tx.run(
    `update tasks set state = :state, to_go_minutes = :toGoMinutes, done_at = :doneAt, version = version + 1
     where shop_id = :shopId and id = :id`,
    t,
  );

interface SpellRow extends Omit<SpellView, 'toGoMinutes'> {
  endedAt: string | null;
  entryId: string | null;
}

const SPELLS = `select s.id, s.person_id as "personId", p.name as person, s.build_id as "buildId", b.nickname,
    s.task_id as "taskId", t.content ->> 'title' as task, s.started_at as "startedAt", s.ended_at as "endedAt",
    s.entry_id as "entryId"
  from spells s
  join people p on p.shop_id = s.shop_id and p.id = s.person_id
  join builds b on b.shop_id = s.shop_id and b.id = s.build_id
  join tasks t on t.shop_id = s.shop_id and t.id = s.task_id
  where s.shop_id = :shopId`;

export const openSpells = (tx: Tx): Promise<SpellRow[]> =>
  tx.rows(`${SPELLS} and s.ended_at is null order by s.started_at, s.id`);

export const spellById = (tx: Tx, id: string): Promise<SpellRow | undefined> =>
  tx.one(`${SPELLS} and s.id = :id`, { id });

export const openSpellOf = (tx: Tx, personId: string): Promise<SpellRow | undefined> =>
  tx.one(`${SPELLS} and s.person_id = :personId and s.ended_at is null`, { personId });

export const startSpell = (
  tx: Tx,
  s: { id: string; personId: string; buildId: string; taskId: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into spells (shop_id, id, person_id, build_id, task_id, started_at)
     values (:shopId, :id, :personId, :buildId, :taskId, :now)`,
    s,
  );

export const endSpell = (tx: Tx, s: { id: string; endedAt: string; entryId: string }): Promise<number> =>
  tx.run(
    'update spells set ended_at = :endedAt, entry_id = :entryId where shop_id = :shopId and id = :id',
    s,
  );

export const dropSpell = (tx: Tx, id: string): Promise<number> =>
  tx.run('delete from spells where shop_id = :shopId and id = :id and ended_at is null', { id });

export const reopenSpell = (tx: Tx, id: string): Promise<number> =>
  tx.run('update spells set ended_at = null, entry_id = null where shop_id = :shopId and id = :id', { id });

export const dropBelongs = (tx: Tx, entryId: string): Promise<number> =>
  tx.run(
    `update ledger set task_id = null, line_id = null, belongs = null where shop_id = :shopId and entry_id = :entryId`,
    { entryId },
  );

export const saveBelongs = (
  tx: Tx,
  b: { entryId: string; taskId: string | null; lineId: string | null; belongs: string },
): Promise<number> =>
  tx.run(
    `update ledger set task_id = :taskId, line_id = :lineId, belongs = :belongs
     where shop_id = :shopId and entry_id = :entryId`,
    b,
  );

export const belongsOf = (
  tx: Tx,
  entryId: string,
): Promise<{ belongs: string; lineId: string | null } | undefined> =>
  tx.one(
    `select belongs, line_id as "lineId" from ledger
     where shop_id = :shopId and entry_id = :entryId and belongs is not null`,
    { entryId },
  );

/** Hours of each line, by its id. */
const spentOnLines = rowsPer(
  (tx, buildIds) =>
    tx.rows<{ build_id: string; line_id: string; minutes: number }>(
      `select build_id, line_id, sum(minutes)::int as minutes from ledger
     where shop_id = :shopId and build_id = any(:buildIds::uuid[]) and line_id is not null
       and minutes is not null and not withdrawn group by build_id, line_id`,
      { buildIds },
    ),
  (r) => r.build_id,
);

export async function spentByLine(tx: Tx, buildId: string): Promise<Map<string, number>> {
  const rows = await spentOnLines(tx, buildId);
  return new Map(rows.map((r) => [r.line_id, r.minutes]));
}

/** Hours worked, or things bought that are no part of the list: parts, pieces and batches post by themselves. */
const POSTS = `not h.withdrawn and (h.kind = any(:worked) and h.minutes is not null
    or h.kind = any(:bought) and h.money_minor is not null
      and coalesce(h.about_type, '') not in ('part', 'piece', 'batch'))`;

const POSTING = { worked: WORKED_KINDS, bought: BOUGHT_KINDS };

const LOOSE = `select e.id as "entryId", e.text, e.at, e.facts ->> 'subject' as subject,
    case when h.kind = any(:worked) then h.minutes end as minutes,
    case when h.kind = any(:bought) then h.money_minor end as "moneyMinor"
  from ledger h join entries_now e on e.shop_id = h.shop_id and e.id = h.entry_id
  where h.shop_id = :shopId and h.build_id = :buildId and ${POSTS}`;

export interface LooseRow {
  entryId: string;
  text: string;
  at: string;
  subject: string | null;
  minutes: number | null;
  moneyMinor: number | null;
}

/** Where there is a task or a line that they could belong to. */
export const looseEntries = (tx: Tx, buildId: string): Promise<LooseRow[]> =>
  tx.rows(
    `${LOOSE}
       and (exists (select from tasks t where t.shop_id = e.shop_id and t.build_id = e.build_id)
         or exists (select from estimate_lines l
           where l.shop_id = e.shop_id and l.build_id = e.build_id and l.removed_at is null))
       and h.belongs is null
     order by h.at desc, h.seq desc limit 50`,
    { buildId, ...POSTING },
  );

/** An entry with hours or money in it that can be said to belong somewhere. */
export const postedEntry = (tx: Tx, buildId: string, entryId: string): Promise<LooseRow | undefined> =>
  tx.one(`${LOOSE} and h.entry_id = :entryId`, { buildId, entryId, ...POSTING });

export const followUpsOf = (tx: Tx, buildId: string): Promise<FollowUpView[]> =>
  tx.rows(
    `select id, title, due_on as "dueOn", due_miles as "dueMiles", done_at as "doneAt" from follow_ups
     where shop_id = :shopId and build_id = :buildId order by done_at is not null, due_on, due_miles, id`,
    { buildId },
  );

export interface NewFollowUp {
  id: string;
  buildId: string;
  taskId: string;
  title: string;
  dueOn: string | null;
  dueMiles: number | null;
}

export const insertFollowUp = (tx: Tx, f: NewFollowUp): Promise<number> =>
  tx.run(
    `insert into follow_ups (shop_id, id, build_id, task_id, title, due_on, due_miles)
     values (:shopId, :id, :buildId, :taskId, :title, :dueOn, :dueMiles)`,
    { ...f },
  );

/** What is due after a task and not done yet. */
export const openFollowUps = (tx: Tx, taskId: string): Promise<NewFollowUp[]> =>
  tx.rows(
    `select id, build_id as "buildId", task_id as "taskId", title, due_on as "dueOn", due_miles as "dueMiles" from follow_ups
     where shop_id = :shopId and task_id = :taskId and done_at is null order by id`,
    { taskId },
  );

/** Takes back what is due after a task that is not done after all. */
export const dropFollowUps = (tx: Tx, taskId: string): Promise<number> =>
  tx.run('delete from follow_ups where shop_id = :shopId and task_id = :taskId and done_at is null', {
    taskId,
  });

export const followUpById = (
  tx: Tx,
  id: string,
): Promise<{ id: string; build_id: string; title: string; done_at: string | null } | undefined> =>
  tx.one('select id, build_id, title, done_at from follow_ups where shop_id = :shopId and id = :id', { id });

export const finishFollowUp = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update follow_ups set done_at = :now where shop_id = :shopId and id = :id', { id, now });

export const isLineOf = async (tx: Tx, buildId: string, id: string): Promise<boolean> =>
  (await tx.one(
    `select 1 from estimate_lines
     where shop_id = :shopId and build_id = :buildId and id = :id and removed_at is null`,
    { buildId, id },
  )) !== undefined;

/** Longest waits that run, over all builds: the earlier task is done, the later one not begun. */
/** Of the builds that are here: those that ended in ten years are not gone through. */
export const longestWaits = (tx: Tx): Promise<RunningView['waits']> =>
  tx.rows(
    `with open as materialized (
       select t.id, t.content ->> 'title' as title, b.id as build_id, b.nickname from builds b
       join tasks t on t.shop_id = b.shop_id and t.build_id = b.id and t.state = 'to do'
       where b.shop_id = :shopId and ${IS_HERE})
     select t.id as "taskId", t.title, f.content ->> 'title' as after, f.done_at as "doneAt",
       n.reason, n.wait_at_most as "waitAtMost", t.build_id as "buildId", t.nickname
     from open t
     join task_needs n on n.shop_id = :shopId and n.task_id = t.id and n.wait_at_most is not null
     join tasks f on f.shop_id = :shopId and f.id = n.needs_id and f.state = 'done'
     order by f.done_at, t.id`,
  );

export const dueBy = (tx: Tx, day: string): Promise<RunningView['due']> =>
  tx.rows(
    `select f.id, f.title, f.due_on as "dueOn", b.id as "buildId", b.nickname from follow_ups f
     join builds b on b.shop_id = f.shop_id and b.id = f.build_id
     where f.shop_id = :shopId and f.done_at is null and f.due_on <= :day order by f.due_on, f.id`,
    { day },
  );
