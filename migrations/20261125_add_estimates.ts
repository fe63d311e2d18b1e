import type { Knex } from 'knex';

const SHOP_TABLES = ['work_rates', 'estimate_lines', 'revisions', 'answer_codes', 'answers'];

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
  await knex.raw(KEPT);
  await knex.raw(GRANTS);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table answers, answer_codes, revisions, estimate_lines, work_rates;
    drop function refuse_change_of_record();
    alter table builds drop complaint, drop budget_minor, drop discretion_minor, drop event_day;
    alter table shops drop tax_bp, drop tax_included, drop shared_risk, drop terms_version;
  `);
}

const TABLES = `
  -- How the shop charges.
  alter table shops
    add tax_bp integer not null default 0 check (tax_bp between 0 and 10000),
    add tax_included boolean not null default false,
    add shared_risk numeric(3, 2) not null default 0.3 check (shared_risk between 0 and 1),
    add terms_version integer not null default 1;

  alter table builds
    add complaint text not null default '' check (length(complaint) <= 4000),
    add budget_minor bigint check (budget_minor > 0),
    add discretion_minor bigint not null default 0 check (discretion_minor >= 0),
    add event_day date;

  create table work_rates (
    shop_id uuid not null references shops (id),
    work text not null check (work in ('mechanical', 'metalwork', 'paint', 'trim', 'electrical', 'machining')),
    per_hour_minor bigint not null check (per_hour_minor >= 0),
    primary key (shop_id, work)
  );

  -- The estimate as it is being written. What was sent stands in revisions.
  create table estimate_lines (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    position integer not null,
    content jsonb not null,
    -- The finding it came from.
    finding_id uuid,
    version integer not null default 1,
    removed_at timestamptz,
    -- Begun inside the discretion limit: what of it was used, and when.
    discretion_minor bigint check (discretion_minor > 0),
    discretion_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, finding_id) references entries (shop_id, id),
    check ((discretion_minor is null) = (discretion_at is null))
  );
  create index estimate_lines_of_build on estimate_lines (shop_id, build_id, position) where removed_at is null;

  create table revisions (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    number integer not null,
    content jsonb not null,
    -- SHA-256 over the canonical JSON of the content, in hex.
    hash text not null check (hash ~ '^[0-9a-f]{64}$'),
    sent_at timestamptz not null,
    sent_by uuid not null,
    primary key (shop_id, id),
    unique (shop_id, build_id, number),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, sent_by) references people (shop_id, id)
  );

  -- An answer given on the customer's page that waits for its mailed code.
  create table answer_codes (
    shop_id uuid not null,
    id uuid not null,
    revision_id uuid not null,
    name text not null check (length(name) between 1 and 120),
    understood boolean not null,
    given jsonb not null,
    code_hash text not null,
    made_at timestamptz not null,
    tries integer not null default 0,
    used_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, revision_id) references revisions (shop_id, id)
  );
  create index answer_codes_of_revision on answer_codes (shop_id, revision_id, made_at desc);

  create table answers (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    revision_id uuid not null,
    -- The hash of what was answered, as it stood on their page.
    hash text not null,
    seq bigint not null generated always as identity,
    name text not null check (length(name) between 1 and 120),
    via text not null check (via in ('page', 'telephone')),
    -- By telephone: who in the shop took it down, and what was said.
    taken_by uuid,
    said text not null default '' check (length(said) <= 2000),
    understood boolean not null,
    given jsonb not null,
    at timestamptz not null,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, revision_id) references revisions (shop_id, id),
    foreign key (shop_id, taken_by) references people (shop_id, id),
    check ((via = 'telephone') = (taken_by is not null))
  );
  create index answers_of_build on answers (shop_id, build_id, seq);
`;

const KEPT = `
  create function refuse_change_of_record() returns trigger language plpgsql as $$
  begin
    raise exception '% are never changed', tg_table_name using errcode = 'restrict_violation';
  end $$;
  create trigger revisions_are_kept before update or delete on revisions
    for each row execute function refuse_change_of_record();
  create trigger answers_are_kept before update or delete on answers
    for each row execute function refuse_change_of_record();
  create trigger revisions_are_kept_whole before truncate on revisions
    for each statement execute function refuse_change_of_record();
  create trigger answers_are_kept_whole before truncate on answers
    for each statement execute function refuse_change_of_record();
`;

const GRANTS = `
  grant update (tax_bp, tax_included, shared_risk, terms_version) on shops to avrik_app;
  grant select, insert, update on work_rates, estimate_lines to avrik_app;
  grant select, insert, update on answer_codes to avrik_app;
  grant select, insert on revisions, answers to avrik_app;
`;
