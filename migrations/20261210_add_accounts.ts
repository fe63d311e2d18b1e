import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table people
      -- Invited, and has not set a password yet.
      add column invited_at timestamptz,
      -- The shared secret of the second factor, sealed; it counts once totp_on is true.
      add column totp_secret bytea,
      add column totp_on boolean not null default false,
      -- The last step of thirty seconds whose code was used: no code counts twice.
      add column totp_step bigint not null default 0,
      add column recovery_hashes text[] not null default '{}';

    -- Sign-ins, passwords, roles, links, the mail server, what was taken out: only ever added to.
    create table account_events (
      shop_id uuid not null references shops (id),
      id uuid not null,
      at timestamptz not null,
      -- Whom it is about; null where nobody of the shop is.
      person_id uuid,
      -- Who did it, where that is somebody else.
      by_id uuid,
      kind text not null check (length(kind) between 1 and 40),
      text text not null check (length(text) between 1 and 500),
      primary key (shop_id, id),
      foreign key (shop_id, person_id) references people (shop_id, id),
      foreign key (shop_id, by_id) references people (shop_id, id)
    );
    create index account_events_newest on account_events (shop_id, at desc);
    alter table account_events enable row level security;
    alter table account_events force row level security;
    create policy of_the_shop on account_events
      using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert on account_events to avrik_app;
    create function refuse_event_change() returns trigger language plpgsql as $$
    begin
      raise exception 'what was noted of accounts is never changed' using errcode = 'restrict_violation';
    end $$;
    create trigger account_events_are_kept before update or delete on account_events
      for each row execute function refuse_event_change();
    create trigger account_events_are_kept_whole before truncate on account_events
      for each statement execute function refuse_event_change();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table account_events;
    drop function refuse_event_change();
    alter table people drop column invited_at, drop column totp_secret, drop column totp_on, drop column totp_step,
      drop column recovery_hashes;
  `);
}
