import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table parts (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      line_id uuid,
      content jsonb not null,
      state text not null
        check (state in ('to find', 'to order', 'ordered', 'arrived', 'fitted', 'wrong', 'returned')),
      vendor text not null default '',
      due date,
      -- What was done with it, oldest first: each act with its day, its words and the entry that says it.
      history jsonb not null default '[]',
      made_at timestamptz not null,
      version integer not null default 1,
      removed_at timestamptz,
      -- What a search looks in, in small letters.
      words text not null,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, line_id) references estimate_lines (shop_id, id)
    );
    create index parts_of_build on parts (shop_id, build_id, made_at) where removed_at is null;
    create index parts_open on parts (shop_id, state) where removed_at is null and state not in ('fitted', 'returned');
    alter table parts enable row level security;
    alter table parts force row level security;
    create policy of_the_shop on parts using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on parts to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table parts');
}
