import type { Knex } from 'knex';

/** Which secrets the database belongs to: customers' links are hashes under them. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('alter table installation add column secret_mark text');
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table installation drop column secret_mark');
}
