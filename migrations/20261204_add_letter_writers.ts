import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Who has a draft open just now, and where in it they write: a row an open page, good for some seconds.
    create table letter_writers (
      shop_id uuid not null,
      letter_id uuid not null,
      page_id uuid not null,
      person_id uuid not null,
      place text not null default '' check (length(place) <= 100),
      seen_at timestamptz not null,
      primary key (shop_id, letter_id, page_id),
      foreign key (shop_id, letter_id) references letters (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id)
    );
    alter table letter_writers enable row level security;
    alter table letter_writers force row level security;
    create policy of_the_shop on letter_writers
      using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update, delete on letter_writers to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table letter_writers;');
}
