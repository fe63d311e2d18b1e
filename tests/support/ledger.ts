import type pg from 'pg';

/** Sums kept with the ledger that are not what its rows come to. */
export const wrongSums = async (client: pg.Client): Promise<object[]> =>
  (
    await client.query<object>(`
      select * from (select * from ledger_sums where count > 0) s
      full join (
        select shop_id, build_id, kind, count(*)::int as count, coalesce(sum(minutes), 0)::bigint as minutes,
          coalesce(sum(money_minor), 0)::bigint as money_minor
        from ledger where not withdrawn group by shop_id, build_id, kind) l using (shop_id, build_id, kind)
      where (s.count, s.minutes, s.money_minor) is distinct from (l.count, l.minutes, l.money_minor)`)
  ).rows;
