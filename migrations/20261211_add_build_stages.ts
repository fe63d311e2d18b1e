import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- open: worked on. finished: nothing left to do. handed over: with its customer, followed up. closed: off the shop
    -- floor, found by searching.
    alter table builds
      add column stage text not null default 'open' check (stage in ('open', 'finished', 'handed over', 'closed')),
      add column stage_at timestamptz;
    create index builds_gone on builds (shop_id, stage_at desc) where stage in ('handed over', 'closed');
    alter table customers
      add column address text not null default '' check (length(address) <= 500),
      add column language text not null default 'en-GB' check (length(language) between 2 and 35),
      add column version integer not null default 1;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table customers drop column address, drop column language, drop column version;
    alter table builds drop column stage, drop column stage_at;
  `);
}
