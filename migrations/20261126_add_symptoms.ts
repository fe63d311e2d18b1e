import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- What the customer noticed, and what the logbook says about it.
    create table symptoms (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      position integer not null,
      words text not null check (length(words) between 1 and 300),
      version integer not null default 1,
      removed_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    create index symptoms_of_build on symptoms (shop_id, build_id, position) where removed_at is null;
    create table symptom_entries (
      shop_id uuid not null,
      symptom_id uuid not null,
      entry_id uuid not null,
      role text not null check (role in ('ruled out', 'cause', 'proof')),
      primary key (shop_id, symptom_id, entry_id),
      foreign key (shop_id, symptom_id) references symptoms (shop_id, id),
      foreign key (shop_id, entry_id) references entries (shop_id, id)
    );
  `);
  for (const table of ['symptoms', 'symptom_entries'])
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    `);
  await knex.raw(`
    grant select, insert, update on symptoms to avrik_app;
    grant select, insert, update, delete on symptom_entries to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table symptom_entries, symptoms');
}
