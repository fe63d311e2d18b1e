import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Readings of the bench, as they were taken: what was typed, and what was made of it then.
    create table readings (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      calculator text not null check (length(calculator) between 1 and 60),
      -- Of what, where a car has several of it.
      what text not null check (length(what) <= 120),
      moment text not null check (moment in ('', 'before', 'after')),
      instrument text not null check (length(instrument) <= 120),
      loaded text not null check (loaded in ('', 'loaded', 'unloaded')),
      input jsonb not null,
      -- Title, verdict, numbers, reasons, sum and remedy, frozen.
      told jsonb not null,
      verdict text not null check (verdict in ('ok', 'watch', 'fail')),
      entry_id uuid not null,
      finding_entry_id uuid,
      -- The reading that passed after the work.
      closed_by uuid,
      person_id uuid not null,
      taken_at timestamptz not null,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id),
      foreign key (shop_id, entry_id) references entries (shop_id, id),
      foreign key (shop_id, finding_entry_id) references entries (shop_id, id),
      foreign key (shop_id, closed_by) references readings (shop_id, id)
    );
    create index readings_of_build on readings (shop_id, build_id, taken_at);
    create unique index readings_by_finding on readings (shop_id, finding_entry_id);

    -- What the maker wants of this vehicle, by calculator: said once, used by all its readings.
    create table reading_specs (
      shop_id uuid not null,
      build_id uuid not null,
      calculator text not null check (length(calculator) between 1 and 60),
      form jsonb not null,
      version integer not null,
      primary key (shop_id, build_id, calculator),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );

    -- Limits of the shop's own in place of the usual ones, by calculator.
    create table reading_limits (
      shop_id uuid not null references shops (id),
      calculator text not null check (length(calculator) between 1 and 60),
      form jsonb not null,
      version integer not null,
      primary key (shop_id, calculator)
    );
    ${['readings', 'reading_specs', 'reading_limits']
      .map(
        (table) => `
    alter table ${table} enable row level security;
    alter table ${table} force row level security;
    create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on ${table} to avrik_app;`,
      )
      .join('')}
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table reading_limits; drop table reading_specs; drop table readings;');
}
