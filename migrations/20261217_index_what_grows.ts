import type { Knex } from 'knex';

/** Parts on order or kept for somebody, and what a vendor has not billed, are found without reading every part there ever was. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table parts add column is_invoiced boolean not null default false;
    update parts p set is_invoiced = true
      where exists (select from invoice_items i where i.shop_id = p.shop_id and i.part_id = p.id);
    create index parts_on_the_desk on parts (shop_id, due, made_at, id)
      where removed_at is null and (state not in ('fitted', 'returned') or core in ('to send', 'sent')
        or old_fate = 'kept until the customer says' or state = 'returned' and credit_minor = 0);
    create index parts_to_invoice on parts (shop_id, vendor)
      where removed_at is null and not is_invoiced and state in ('ordered', 'arrived', 'wrong', 'fitted')
        and vendor <> '' and history @> '[{"act": "order"}]';
    create index builds_not_closed on builds (shop_id, number) where stage <> 'closed';
    create index task_needs_running_out on task_needs (shop_id, task_id) where wait_at_most is not null;
    create index tasks_done on tasks (shop_id, done_at desc) where state = 'done' and line_id is not null;
    create index tasks_of_line on tasks (shop_id, line_id) where line_id is not null;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index tasks_of_line;
    drop index tasks_done;
    drop index task_needs_running_out;
    drop index builds_not_closed;
    drop index parts_to_invoice;
    drop index parts_on_the_desk;
    alter table parts drop column is_invoiced;
  `);
}
