import type { Knex } from 'knex';

/** Tables of a shop: `shop_id` leads every key, so that they can be spread by shop. */
const SHOP_TABLES = [
  'people',
  'customers',
  'vehicles',
  'places',
  'vendors',
  'builds',
  'shop_counters',
  'entries',
  'letters',
  'customer_links',
];

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  await knex.raw(APPEND_ONLY);
  for (const table of SHOP_TABLES) {
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    `);
  }
  await knex.raw(DOORS);
  await knex.raw(GRANTS);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table customer_links, letters, entries, shop_counters, builds, vendors, places, vehicles, customers, people,
      shops, installation, sessions;
    drop function refuse_change(); drop function refuse_sent_change(); drop function announce_entry();
    drop collation people_order;
  `);
}

const TABLES = `
  create collation people_order (provider = icu, locale = 'und');

  create table installation (
    only_row boolean primary key default true check (only_row),
    first_shop_made boolean not null default false
  );
  insert into installation default values;

  create table sessions (
    sid text primary key,
    sess json not null,
    expire timestamptz not null
  );
  create index sessions_expire on sessions (expire);

  create table shops (
    id uuid primary key,
    name text not null check (length(name) between 1 and 120),
    currency char(3) not null,
    units text not null check (units in ('imperial', 'metric')),
    locale text not null,
    time_zone text not null,
    is_demo boolean not null default false,
    created_at timestamptz not null
  );

  create table people (
    shop_id uuid not null references shops (id),
    id uuid not null,
    name text not null check (length(name) between 1 and 120),
    email text not null check (email = lower(email)),
    role text not null check (role in ('owner', 'office', 'technician')),
    password_hash text not null,
    primary key (shop_id, id),
    unique (shop_id, email)
  );
  create index people_email on people (email);

  create table customers (
    shop_id uuid not null references shops (id),
    id uuid not null,
    name text not null check (length(name) between 1 and 120),
    email text not null,
    phone text,
    tell_every_days integer not null default 14 check (tell_every_days between 1 and 365),
    primary key (shop_id, id)
  );

  create table vehicles (
    shop_id uuid not null references shops (id),
    id uuid not null,
    name text not null check (length(name) between 1 and 120),
    year integer check (year between 1880 and 2100),
    primary key (shop_id, id)
  );

  create table places (
    shop_id uuid not null references shops (id),
    id uuid not null,
    name text not null,
    kind text not null check (kind in ('lift', 'bay', 'booth', 'blast room', 'bench', 'yard', 'store', 'vendor')),
    position integer not null,
    primary key (shop_id, id)
  );

  create table vendors (
    shop_id uuid not null references shops (id),
    id uuid not null,
    name text not null,
    primary key (shop_id, id)
  );
  create unique index vendors_name on vendors (shop_id, lower(name));

  create table builds (
    shop_id uuid not null references shops (id),
    id uuid not null,
    number text not null,
    nickname text not null,
    customer_id uuid not null,
    vehicle_id uuid not null,
    standard text not null check (standard in ('driver', 'preserve', 'period-correct', 'show', 'race')),
    place_id uuid,
    promised date,
    next_step text not null default '',
    version integer not null default 1,
    arrived_at timestamptz not null,
    -- How the logbook leaves the build standing: sums by kind, open waits, the newest thing done, last told.
    -- Written by the same transaction as each entry; everything in it can be worked out again from the entries.
    standing jsonb not null,
    told_up_to bigint not null default 0,
    primary key (shop_id, id),
    unique (shop_id, number),
    foreign key (shop_id, customer_id) references customers (shop_id, id),
    foreign key (shop_id, vehicle_id) references vehicles (shop_id, id),
    foreign key (shop_id, place_id) references places (shop_id, id)
  );

  -- One counter a shop. Raising it locks the row until the transaction ends, so entries become visible in the
  -- order of their numbers and "everything after 812" never misses a late one.
  create table shop_counters (
    shop_id uuid primary key references shops (id),
    last_seq bigint not null default 0,
    last_build integer not null default 0
  );

  create table entries (
    shop_id uuid not null,
    build_id uuid not null,
    id uuid not null,
    seq bigint not null,
    at timestamptz not null,
    recorded_at timestamptz not null,
    person_id uuid,
    kind text not null check (kind in ('note', 'found', 'did', 'ordered', 'arrived', 'fitted', 'spent', 'hours',
      'waiting', 'resumed', 'reading', 'moved', 'asked', 'decided', 'told', 'correction')),
    text text not null check (length(text) between 1 and 4000),
    facts jsonb not null default '{}',
    audience text not null check (audience in ('shop', 'customer')),
    about_type text,
    about_id uuid,
    corrects_id uuid,
    -- Photographs that came with it, by their ids.
    media uuid[] not null default '{}',
    -- What the corrected entry says now; the JSON string "withdrawn" when it should never have been.
    now jsonb,
    primary key (shop_id, id),
    unique (shop_id, seq),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, person_id) references people (shop_id, id),
    foreign key (shop_id, corrects_id) references entries (shop_id, id),
    check ((kind = 'correction') = (corrects_id is not null)),
    check ((kind = 'correction') = (now is not null)),
    check ((about_type is null) = (about_id is null))
  );
  create index entries_of_build on entries (shop_id, build_id, at desc, seq desc);
  create index entries_of_kind on entries (shop_id, build_id, kind, seq desc);
  create index entries_corrections on entries (shop_id, corrects_id, seq desc) where corrects_id is not null;

  -- Entries as they hold today: the newest correction of each laid over it, corrections themselves left out.
  create view entries_now with (security_invoker = true) as
    select e.shop_id, e.build_id, e.id, e.seq, e.at, e.recorded_at, e.person_id, e.about_type, e.about_id,
      e.text as first_text, e.kind as first_kind,
      coalesce(c.now ->> 'kind', e.kind) as kind,
      coalesce(c.now ->> 'text', e.text) as text,
      coalesce(c.now -> 'facts', e.facts) as facts,
      coalesce(c.now ->> 'audience', e.audience) as audience,
      c.id as correction_id, c.seq as correction_seq, c.at as correction_at,
      coalesce(c.now = '"withdrawn"'::jsonb, false) as withdrawn
    from entries e
    left join lateral (
      select c.id, c.seq, c.at, c.now from entries c
      where c.shop_id = e.shop_id and c.corrects_id = e.id order by c.seq desc limit 1
    ) c on true
    where e.kind <> 'correction';

  create table letters (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    state text not null check (state in ('draft', 'sent')),
    content jsonb not null,
    -- The letter tells everything up to this entry.
    up_to bigint not null,
    version integer not null default 1,
    drafted_at timestamptz not null,
    sent_at timestamptz,
    sent_by uuid,
    mail text check (mail in ('queued', 'accepted', 'failed')),
    mail_note text,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, sent_by) references people (shop_id, id),
    check ((state = 'sent') = (sent_at is not null))
  );
  create unique index letters_one_draft on letters (shop_id, build_id) where state = 'draft';
  create index letters_of_build on letters (shop_id, build_id, sent_at desc);

  create table customer_links (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    token_hash bytea not null unique,
    made_at timestamptz not null,
    revoked_at timestamptz,
    last_opened_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id)
  );
  create unique index customer_links_one_live on customer_links (shop_id, build_id) where revoked_at is null;
`;

