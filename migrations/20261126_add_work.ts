import type { Knex } from 'knex';

const SHOP_TABLES = ['tasks', 'task_needs', 'spells', 'entry_belongs', 'follow_ups', 'playbooks'];
const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  for (const table of SHOP_TABLES)
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
      grant select, insert, update, delete on ${table} to avrik_app;
    `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table playbooks, follow_ups, entry_belongs, spells, task_needs, tasks');
}

const TABLES = `
  create table tasks (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    -- The estimated line that it carries out; null for work on no line.
    line_id uuid,
    position integer not null,
    content jsonb not null,
    state text not null default 'to do' check (state in ('to do', 'going', 'done', 'dropped')),
    -- What whoever stopped last said is left.
    to_go_minutes integer check (to_go_minutes >= 0),
    done_at timestamptz,
    made_at timestamptz not null,
    version integer not null default 1,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, line_id) references estimate_lines (shop_id, id),
    check ((state = 'done') = (done_at is not null))
  );
  create index tasks_of_build on tasks (shop_id, build_id, position);

  create table task_needs (
    shop_id uuid not null,
    task_id uuid not null,
    needs_id uuid not null,
    reason text not null check (length(reason) between 1 and 200),
    wait_at_least integer check (wait_at_least > 0),
    wait_at_most integer check (wait_at_most > 0),
    primary key (shop_id, task_id, needs_id),
    foreign key (shop_id, task_id) references tasks (shop_id, id),
    foreign key (shop_id, needs_id) references tasks (shop_id, id)
  );

  -- Begun and ended with one touch. One at a time for each person.
  create table spells (
    shop_id uuid not null,
    id uuid not null,
    person_id uuid not null,
    build_id uuid not null,
    task_id uuid not null,
    started_at timestamptz not null,
    ended_at timestamptz,
    -- The entry of the logbook that says what was done in it.
    entry_id uuid,
    primary key (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id),
    foreign key (shop_id, task_id) references tasks (shop_id, id),
    foreign key (shop_id, entry_id) references entries (shop_id, id),
    check ((ended_at is null) = (entry_id is null))
  );
  create unique index spells_one_open on spells (shop_id, person_id) where ended_at is null;
  create index spells_of_task on spells (shop_id, task_id);

  -- Where logged hours belong: to a line, to warranty, or to the shop's own cost.
  create table entry_belongs (
    shop_id uuid not null,
    entry_id uuid not null,
    build_id uuid not null,
    task_id uuid,
    line_id uuid,
    belongs text not null check (belongs in ('line', 'task', 'warranty', 'shop')),
    primary key (shop_id, entry_id),
    foreign key (shop_id, entry_id) references entries (shop_id, id),
    foreign key (shop_id, task_id) references tasks (shop_id, id),
    foreign key (shop_id, line_id) references estimate_lines (shop_id, id)
  );
  create index entry_belongs_of_build on entry_belongs (shop_id, build_id);

  -- Due after the work was done, by date or by miles.
  create table follow_ups (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    task_id uuid not null,
    title text not null,
    due_on date,
    due_miles integer,
    done_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, task_id) references tasks (shop_id, id),
    check (due_on is not null or due_miles is not null)
  );
  create index follow_ups_of_build on follow_ups (shop_id, build_id);

  -- The shop's own playbooks, and its changes to those that came.
  create table playbooks (
    shop_id uuid not null references shops (id),
    id text not null check (id ~ '^[a-z0-9][a-z0-9-]{0,39}$'),
    content jsonb not null,
    version integer not null default 1,
    primary key (shop_id, id)
  );
`;
