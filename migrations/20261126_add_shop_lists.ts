import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- Who has left signs in no more, but what they wrote stays theirs; a closed place holds no car any more.
    alter table people add column version integer not null default 1, add column has_left boolean not null default false;
    alter table places add column version integer not null default 1, add column closed boolean not null default false;
    alter table vendors add column version integer not null default 1;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table vendors drop column version;
    alter table places drop column version, drop column closed;
    alter table people drop column version, drop column has_left;
  `);
}
