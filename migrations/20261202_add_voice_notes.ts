import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- A voice note belongs to an entry, as a photograph does; what it says may be written down later.
    create table voice_notes (
      shop_id uuid not null,
      id uuid not null,
      build_id uuid not null,
      entry_id uuid not null,
      name text not null,
      -- A file of the photo store, by SHA-256 in hex.
      hash text not null,
      type text not null,
      bytes bigint not null,
      words text not null default '' check (length(words) <= 10000),
      version integer not null default 1,
      person_id uuid not null,
      recorded_at timestamptz not null,
      primary key (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id),
      foreign key (shop_id, entry_id) references entries (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id)
    );
    create index voice_notes_of_build on voice_notes (shop_id, build_id);
    alter table voice_notes enable row level security;
    alter table voice_notes force row level security;
    create policy of_the_shop on voice_notes
      using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on voice_notes to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop table voice_notes;');
}
