import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

const announce = (what: string): string => `
  create or replace function announce_entry() returns trigger language plpgsql as $announce$
  begin
    insert into news (shop_id, ${what}) values (new.shop_id, new.build_id) on conflict do nothing;
    return null;
  end $announce$;`;

/** Rows of minutes: whoever misses them reads everything anew. */
const table = (what: string): string => `
  drop table news;
  create unlogged table news (
    shop_id uuid not null,
    ${what},
    xid xid8 not null default pg_current_xact_id(),
    at timestamptz not null default now(),
    primary key (shop_id, ${what.split(' ')[0]}, xid)
  );
  create index news_by_xid on news (xid);
  alter table news enable row level security;
  alter table news force row level security;
  create policy of_the_shop on news for insert with check (shop_id = ${CURRENT_SHOP});
  create policy heard_by_all on news for select using (true);
  create policy forgotten_by_all on news for delete using (true);
  grant select, insert, delete on news to avrik_app;
`;

/**
 * News names a build, or what a shop keeps beside its builds: changes that keep no entry are told as well. A clock that begins or ends is
 * told wherever that comes from, since a line of the log may do it and most lines do not.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    ${table('what text not null')}
    ${announce('what')}
    create function announce_clock() returns trigger language plpgsql as $announce$
    begin
      insert into news (shop_id, what) values (new.shop_id, 'clocks') on conflict do nothing;
      return null;
    end $announce$;
    create trigger spells_announced after insert or update on spells
      for each row execute function announce_clock();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger spells_announced on spells;
    drop function announce_clock();
    ${table('build_id uuid not null')}
    ${announce('build_id')}
  `);
}
