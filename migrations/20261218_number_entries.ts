import type { Knex } from 'knex';

/** News of an entry: which shop, and which of its builds. */
const announce = (payload: string): string => `
  create or replace function announce_entry() returns trigger language plpgsql as $announce$
  begin
    perform pg_notify('avrik_entries', ${payload});
    return null;
  end $announce$;`;

/**
 * Entries take their numbers from one sequence, and no longer from a counter that held up everybody of a shop until the
 * transaction ended. Whoever adds to a build holds its row, so the numbers of one build still become visible in their order.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create sequence entry_numbers;
    select setval('entry_numbers', greatest(1, (select max(last_seq) from shop_counters)));
    grant usage on sequence entry_numbers to avrik_app;
    alter table shop_counters drop column last_seq;
    create index entries_in_order on entries (shop_id, build_id, seq desc);
    create index photos_in_order on photos (shop_id, build_id, seq desc);
    ${announce(`new.shop_id || ' ' || new.build_id`)}
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    ${announce('new.shop_id::text')}
    drop index photos_in_order;
    drop index entries_in_order;
    alter table shop_counters add column last_seq bigint not null default 0;
    update shop_counters c set last_seq = greatest(
      (select coalesce(max(seq), 0) from entries e where e.shop_id = c.shop_id),
      (select coalesce(max(seq), 0) from photos p where p.shop_id = c.shop_id));
    drop sequence entry_numbers;
  `);
}
