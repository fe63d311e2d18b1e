import type { Knex } from 'knex';

/** A question may be answered by word of mouth, which a line of the log says: it is over, and no words of an answer are kept with it. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table questions drop constraint questions_check;
    alter table questions add constraint questions_answered check (answered_at is not null or answer = '');
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    update questions set answered_at = null, answered_by = null where answer = '';
    alter table questions drop constraint questions_answered;
    alter table questions add constraint questions_check check ((answered_at is null) = (answer = ''));
  `);
}
