import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/** What an entry comes to as it holds now; whoever is named in it worked, else whoever wrote it. */
const POSTED = `
  select e.shop_id, e.id, e.build_id, e.seq, e.at, e.recorded_at, e.kind, e.withdrawn, e.about_type,
    (e.facts ->> 'minutes')::int, (e.facts ->> 'moneyMinor')::bigint,
    case when e.facts ->> 'person' is not null then coalesce((
      select p.id from people p where p.shop_id = e.shop_id and p.name = e.facts ->> 'person'
      order by p.has_left, p.id limit 1), e.person_id) else e.person_id end
  from entries_now e`;

const POST = `
      insert into ledger (shop_id, entry_id, build_id, seq, at, recorded_at, kind, withdrawn, about_type, minutes,
        money_minor, person_id) ${POSTED}
        where e.shop_id = new.shop_id and e.id = coalesce(new.corrects_id, new.id)
      on conflict (shop_id, entry_id) do update
        set kind = excluded.kind, withdrawn = excluded.withdrawn, minutes = excluded.minutes,
          money_minor = excluded.money_minor, person_id = excluded.person_id;`;

/** How a finding is called: what it is of, else its words up to the first number: a price is no part of a name. */
const NAME_OF_FINDING = `left(coalesce(
  nullif(concat_ws(' ', e.facts ->> 'zone', e.facts ->> 'subject'), ''),
  nullif(btrim(substring(e.text from '^[^0-9£$€,;]+')), ''), 'finding'), 160)`;

