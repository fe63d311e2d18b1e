import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Where a place lies on the plan of the shop, in steps of its grid: {x, y, w, h}; null until it is drawn.
    alter table places add column spot jsonb;
    -- What is off a car that pins it where it stands, what would free it, and since when; null while it rolls.
    alter table builds add column pinned jsonb, add column placed_at timestamptz;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(
    'alter table builds drop column pinned, drop column placed_at; alter table places drop column spot',
  );
}
