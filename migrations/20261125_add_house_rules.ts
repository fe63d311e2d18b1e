import type { Knex } from 'knex';

const SHOP_TABLES = ['house_rules', 'settled_proposals'];

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- What of the vehicle's past decides what the house rules propose.
    alter table builds
      add stood_since integer check (stood_since between 1880 and 2100),
      add tyre_code text not null default '' check (length(tyre_code) <= 12),
      add own_car boolean not null default false;

    -- Rules that the shop has changed or made; the others are as they came.
    create table house_rules (
      shop_id uuid not null references shops (id),
      rule text not null check (rule ~ '^[a-z0-9-]{1,40}$'),
      content jsonb not null,
      version integer not null default 1,
      primary key (shop_id, rule)
    );

    -- Proposals that were answered for a build; an accepted one has become its entry.
    create table settled_proposals (
      shop_id uuid not null,
      build_id uuid not null,
      rule text not null,
      entry_id uuid,
      person_id uuid not null,
      at timestamptz not null,
      primary key (shop_id, build_id, rule),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, entry_id) references entries (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id)
    );
  `);
  for (const table of SHOP_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    `);
  }
  await knex.raw(`
    grant select, insert, update on house_rules to avrik_app;
    grant select, insert, delete on settled_proposals to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table settled_proposals, house_rules;
    alter table builds drop stood_since, drop tyre_code, drop own_car;
  `);
}
