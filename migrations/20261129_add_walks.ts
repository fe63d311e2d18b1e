import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- A walk round the cars: whose, and which cars were looked at. It is gone on with where it stopped.
    create table walks (
      shop_id uuid not null,
      id uuid not null,
      person_id uuid not null,
      began_at timestamptz not null,
      ended_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id)
    );
    create unique index walks_one_open on walks (shop_id, person_id) where ended_at is null;
    create table walk_cars (
      shop_id uuid not null,
      walk_id uuid not null,
      build_id uuid not null,
      seen_at timestamptz not null,
      primary key (shop_id, walk_id, build_id),
      foreign key (shop_id, walk_id) references walks (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    create index walk_cars_of_build on walk_cars (shop_id, build_id, seen_at desc);
  `);
  for (const table of ['walks', 'walk_cars'])
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
      grant select, insert, update on ${table} to avrik_app;
    `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table walk_cars, walks;');
}
