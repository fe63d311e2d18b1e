import type { Knex } from 'knex';

const SHOP_TABLES = ['rates', 'absences', 'invoices', 'invoice_items', 'instalments', 'shop_hours', 'snags'];
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
  await knex.raw(`
    create table work_rates (
      shop_id uuid not null references shops (id),
      work text not null check (work in ('mechanical', 'metalwork', 'paint', 'trim', 'electrical', 'machining')),
      per_hour_minor bigint not null check (per_hour_minor >= 0),
      primary key (shop_id, work)
    );
    insert into work_rates (shop_id, work, per_hour_minor)
      select distinct on (shop_id, work) shop_id, work, charge_minor from rates
      where person_id is null and work is not null and charge_minor is not null order by shop_id, work, from_day desc;
    alter table work_rates enable row level security;
    alter table work_rates force row level security;
    create policy of_the_shop on work_rates using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on work_rates to avrik_app;
    drop table snags, shop_hours, instalments, invoice_items, invoices, absences, rates;
    alter table pieces drop column place_id, drop column is_large;
    alter table playbooks drop column past;
    alter table parts drop column old_fate;
    alter table people drop column skills;
    alter table shops drop column addition_bp, drop column over_bp;
    delete from entry_belongs where belongs in ('change', 'discretion');
    alter table entry_belongs drop constraint entry_belongs_belongs_check;
    alter table entry_belongs add constraint entry_belongs_belongs_check
      check (belongs in ('line', 'task', 'warranty', 'shop'));
  `);
}

const TABLES = `
  -- What an hour costs and is charged at, from a day on. Everybody's where no person is named, for all work where no
  -- kind is named. Rows of the past stay: what was worked by them keeps its price.
  create table rates (
    shop_id uuid not null references shops (id),
    id uuid not null,
    person_id uuid,
    work text check (work in ('mechanical', 'metalwork', 'paint', 'trim', 'electrical', 'machining')),
    from_day date not null,
    charge_minor bigint check (charge_minor >= 0),
    cost_minor bigint check (cost_minor >= 0),
    primary key (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id),
    check (charge_minor is not null or cost_minor is not null)
  );
  create unique index rates_one on rates
    (shop_id, coalesce(person_id, '00000000-0000-0000-0000-000000000000'), coalesce(work, ''), from_day);
  insert into rates (shop_id, id, work, from_day, charge_minor)
    select shop_id, gen_random_uuid(), work, '2000-01-01', per_hour_minor from work_rates;
  drop table work_rates;

  -- Kinds of work that a person does; empty: nobody has said, so any.
  alter table people add column skills text[] not null default '{}';

  create table absences (
    shop_id uuid not null,
    id uuid not null,
    person_id uuid not null,
    from_day date not null,
    -- The last day away; null while nobody knows.
    to_day date check (to_day >= from_day),
    reason text not null default '' check (length(reason) <= 200),
    removed_at timestamptz,
    version integer not null default 1,
    primary key (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id)
  );
  create index absences_of_person on absences (shop_id, person_id, from_day);

  -- Added to what things cost where no price was named; how far past what was agreed a line may come unremarked.
  alter table shops
    add column addition_bp integer not null default 0 check (addition_bp between 0 and 20000),
    add column over_bp integer not null default 1000 check (over_bp between 0 and 10000);
  grant update (addition_bp, over_bp) on shops to avrik_app;

  -- What a supplier asks for.
  create table invoices (
    shop_id uuid not null references shops (id),
    id uuid not null,
    vendor text not null check (length(vendor) between 1 and 120),
    number text not null check (length(number) between 1 and 60),
    day date not null,
    total_minor bigint not null,
    made_at timestamptz not null,
    version integer not null default 1,
    primary key (shop_id, id)
  );
  create unique index invoices_once on invoices (shop_id, lower(vendor), lower(number));

  -- Its rows: a part or a batch that was ordered, or something else, on a line of a build or the shop's own.
  create table invoice_items (
    shop_id uuid not null,
    invoice_id uuid not null,
    position integer not null,
    part_id uuid,
    batch_id uuid,
    build_id uuid,
    line_id uuid,
    what text not null check (length(what) between 1 and 300),
    amount_minor bigint not null,
    -- What was agreed with the order when this was taken down.
    ordered_minor bigint,
    primary key (shop_id, invoice_id, position),
    foreign key (shop_id, invoice_id) references invoices (shop_id, id),
    foreign key (shop_id, part_id) references parts (shop_id, id),
    foreign key (shop_id, batch_id) references batches (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, line_id) references estimate_lines (shop_id, id),
    check (part_id is null or batch_id is null)
  );
  create unique index invoice_items_part on invoice_items (shop_id, part_id) where part_id is not null;
  create unique index invoice_items_batch on invoice_items (shop_id, batch_id) where batch_id is not null;
  create index invoice_items_build on invoice_items (shop_id, build_id) where build_id is not null;

  -- Money asked of a customer on account, and what came in for it.
  create table instalments (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    what text not null check (length(what) between 1 and 200),
    asked_minor bigint not null check (asked_minor > 0),
    asked_on date not null,
    due date,
    -- Work stops until it is in.
    holds boolean not null,
    received_minor bigint not null default 0 check (received_minor >= 0),
    received_on date,
    -- What came in, one after the other: the same press again is the same money.
    acts uuid[] not null default '{}',
    removed_at timestamptz,
    version integer not null default 1,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id)
  );
  create index instalments_of_build on instalments (shop_id, build_id, asked_on) where removed_at is null;

  -- Worked for the shop, on no car.
  create table shop_hours (
    shop_id uuid not null,
    id uuid not null,
    person_id uuid not null,
    day date not null,
    minutes integer not null check (minutes between 1 and 1440),
    what text not null check (length(what) between 1 and 300),
    removed_at timestamptz,
    made_at timestamptz not null,
    primary key (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id)
  );
  create index shop_hours_of_person on shop_hours (shop_id, person_id, day) where removed_at is null;

  -- What is to be put right: seen on a walk round the car, or in the way at a trial fit.
  create table snags (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    station text not null,
    what text not null check (length(what) between 1 and 300),
    -- What was being tried when this was in the way; empty for a walk round.
    trial text not null default '' check (length(trial) <= 160),
    state text not null default 'open' check (state in ('open', 'right', 'left')),
    entry_id uuid not null,
    ended_entry_id uuid,
    made_at timestamptz not null,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, entry_id) references entries (shop_id, id),
    check ((state = 'open') = (ended_entry_id is null))
  );
  create index snags_of_build on snags (shop_id, build_id, made_at);

  -- Where a piece stands, and whether it takes the place up as a car does: an engine, a body off its frame.
  alter table pieces add column place_id uuid, add column is_large boolean not null default false,
    add foreign key (shop_id, place_id) references places (shop_id, id);

  -- What a playbook said before, the newest first, with who changed it and when.
  alter table playbooks add column past jsonb not null default '[]';

  -- What became of the part that a fitted one replaced.
  alter table parts add column old_fate text;

  alter table entry_belongs drop constraint entry_belongs_belongs_check;
  alter table entry_belongs add constraint entry_belongs_belongs_check
    check (belongs in ('line', 'task', 'change', 'discretion', 'warranty', 'shop'));
`;
