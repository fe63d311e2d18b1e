import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- The shop's own mail server; without a row, mail goes where the installation says.
    create table mail_settings (
      shop_id uuid primary key references shops (id),
      host text not null check (length(host) between 1 and 253),
      port integer not null check (port between 1 and 65535),
      secure text not null check (secure in ('tls', 'starttls', 'none')),
      user_name text not null default '' check (length(user_name) <= 200),
      -- Sealed with the installation's secret; null where none is needed.
      password bytea,
      from_address text not null check (length(from_address) between 3 and 200),
      version integer not null default 1
    );
    alter table mail_settings enable row level security;
    alter table mail_settings force row level security;
    create policy of_the_shop on mail_settings
      using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update, delete on mail_settings to avrik_app;

    -- Where a word goes by text message when a letter is sent; empty: nowhere.
    alter table customers add text_to text not null default '' check (length(text_to) <= 30);

    -- A mail that a server took and another gave back.
    alter table letters drop constraint letters_mail_check,
      add constraint letters_mail_check check (mail in ('queued', 'accepted', 'failed', 'returned'));
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    update letters set mail = 'failed' where mail = 'returned';
    alter table letters drop constraint letters_mail_check,
      add constraint letters_mail_check check (mail in ('queued', 'accepted', 'failed'));
    alter table customers drop text_to;
    drop table mail_settings;
  `);
}
