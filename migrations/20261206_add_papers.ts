import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Papers of a car: certificates, weighbridge tickets, what another workshop wrote. Given, they stand on the customer's page.
    create table papers (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      name text not null check (length(name) between 1 and 200),
      -- A file of the photo store, by SHA-256 in hex.
      hash text not null,
      bytes bigint not null,
      person_id uuid not null,
      added_at timestamptz not null,
      given_at timestamptz,
      removed_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id)
    );
    create index papers_of_build on papers (shop_id, build_id);
    alter table papers enable row level security;
    alter table papers force row level security;
    create policy of_the_shop on papers using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on papers to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table papers;');
}
