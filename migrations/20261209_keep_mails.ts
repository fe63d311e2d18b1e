import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Every mail that was to go, from before it is handed to a mail server until that server has answered.
    create table mails (
      shop_id uuid not null references shops (id),
      -- What it is of, as in 'letter-<id>': the same mail made again has the same.
      id text not null check (length(id) between 1 and 200),
      message_id text not null,
      to_name text not null,
      to_address text not null,
      subject text not null,
      -- waiting: there is no server to hand it to. handing over: begun, no answer yet. perhaps: begun, and the answer was
      -- lost, so that nobody knows whether it went.
      state text not null check (state in ('waiting', 'handing over', 'accepted', 'failed', 'perhaps')),
      note text,
      -- The job that makes it, to make it again; null where nothing does.
      task text,
      payload jsonb,
      begun_at timestamptz not null,
      ended_at timestamptz,
      primary key (shop_id, id)
    );
    create index mails_open on mails (shop_id, begun_at) where state in ('waiting', 'perhaps');
    alter table mails enable row level security;
    alter table mails force row level security;
    create policy of_the_shop on mails using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update, delete on mails to avrik_app;

    alter table letters drop constraint letters_mail_check,
      add constraint letters_mail_check check (mail in ('queued', 'accepted', 'failed', 'returned', 'perhaps', 'waiting'));

    -- The name that mail comes from; empty: the shop's.
    alter table mail_settings add column from_name text not null default '' check (length(from_name) <= 120);
    -- When a mail last went out to try how mail goes now; null since that was changed.
    alter table shops add column mail_tried_at timestamptz;

    -- Which process a worker of the job queue belongs to, so that the jobs of a dead one can be given back.
    create table queue_workers (
      worker_id text primary key,
      process_id uuid not null
    );
    grant select, insert, delete on queue_workers to avrik_app;
    grant update (mail_tried_at) on shops to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table queue_workers;
    alter table shops drop column mail_tried_at;
    alter table mail_settings drop column from_name;
    update letters set mail = 'failed' where mail in ('perhaps', 'waiting');
    alter table letters drop constraint letters_mail_check,
      add constraint letters_mail_check check (mail in ('queued', 'accepted', 'failed', 'returned'));
    drop table mails;
  `);
}
