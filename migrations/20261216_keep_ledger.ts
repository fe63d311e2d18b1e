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

const COLUMNS =
  'shop_id, entry_id, build_id, seq, at, recorded_at, kind, withdrawn, about_type, minutes, money_minor, person_id';

/** Where hours and money belong, as it was kept beside the entries before. */
const BELONGS = `('line', 'task', 'change', 'discretion', 'warranty', 'shop')`;

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- What every entry comes to, kept with each entry and correction: sums over years read it and not the entries.
    create table ledger (
      shop_id uuid not null,
      entry_id uuid not null,
      build_id uuid not null,
      seq bigint not null,
      at timestamptz not null,
      recorded_at timestamptz not null,
      kind text not null,
      withdrawn boolean not null,
      about_type text,
      minutes integer,
      money_minor bigint,
      person_id uuid,
      task_id uuid,
      line_id uuid,
      belongs text check (belongs in ${BELONGS}),
      primary key (shop_id, entry_id),
      foreign key (shop_id, entry_id) references entries (shop_id, id),
      foreign key (shop_id, task_id) references tasks (shop_id, id),
      foreign key (shop_id, line_id) references estimate_lines (shop_id, id)
    );
    insert into ledger (${COLUMNS}) ${POSTED};
    update ledger l set task_id = b.task_id, line_id = b.line_id, belongs = b.belongs
      from entry_belongs b where b.shop_id = l.shop_id and b.entry_id = l.entry_id;
    drop table entry_belongs;
    create index ledger_of_build on ledger (shop_id, build_id, kind, at desc, seq desc);
    create index ledger_of_task on ledger (shop_id, task_id) where task_id is not null;
    create index ledger_of_line on ledger (shop_id, line_id) where line_id is not null;
    create index ledger_of_person on ledger (shop_id, person_id, at) where minutes is not null;
    alter table ledger enable row level security;
    alter table ledger force row level security;
    create policy of_the_shop on ledger using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on ledger to avrik_app;

    create function post_entry() returns trigger language plpgsql as $post$
    begin
      insert into ledger (${COLUMNS}) ${POSTED}
        where e.shop_id = new.shop_id and e.id = coalesce(new.corrects_id, new.id)
      on conflict (shop_id, entry_id) do update
        set kind = excluded.kind, withdrawn = excluded.withdrawn, minutes = excluded.minutes,
          money_minor = excluded.money_minor, person_id = excluded.person_id;
      return null;
    end $post$;
    create trigger entries_are_posted after insert on entries for each row execute function post_entry();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger entries_are_posted on entries;
    drop function post_entry();
    create table entry_belongs (
      shop_id uuid not null,
      entry_id uuid not null,
      build_id uuid not null,
      task_id uuid,
      line_id uuid,
      belongs text not null check (belongs in ${BELONGS}),
      primary key (shop_id, entry_id),
      foreign key (shop_id, entry_id) references entries (shop_id, id),
      foreign key (shop_id, task_id) references tasks (shop_id, id),
      foreign key (shop_id, line_id) references estimate_lines (shop_id, id)
    );
    insert into entry_belongs select shop_id, entry_id, build_id, task_id, line_id, belongs from ledger
      where belongs is not null;
    create index entry_belongs_of_build on entry_belongs (shop_id, build_id);
    create index entry_belongs_of_task on entry_belongs (shop_id, task_id) where task_id is not null;
    create index entry_belongs_of_line on entry_belongs (shop_id, line_id) where line_id is not null;
    alter table entry_belongs enable row level security;
    alter table entry_belongs force row level security;
    create policy of_the_shop on entry_belongs using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update, delete on entry_belongs to avrik_app;
    drop table ledger;
  `);
}
