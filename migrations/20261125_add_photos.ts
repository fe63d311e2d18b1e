import type { Knex } from 'knex';

const SHOP_TABLES = ['photos', 'shown_pictures'];

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  for (const table of SHOP_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    `);
  }
  await knex.raw(sentLetterRule('new.pictures', 'old.pictures'));
  await knex.raw(`
    grant select, insert, update on photos to avrik_app;
    grant select, insert on shown_pictures to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table shown_pictures, photos;
    ${sentLetterRule('null', 'null')}
    alter table letters drop pictures;
    alter table entries add media uuid[] not null default '{}';
  `);
}

const TABLES = `
  -- A photograph knows its entry; entries, which never change, need not know their photographs.
  alter table entries drop media;

  -- A letter's photographs as they were sent.
  alter table letters add pictures jsonb not null default '[]';

  create table photos (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    entry_id uuid not null,
    -- From the shop's counter, anew with each change: open screens hear of photographs in order, as of entries.
    seq bigint not null,
    name text not null,
    caption text not null default '',
    -- Files of the photo store, by SHA-256 in hex: as it came; at screen size, bare; with what was drawn on it; small.
    original_hash text not null,
    plain_hash text not null,
    shown_hash text not null,
    thumb_hash text not null,
    type text not null check (type in ('image/jpeg', 'image/png', 'image/webp')),
    bytes bigint not null,
    -- Of the screen size, upright, in pixels.
    width integer not null,
    height integer not null,
    taken_at timestamptz,
    had_location boolean not null,
    marks jsonb not null default '[]',
    version integer not null default 1,
    person_id uuid not null,
    recorded_at timestamptz not null,
    removed_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, entry_id) references entries (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id)
  );
  create index photos_of_entry on photos (shop_id, entry_id);
  create index photos_of_build on photos (shop_id, build_id, seq desc);
  create index photos_by_seq on photos (shop_id, seq);
  create trigger photos_are_announced after insert or update on photos for each row execute function announce_entry();

  -- What a customer was sent: their page gives these files out, and no others.
  create table shown_pictures (
    shop_id uuid not null,
    build_id uuid not null,
    hash text not null,
    primary key (shop_id, build_id, hash),
    foreign key (shop_id, build_id) references builds (shop_id, id)
  );
`;

const sentLetterRule = (now: string, before: string): string => `
  create or replace function refuse_sent_change() returns trigger language plpgsql as $$
  begin
    if tg_op = 'DELETE'
        or (new.id, new.build_id, new.state, new.content, ${now}, new.up_to, new.sent_at, new.sent_by)
        is distinct from (old.id, old.build_id, old.state, old.content, ${before}, old.up_to, old.sent_at, old.sent_by) then
      raise exception 'a sent letter never changes' using errcode = 'restrict_violation';
    end if;
    return new;
  end $$;
`;
