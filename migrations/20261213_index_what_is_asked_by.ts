import type { Knex } from 'knex';

/** What a request asks by and had to look through: hours of a task and of a line, cars of a customer and of a vehicle. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create index entry_belongs_of_task on entry_belongs (shop_id, task_id) where task_id is not null;
    create index entry_belongs_of_line on entry_belongs (shop_id, line_id) where line_id is not null;
    create index builds_of_customer on builds (shop_id, customer_id);
    create index builds_of_vehicle on builds (shop_id, vehicle_id);
    -- Tasks that are not over: what is waited for is read over all cars.
    create index tasks_open on tasks (shop_id, build_id) where state in ('to do', 'going');
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop index tasks_open;
    drop index builds_of_vehicle;
    drop index builds_of_customer;
    drop index entry_belongs_of_line;
    drop index entry_belongs_of_task;
  `);
}
