import type { Knex } from 'knex';

const SHOP_TABLES = ['batches', 'pieces', 'batch_pieces'];
const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(TABLES);
  for (const table of SHOP_TABLES)
    await knex.raw(`
      alter table ${table} enable row level security;
      alter table ${table} force row level security;
      create policy of_the_shop on ${table} using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
      grant select, insert, update, delete on ${table} to avrik_app;
    `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('drop index parts_by_code; drop table batch_pieces, pieces, batches');
}

const TABLES = `
  -- What goes to a vendor together.
  create table batches (
    shop_id uuid not null references shops (id),
    id uuid not null,
    number integer not null,
    vendor text not null check (length(vendor) between 1 and 120),
    treatment text not null,
    state text not null default 'filling' check (state in ('filling', 'out', 'back')),
    promised date,
    -- Days that were promised before the one that holds now, oldest first, with the day each was given up.
    promised_before jsonb not null default '[]',
    price_minor bigint check (price_minor >= 0),
    note text not null default '',
    sent_at timestamptz,
    back_at timestamptz,
    -- What was done with it already: the same press again is the same act.
    acts uuid[] not null default '{}',
    made_at timestamptz not null,
    version integer not null default 1,
    primary key (shop_id, id),
    unique (shop_id, number),
    check ((state = 'filling') = (sent_at is null)),
    check ((state = 'back') = (back_at is not null))
  );
  create index batches_of_vendor on batches (shop_id, vendor, treatment) where state = 'back';

  -- What came off a car.
  create table pieces (
    shop_id uuid not null,
    id uuid not null,
    build_id uuid not null,
    -- The task that cannot be begun without it.
    task_id uuid,
    content jsonb not null,
    treatment text,
    state text not null default 'off' check (state in ('off', 'out', 'missing', 'ready', 'on', 'replaced')),
    -- The batch that it lies in or is out with.
    batch_id uuid,
    made_at timestamptz not null,
    version integer not null default 1,
    removed_at timestamptz,
    primary key (shop_id, id),
    foreign key (shop_id, build_id) references builds (shop_id, id),
    foreign key (shop_id, task_id) references tasks (shop_id, id),
    foreign key (shop_id, batch_id) references batches (shop_id, id),
    check (state not in ('out', 'missing') or batch_id is not null)
  );
  create index pieces_of_build on pieces (shop_id, build_id, made_at) where removed_at is null;
  create index pieces_open on pieces (shop_id, state) where removed_at is null and state not in ('on', 'replaced');
  create index pieces_by_code on pieces (shop_id, right(id::text, 10));
  create index parts_by_code on parts (shop_id, right(id::text, 10));

  -- What went with a batch, and how much of it came back.
  create table batch_pieces (
    shop_id uuid not null,
    batch_id uuid not null,
    piece_id uuid not null,
    sent integer not null check (sent > 0),
    back integer not null default 0 check (back between 0 and sent),
    back_at timestamptz,
    words text not null default '',
    price_minor bigint check (price_minor >= 0),
    primary key (shop_id, batch_id, piece_id),
    foreign key (shop_id, batch_id) references batches (shop_id, id),
    foreign key (shop_id, piece_id) references pieces (shop_id, id)
  );
  create index batch_pieces_of_piece on batch_pieces (shop_id, piece_id);
`;
