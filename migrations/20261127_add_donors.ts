import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Vehicles that parts are taken from.
    create table donors (
      shop_id uuid not null references shops (id),
      id uuid not null,
      name text not null check (length(name) between 1 and 160),
      -- Where it stands.
      place text not null default '',
      note text not null default '',
      -- Nothing more is to be had from it.
      is_gone boolean not null default false,
      made_at timestamptz not null,
      version integer not null default 1,
      primary key (shop_id, id)
    );
    alter table donors enable row level security;
    alter table donors force row level security;
    create policy of_the_shop on donors using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on donors to avrik_app;

    -- What becomes of an old part for which a deposit was paid: to send, sent, credited; null where there is none.
    alter table parts add column donor_id uuid,
      add column core text check (core in ('to send', 'sent', 'credited')),
      add column credit_minor bigint not null default 0 check (credit_minor >= 0),
      add foreign key (shop_id, donor_id) references donors (shop_id, id);
    -- A search reads all words of the shop; from the index alone it reads little else. A row of an index has room for so many.
    alter table parts no force row level security;
    update parts set words = left(words, 600) where length(words) > 600;
    alter table parts force row level security;
    create index parts_words on parts (shop_id, made_at desc, id) include (words) where removed_at is null;
    create index parts_of_donor on parts (shop_id, donor_id) where donor_id is not null;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index parts_words;
    alter table parts drop column donor_id, drop column core, drop column credit_minor;
    drop table donors;
  `);
}
