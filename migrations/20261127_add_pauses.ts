import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- The day on which the promise that holds was given; null where that was before this was kept.
    alter table builds add column promised_on date;
    -- What a day in store costs a customer; 0: nothing.
    alter table shops add column storage_per_day_minor bigint not null default 0 check (storage_per_day_minor >= 0);

    grant update (storage_per_day_minor) on shops to avrik_app;

    create table pauses (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      side text not null check (side in ('customer', 'shop')),
      reason text not null check (length(reason) between 1 and 200),
      -- The entry that says so; its wait ends with the pause.
      entry_id uuid not null,
      from_day date not null,
      -- The day it went on; null while it rests.
      to_day date check (to_day >= from_day),
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, entry_id) references entries (shop_id, id)
    );
    create unique index pauses_one_open on pauses (shop_id, build_id) where to_day is null;
    create index pauses_of_build on pauses (shop_id, build_id, from_day);
    alter table pauses enable row level security;
    alter table pauses force row level security;
    create policy of_the_shop on pauses using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on pauses to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table pauses;
    alter table shops drop column storage_per_day_minor;
    alter table builds drop column promised_on;
  `);
}
