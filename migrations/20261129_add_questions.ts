import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- What a customer asked on their page, and what they were told.
    create table questions (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      name text not null check (length(name) between 1 and 120),
      text text not null check (length(text) between 1 and 2000),
      asked_at timestamptz not null,
      answer text not null default '' check (length(answer) <= 4000),
      answered_at timestamptz,
      answered_by uuid,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, answered_by) references people (shop_id, id),
      check ((answered_at is null) = (answer = ''))
    );
    create index questions_of_build on questions (shop_id, build_id, asked_at desc);
    create index questions_open on questions (shop_id, build_id) where answered_at is null;
    alter table questions enable row level security;
    alter table questions force row level security;
    create policy of_the_shop on questions using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on questions to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table questions;');
}