/** Findings that begin a job of their own: not those about a part, a task or the like, nor those added to a job by hand. */
const OF_THEIR_OWN = `e.kind = 'found' and coalesce(e.about_type, '') not in ('part', 'piece', 'task', 'batch', 'job')`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- One piece of work as the customer would name it. Lines, tasks without a line and findings name theirs; tasks and parts of a
    -- line, pieces of a task and hours follow them. A job with nothing on it is none.
    create table jobs (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      title text not null check (length(title) between 1 and 160),
      -- Somebody named it: it is not called after its finding or its line any more.
      is_named boolean not null default false,
      version integer not null default 1,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    create index jobs_of_build on jobs (shop_id, build_id);
    alter table jobs enable row level security;
    alter table jobs force row level security;
    create policy of_the_shop on jobs using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on jobs to avrik_app;

    alter table ledger add column job_id uuid, add foreign key (shop_id, job_id) references jobs (shop_id, id);
    alter table estimate_lines add column job_id uuid, add foreign key (shop_id, job_id) references jobs (shop_id, id);
    alter table tasks add column job_id uuid, add foreign key (shop_id, job_id) references jobs (shop_id, id);

    -- The logbook as it is: a finding is a job, and so is a line, unless it came from a finding; a task is one by itself
    -- where it has no line, together with those that it needs.
    insert into jobs (shop_id, id, build_id, title)
      select e.shop_id, e.id, e.build_id, ${NAME_OF_FINDING} from entries_now e where ${OF_THEIR_OWN};
    update ledger l set job_id = j.id from jobs j where j.shop_id = l.shop_id and j.id = l.entry_id;
    insert into jobs (shop_id, id, build_id, title)
      select l.shop_id, l.id, l.build_id, left(l.content ->> 'title', 160) from estimate_lines l
      where not exists (select from jobs j where j.shop_id = l.shop_id and j.id = l.finding_id);
    update estimate_lines l set job_id = coalesce((
      select j.id from jobs j where j.shop_id = l.shop_id and j.id = l.finding_id), l.id);
    update jobs j set title = left(l.content ->> 'title', 160) from estimate_lines l
      where l.shop_id = j.shop_id and l.job_id = j.id and l.removed_at is null;
    with recursive alone as (select shop_id, id, build_id, position, content from tasks where line_id is null),
    links as (
      select n.shop_id, n.task_id as a, n.needs_id as b from task_needs n
      join alone x on x.shop_id = n.shop_id and x.id = n.task_id
      join alone y on y.shop_id = n.shop_id and y.id = n.needs_id and y.build_id = x.build_id),
    both_ways as (select shop_id, a, b from links union select shop_id, b, a from links),
    together as (
      select shop_id, id, id as other from alone
      union
      select t.shop_id, t.id, w.b from together t join both_ways w on w.shop_id = t.shop_id and w.a = t.other),
    firsts as (
      select distinct on (t.shop_id, t.id) t.shop_id, t.id, o.id as first_id
      from together t join alone o on o.shop_id = t.shop_id and o.id = t.other
      order by t.shop_id, t.id, o.position, o.id),
    made as (
      insert into jobs (shop_id, id, build_id, title)
      select distinct a.shop_id, a.id, a.build_id, left(a.content ->> 'title', 160)
      from firsts f join alone a on a.shop_id = f.shop_id and a.id = f.first_id)
    select f.shop_id, f.id, f.first_id into temporary firsts_of_tasks from firsts f;
    update tasks t set job_id = f.first_id from firsts_of_tasks f where f.shop_id = t.shop_id and f.id = t.id;
    drop table firsts_of_tasks;

    alter table estimate_lines alter column job_id set not null;
    alter table tasks add constraint tasks_follow_their_line check ((line_id is null) = (job_id is not null));
    create index lines_of_job on estimate_lines (shop_id, job_id);
    create index tasks_of_job on tasks (shop_id, job_id) where job_id is not null;
    create index ledger_of_job on ledger (shop_id, job_id) where job_id is not null;

    create or replace function post_entry() returns trigger language plpgsql as $post$
    begin
      ${POST}
      if new.kind in ('found', 'correction') then
        insert into jobs (shop_id, id, build_id, title)
          select e.shop_id, e.id, e.build_id, ${NAME_OF_FINDING} from entries_now e
          join ledger h on h.shop_id = e.shop_id and h.entry_id = e.id and (h.job_id is null or h.job_id = h.entry_id)
          where e.shop_id = new.shop_id and e.id = coalesce(new.corrects_id, new.id) and not e.withdrawn and ${OF_THEIR_OWN}
        on conflict (shop_id, id) do update set title = excluded.title
          where not jobs.is_named and not exists (
            select from estimate_lines l where l.shop_id = jobs.shop_id and l.job_id = jobs.id);
        update ledger h set job_id = h.entry_id
          where h.shop_id = new.shop_id and h.entry_id = coalesce(new.corrects_id, new.id) and h.job_id is null
            and exists (select from jobs j where j.shop_id = h.shop_id and j.id = h.entry_id);
      end if;
      return null;
    end $post$;

    -- A line belongs where its finding does, and gives the job its name where nobody has.
    create function job_of_line() returns trigger language plpgsql as $job$
    begin
      if new.job_id is null then
        select h.job_id into new.job_id from ledger h where h.shop_id = new.shop_id and h.entry_id = new.finding_id;
      end if;
      if new.job_id is null then
        insert into jobs (shop_id, id, build_id, title)
          values (new.shop_id, new.id, new.build_id, left(new.content ->> 'title', 160)) on conflict do nothing;
        new.job_id := new.id;
        update ledger h set job_id = new.id
          where h.shop_id = new.shop_id and h.entry_id = new.finding_id and h.job_id is null;
      end if;
      update jobs j set title = left(new.content ->> 'title', 160)
        where j.shop_id = new.shop_id and j.id = new.job_id and not j.is_named and new.removed_at is null
          and not exists (
            select from estimate_lines l where l.shop_id = j.shop_id and l.job_id = j.id and l.id <> new.id
              and l.removed_at is null);
      return new;
    end $job$;
    create trigger lines_are_jobs before insert or update of content, removed_at on estimate_lines
      for each row execute function job_of_line();

    -- A task belongs where its line does; without one to the job that is named, else it is one by itself.
    create function job_of_task() returns trigger language plpgsql as $job$
    begin
      if new.line_id is not null then
        new.job_id := null;
        return new;
      end if;
      if new.job_id is null and tg_op = 'UPDATE' then
        select l.job_id into new.job_id from estimate_lines l where l.shop_id = old.shop_id and l.id = old.line_id;
      end if;
      if new.job_id is null then
        insert into jobs (shop_id, id, build_id, title)
          values (new.shop_id, new.id, new.build_id, left(new.content ->> 'title', 160)) on conflict do nothing;
        new.job_id := new.id;
      end if;
      return new;
    end $job$;
    create trigger tasks_are_jobs before insert or update of line_id on tasks
      for each row execute function job_of_task();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger tasks_are_jobs on tasks;
    drop trigger lines_are_jobs on estimate_lines;
    drop function job_of_task();
    drop function job_of_line();
    create or replace function post_entry() returns trigger language plpgsql as $post$
    begin
      ${POST}
      return null;
    end $post$;
    alter table tasks drop constraint tasks_follow_their_line, drop column job_id;
    alter table estimate_lines drop column job_id;
    alter table ledger drop column job_id;
    drop table jobs;
  `);
}
