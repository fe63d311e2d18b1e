import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Tools of the shop that somebody has taken with them.
    create table loans (
      shop_id uuid not null references shops (id),
      id uuid not null,
      what text not null check (length(what) between 1 and 160),
      lent_to text not null check (length(lent_to) between 1 and 120),
      lent_on date not null,
      due date check (due >= lent_on),
      back_on date check (back_on >= lent_on),
      version integer not null default 1,
      primary key (shop_id, id)
    );
    create index loans_out on loans (shop_id, due) where back_on is null;
    create index loans_back on loans (shop_id, back_on desc) where back_on is not null;
    alter table loans enable row level security;
    alter table loans force row level security;
    create policy of_the_shop on loans using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on loans to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table loans;');
}
