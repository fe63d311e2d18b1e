import type { Knex } from 'knex';

const SHOP_TABLES = ['checkpoint_marks', 'checkpoint_findings'];

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  for (const table of SHOP_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    `);
  }
  await knex.raw(`
    grant select, insert, update, delete on checkpoint_marks to avrik_app;
    grant select, insert on checkpoint_findings to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table checkpoint_findings, checkpoint_marks;
    alter table vehicles drop body, drop gas, drop high_voltage;
  `);
}

const TABLES = `
  -- What it is, and what is fitted: decides which checkpoints there are.
  alter table vehicles
    add body text not null default 'car' check (body in ('car', 'van', 'motorcycle', 'engine', 'gearbox')),
    add gas boolean not null default false,
    add high_voltage boolean not null default false;

  -- A checkpoint without a row has not been looked at.
  create table checkpoint_marks (
    shop_id uuid not null,
    build_id uuid not null,
    checkpoint text not null,
    mark text not null check (mark in ('fine', 'finding', 'not seen')),
    person_id uuid not null,
    at timestamptz not null,
    primary key (shop_id, build_id, checkpoint),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id)
  );

  create table checkpoint_findings (
    shop_id uuid not null,
    build_id uuid not null,
    checkpoint text not null,
    entry_id uuid not null,
    primary key (shop_id, entry_id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, entry_id) references entries (shop_id, id)
  );
  create index checkpoint_findings_of_build on checkpoint_findings (shop_id, build_id);
`;
