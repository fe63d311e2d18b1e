import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Ways to do it: what can be done in two or three ways, which of them the estimate counts. Lines name their way in
    -- their content.
    create table choices (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      position integer not null,
      content jsonb not null,
      version integer not null default 1,
      removed_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    create index choices_of_build on choices (shop_id, build_id, position) where removed_at is null;
    alter table choices enable row level security;
    alter table choices force row level security;
    create policy of_the_shop on choices using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on choices to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table choices');
}
