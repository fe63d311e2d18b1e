import type { Knex } from 'knex';

const KINDS = `'note', 'found', 'did', 'ordered', 'arrived', 'fitted', 'spent', 'hours', 'waiting', 'resumed', 'reading', 'moved',
  'asked', 'decided', 'told', 'correction'`;

const kinds = (list: string): string => `
  alter table entries drop constraint entries_kind_check;
  alter table entries add constraint entries_kind_check check (kind in (${list}));`;

/** What is needed and what is planned are kinds of entry: a part or a task that is written down keeps one, and goes with it when that is taken back. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    ${kinds(`${KINDS}, 'needs', 'planned'`)}
    grant delete on tasks to avrik_app;
  `);
}

/** Their entries become notes: the words stay. */
export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table entries disable trigger entries_are_kept;
    update entries set kind = 'note' where kind in ('needs', 'planned');
    alter table entries enable trigger entries_are_kept;
    ${kinds(KINDS)}
    revoke delete on tasks from avrik_app;
  `);
}
