import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- The photograph that shows the same before the work: the two are looked at one over the other.
    alter table photos
      add before_id uuid check (before_id <> id),
      add foreign key (shop_id, before_id) references photos (shop_id, id);
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('alter table photos drop before_id;');
}
