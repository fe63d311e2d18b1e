import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    alter table vehicles
      add chassis_number text not null default '' check (length(chassis_number) <= 60),
      add plate text not null default '' check (length(plate) <= 30),
      add odometer integer check (odometer between 0 and 9999999),
      add odometer_unit text not null default 'mi' check (odometer_unit in ('mi', 'km', 'h')),
      -- Where the numbers were read, and what makes them believable.
      add identity_evidence text not null default '' check (length(identity_evidence) <= 1000),
      add version integer not null default 1;

    alter table customers
      add tell_by text not null default 'mail' check (tell_by in ('mail', 'telephone', 'both'));

    -- Units and provenance belong to the vehicle, belongings and requirements to the build they came with.
    create table register_rows (
      shop_id uuid not null,
      id uuid not null,
      register text not null check (register in ('unit', 'belonging', 'provenance', 'requirement')),
      vehicle_id uuid not null,
      build_id uuid not null,
      content jsonb not null,
      position integer not null,
      version integer not null default 1,
      removed_at timestamptz,
      primary key (shop_id, id),
      foreign key (shop_id, vehicle_id) references vehicles (shop_id, id),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    create index register_rows_of_vehicle on register_rows (shop_id, vehicle_id, position) where removed_at is null;

    alter table register_rows enable row level security;
    alter table register_rows force row level security;
    create policy of_the_shop on register_rows
      using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on register_rows to avrik_app;
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop table register_rows;
    alter table customers drop tell_by;
    alter table vehicles drop chassis_number, drop plate, drop odometer, drop odometer_unit, drop identity_evidence,
      drop version;
  `);
}
