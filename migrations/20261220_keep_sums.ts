import type { Knex } from 'knex';

const CURRENT_SHOP = "nullif(current_setting('app.shop_id', true), '')::uuid";

/**
 * What the entries of each kind come to in a build, kept as the ledger changes: adding to a logbook of many years costs what adding
 * to a new one does.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.raw(`
    create table ledger_sums (
      shop_id uuid not null,
      build_id uuid not null,
      kind text not null,
      count integer not null,
      minutes bigint not null,
      money_minor bigint not null,
      primary key (shop_id, build_id, kind),
      foreign key (shop_id, build_id) references builds (shop_id, id)
    );
    insert into ledger_sums
      select shop_id, build_id, kind, count(*), coalesce(sum(minutes), 0), coalesce(sum(money_minor), 0)
      from ledger where not withdrawn group by shop_id, build_id, kind;
    alter table ledger_sums enable row level security;
    alter table ledger_sums force row level security;
    create policy of_the_shop on ledger_sums using (shop_id = ${CURRENT_SHOP}) with check (shop_id = ${CURRENT_SHOP});
    grant select, insert, update on ledger_sums to avrik_app;

    create function sum_ledger() returns trigger language plpgsql as $sum$
    begin
      if tg_op = 'UPDATE' then
        if (old.kind, old.withdrawn, old.minutes, old.money_minor)
            is not distinct from (new.kind, new.withdrawn, new.minutes, new.money_minor) then
          return null;
        end if;
        if not old.withdrawn then
          update ledger_sums set count = count - 1, minutes = minutes - coalesce(old.minutes, 0),
              money_minor = money_minor - coalesce(old.money_minor, 0)
            where shop_id = old.shop_id and build_id = old.build_id and kind = old.kind;
        end if;
      end if;
      if not new.withdrawn then
        insert into ledger_sums as s (shop_id, build_id, kind, count, minutes, money_minor)
          values (new.shop_id, new.build_id, new.kind, 1, coalesce(new.minutes, 0), coalesce(new.money_minor, 0))
        on conflict (shop_id, build_id, kind) do update set count = s.count + 1,
          minutes = s.minutes + excluded.minutes, money_minor = s.money_minor + excluded.money_minor;
      end if;
      return null;
    end $sum$;
    create trigger ledger_is_summed after insert or update of kind, withdrawn, minutes, money_minor on ledger
      for each row execute function sum_ledger();
  `);
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw(`
    drop trigger ledger_is_summed on ledger;
    drop function sum_ledger();
    drop table ledger_sums;
  `);
}
