import type { Knex } from 'knex';

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    -- letters: what is written, without money. money: estimates, sums and papers too. approve: may answer an estimate.
    alter table customer_links
      add column scope text not null default 'letters' check (scope in ('letters', 'money', 'approve'));
    update customer_links set scope = 'approve' where name = '';
    -- Until now everybody who was told saw everything; nobody loses what they had.
    update customer_links set scope = 'money' where name <> '';
    -- Through which link an answer was given: the code goes to whoever it belongs to.
    alter table answer_codes add column link_id uuid;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table answer_codes drop column link_id;
    alter table customer_links drop column scope;
  `);
}
