import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Others who are told of a car: a couple, a club. Each has a link of their own; the customer's has no name here.
    alter table customer_links
      add name text not null default '' check (length(name) <= 120),
      add email text not null default '' check (length(email) <= 200),
      add check ((name = '') = (email = ''));
    drop index customer_links_one_live;
    create unique index customer_links_one_each on customer_links (shop_id, build_id, lower(email)) where revoked_at is null;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    delete from customer_links where name <> '';
    drop index customer_links_one_each;
    create unique index customer_links_one_live on customer_links (shop_id, build_id) where revoked_at is null;
    alter table customer_links drop name, drop email;
  `);
}
