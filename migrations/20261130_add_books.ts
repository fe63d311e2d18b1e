import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- The books of cars: bound here, or read from an archive that another shop, or this one, has bound.
    create table books (
      shop_id uuid not null,
      id uuid not null,
      origin text not null check (origin in ('bound', 'read')),
      -- Null while an archive is being read.
      build_id uuid,
      with_costs boolean not null,
      -- Texts that may tell of somebody else, and were said to be meant.
      meant jsonb not null default '[]',
      state text not null check (state in ('waiting', 'making', 'ready', 'failed')),
      done integer not null default 0,
      of integer not null default 0,
      -- Why it failed.
      why text not null default '',
      -- What it says, as it was when it was bound.
      content jsonb,
      -- Lines of the logbook that would have told of somebody else, and why.
      left_out jsonb not null default '[]',
      pages integer,
      -- Files of the photo store, by SHA-256 in hex.
      pdf_hash text,
      pdf_bytes bigint,
      zip_hash text,
      zip_bytes bigint,
      -- From then on the customer finds it on their page.
      given_at timestamptz,
      asked_by uuid not null,
      asked_at timestamptz not null,
      made_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, asked_by) references people (shop_id, id),
      check (state <> 'ready' or (build_id is not null and content is not null and zip_hash is not null)),
      check (given_at is null or state = 'ready')
    );
    create index books_of_build on books (shop_id, build_id, asked_at desc);
    alter table books enable row level security;
    alter table books force row level security;
    create policy of_the_shop on books using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on books to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table books;');
}
