import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

const announce = (how: string): string => `
  create or replace function announce_entry() returns trigger language plpgsql as $announce$
  begin
    ${how}
    return null;
  end $announce$;`;

/**
 * News of entries is a row for each transaction and build, which every server process looks for, and no longer a notice with each
 * write: transactions that notify are committed one after the other in the whole cluster. The rows are of use for minutes, so they
 * are not written ahead, and gone after a crash. They hold ids and nothing else; processes read those of all shops.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create unlogged table news (
      shop_id uuid not null,
      build_id uuid not null,
      xid xid8 not null default pg_current_xact_id(),
      at timestamptz not null default now(),
      primary key (shop_id, build_id, xid)
    );
    create index news_by_xid on news (xid);
    alter table news enable row level security;
    alter table news force row level security;
    create policy of_the_shop on news for insert with check (shop_id = ${CURRENT_SHOP});
    create policy heard_by_all on news for select using (true);
    create policy forgotten_by_all on news for delete using (true);
    grant select, insert, delete on news to avrik_app;
    ${announce('insert into news (shop_id, build_id) values (new.shop_id, new.build_id) on conflict do nothing;')}
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    ${announce("perform pg_notify('avrik_entries', new.shop_id || ' ' || new.build_id);")}
    drop table news;
  `);
}
