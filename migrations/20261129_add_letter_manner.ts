import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- How a customer likes to be told.
    alter table customers
      add detail text not null default 'full' check (detail in ('brief', 'full', 'enthusiast')),
      -- Words of their own letters; empty: the shop's.
      add greeting text not null default '' check (length(greeting) <= 500),
      add closing text not null default '' check (length(closing) <= 1000),
      -- Distances in kilometres; null: as the shop has it.
      add metric boolean,
      -- Their own currency, and what one unit of the shop's is in it, in millionths, as on a day.
      add also_currency text check (also_currency ~ '^[A-Z]{3}$'),
      add also_rate bigint check (also_rate > 0),
      add also_rate_on date,
      add manner_version integer not null default 1,
      add check ((also_currency is null) = (also_rate is null) and (also_currency is null) = (also_rate_on is null));
    alter table shops
      add letter_greeting text not null default '' check (length(letter_greeting) <= 500),
      add letter_closing text not null default '' check (length(letter_closing) <= 1000);
    -- The day that the letter named for the car to be ready, so that the next one can say by how much it moved.
    alter table letters add promised date;
    grant update (letter_greeting, letter_closing) on shops to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table letters drop promised;
    alter table shops drop letter_greeting, drop letter_closing;
    alter table customers drop detail, drop greeting, drop closing, drop metric, drop also_currency, drop also_rate,
      drop also_rate_on, drop manner_version;
  `);
}
