/** What tells whether two databases hold the same: every table with its number of rows and a sum over their content. */
import type pg from 'pg';

export interface TableSum {
  name: string;
  rows: number;
  /** Sum over the rows of the first 32 bits of each row's MD5: the same in whatever order they lie. Finds damage, not forgery. */
  sum: string;
}

/** How a row is written as text depends on these. */
const AS_TEXT = `set timezone = 'UTC'; set datestyle = 'ISO, YMD'; set intervalstyle = 'postgres';
  set bytea_output = 'hex'; set extra_float_digits = 1`;

/** Every table of the database that is not PostgreSQL's own, by name. The client must be allowed to read all rows. */
export async function tableSums(client: pg.Client): Promise<TableSum[]> {
  await client.query(AS_TEXT);
  const { rows: tables } = await client.query<{ name: string }>(`
    select format('%I.%I', n.nspname, c.relname) as name
    from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where c.relkind in ('r', 'p') and n.nspname not in ('pg_catalog', 'information_schema')
      and n.nspname not like 'pg_toast%' and n.nspname not like 'pg_temp%'
    order by 1`);
  const sums: TableSum[] = [];
  for (const { name } of tables) {
    const { rows } = await client.query<{ rows: string; sum: string }>(
      `select count(*) as rows, coalesce(sum(('x' || left(md5(t::text), 8))::bit(32)::bigint), 0)::text as sum from ${name} t`,
    );
    sums.push({ name, rows: Number(rows[0]!.rows), sum: rows[0]!.sum });
  }
  return sums;
}

/** In words, which tables are not what they should be; none where all are. */
export function tablesThatDiffer(expected: readonly TableSum[], found: readonly TableSum[]): string[] {
  const there = new Map(found.map((t) => [t.name, t]));
  const missing = expected.flatMap((t) => {
    const now = there.get(t.name);
    if (!now) return [`${t.name} is missing`];
    if (now.rows !== t.rows) return [`${t.name} has ${now.rows} rows instead of ${t.rows}`];
    return now.sum === t.sum ? [] : [`${t.name} has other content`];
  });
  const names = new Set(expected.map((t) => t.name));
  return [...missing, ...found.filter((t) => !names.has(t.name)).map((t) => `${t.name} should not be there`)];
}
