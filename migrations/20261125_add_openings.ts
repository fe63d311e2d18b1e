import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- What is taken apart to reach lines of an estimate, and the hours it takes; lines name it in their content.
    create table openings (
      shop_id uuid not null,
      build_id uuid not null,
      name text not null check (name = lower(name) and length(name) between 1 and 60),
      work text not null check (work in ('mechanical', 'metalwork', 'paint', 'trim', 'electrical', 'machining')),
      minutes integer not null check (minutes > 0),
      primary key (shop_id, build_id, name),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    alter table openings enable row level security;
    alter table openings force row level security;
    create policy of_the_shop on openings using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update, delete on openings to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table openings');
}