const APPEND_ONLY = `
  create function refuse_change() returns trigger language plpgsql as $$
  begin
    raise exception 'entries are never changed: log a correction instead' using errcode = 'restrict_violation';
  end $$;
  create trigger entries_are_kept before update or delete on entries for each row execute function refuse_change();
  create trigger entries_are_kept_whole before truncate on entries for each statement execute function refuse_change();

  create function refuse_sent_change() returns trigger language plpgsql as $$
  begin
    if tg_op = 'DELETE' or (new.id, new.build_id, new.state, new.content, new.up_to, new.sent_at, new.sent_by)
        is distinct from (old.id, old.build_id, old.state, old.content, old.up_to, old.sent_at, old.sent_by) then
      raise exception 'a sent letter never changes' using errcode = 'restrict_violation';
    end if;
    return new;
  end $$;
  create trigger sent_letters_are_kept before update or delete on letters
    for each row when (old.state = 'sent') execute function refuse_sent_change();

  create function announce_entry() returns trigger language plpgsql as $$
  begin
    perform pg_notify('avrik_entries', new.shop_id::text);
    return null;
  end $$;
  create trigger entries_are_announced after insert on entries for each row execute function announce_entry();
`;

/** The few rows that may be found before the shop is known: by who signs in, by a customer's link, the demo. */
const DOORS = `
  alter table shops enable row level security;
  alter table shops force row level security;
  create policy of_the_shop on shops using (id = ${CURRENT_SHOP}) with check (id = ${CURRENT_SHOP});
  create policy demo_can_be_found on shops for select using (is_demo);
  create policy by_sign_in on people for select
    using (email = nullif(current_setting('app.sign_in_email', true), ''));
  create policy by_link on customer_links for select
    using (token_hash = decode(nullif(current_setting('app.link_hash', true), ''), 'hex'));
`;

const GRANTS = `
  grant usage on schema public to avrik_app;
  grant select, update on installation to avrik_app;
  grant select, insert, update, delete on sessions to avrik_app;
  grant select, insert on shops to avrik_app;
  grant select, insert, update on people, customers, vehicles, places, vendors, builds, shop_counters to avrik_app;
  grant select, insert on entries to avrik_app;
  grant select on entries_now to avrik_app;
  grant select, insert, update, delete on letters to avrik_app;
  grant select, insert, update on customer_links to avrik_app;
`;
