/**
 * A shop as it stands after a month and after ten years, made from the demo shop by the owner of the tables: the same builds are
 * open in both; in the second the ended ones of ten years lie beside them.
 *
 * An ended build is a copy of one of the demo shop with everything that hangs on it, and on top of that the tasks, booked hours,
 * lines and parts of a build of average size. Nothing of it is decided by chance, so that two runs read the same rows.
 */
import type pg from 'pg';

/** Entries of one copy keep their order within so many numbers. */
const APART = 100_000;
/** Builds of the demo shop, by the ids that it counts (`demo/fill.ts`): the shop may hold others, of whoever tries something in it. */
const OF_DEMO = `id::text like '019d0000-%'`;

/** Tables that hang on a build and are copied with it, in any order: references are not checked meanwhile. */
const LEFT_OUT = new Set([
  'customer_links', // a link opens one page
  'mails',
  'batch_pieces',
  'pieces', // a piece lies in a batch of several cars
  'books',
  'invoice_items', // an invoice is the vendor's, over several cars
  'voice_notes',
  'sessions',
  'walk_cars',
]);

interface Column {
  table: string;
  name: string;
  type: string;
  /** Table that it points at. */
  of: string | null;
}

async function columnsOfBuilds(client: pg.Client): Promise<Map<string, Column[]>> {
  const { rows } = await client.query<Column>(`
    select c.table_name as "table", c.column_name as name, c.udt_name as type,
      (select max(k.confrelid::regclass::text) from pg_constraint k
        join pg_attribute a on a.attrelid = k.conrelid and a.attnum = any (k.conkey) and a.attname = c.column_name
        where k.contype = 'f' and k.conrelid = c.table_name::regclass and c.column_name <> 'shop_id') as of
    from information_schema.columns c
    join information_schema.tables t using (table_schema, table_name)
    where c.table_schema = 'public' and t.table_type = 'BASE TABLE' and c.is_identity = 'NO'
      and (c.table_name in ('builds', 'customers', 'vehicles', 'task_needs') or exists (
        select 1 from information_schema.columns b
        where b.table_schema = 'public' and b.table_name = c.table_name and b.column_name = 'build_id'))
    order by c.table_name, c.ordinal_position`);
  const tables = new Map<string, Column[]>();
  for (const row of rows)
    if (!LEFT_OUT.has(row.table)) tables.set(row.table, [...(tables.get(row.table) ?? []), row]);
  return tables;
}

/** All ids of these centuries begin with 01; those of a copy begin with what says which copy it is. */
const idOfCopy = (own: string): string => `(c.hex || substr(${own}::text, 3))::uuid`;
const idsOfCopy = (own: string): string =>
  `case when ${own}::text ~ '-7[0-9a-f]{3}-' then regexp_replace(${own}::text,
    '\\m01([0-9a-f]{6}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12})', c.hex || '\\1', 'g')::jsonb else ${own} end`;

/** What stands in a column of a copy. */
function copied({ table, name, type, of }: Column, copies: ReadonlySet<string>): string {
  const own = `t.${name}`;
  if (table === 'builds' && name === 'number') return `'Y' || c.n || '-' || t.number`;
  if (table === 'builds' && name === 'nickname') return `t.nickname || ' ' || c.n`;
  if (table === 'builds' && name === 'place_id') return 'null';
  if (table === 'builds' && name === 'stage') return `case when c.ended then 'closed' else t.stage end`;
  if (table === 'builds' && name === 'stage_at')
    return `case when c.ended then coalesce(t.stage_at, now()) - c.back else t.stage_at end`;
  if (table === 'tasks' && name === 'state')
    return `case when c.ended and t.state <> 'dropped' then 'done' else t.state end`;
  if (table === 'tasks' && name === 'done_at')
    return `case when c.ended and t.state <> 'dropped' then coalesce(t.done_at, now()) - c.back else t.done_at end`;
  if (table === 'parts' && name === 'state') return `case when c.ended then 'fitted' else t.state end`;
  if (table === 'parts' && name === 'is_invoiced') return 't.is_invoiced or c.ended';
  if (table === 'parts' && (name === 'core' || name === 'old_fate'))
    return `case when not c.ended then ${own} end`;
  if (name === 'donor_id') return 'null';
  if (name === 'seq' || name === 'up_to' || name === 'told_up_to') return `${own} + c.n * ${APART}`;
  if (type === 'jsonb') return idsOfCopy(own);
  if (type === 'timestamptz') return `${own} - c.back`;
  if (type === 'date') return `(${own} - c.back)::date`;
  const isCopied = ['id', 'build_id', 'about_id'].includes(name) || (of !== null && copies.has(of));
  return type === 'uuid' && isCopied ? idOfCopy(own) : own;
}

/** Which rows of a table hang on the builds that are copied. */
const HANGS: Record<string, string> = {
  builds: 'id in (select id from demo_builds)',
  customers: 'id in (select customer_id from demo_builds)',
  vehicles: 'id in (select vehicle_id from demo_builds)',
  spells: 'ended_at is not null and build_id in (select id from demo_builds)',
  task_needs: 'task_id in (select id from tasks where build_id in (select id from demo_builds))',
};

/** Copies of the demo's builds from one number to another; those past OPEN_COPIES ended a month earlier each. */
async function copyBuilds(client: pg.Client, from: number, to: number): Promise<void> {
  const tables = await columnsOfBuilds(client);
  const copies = new Set(tables.keys());
  await client.query(`
    drop table if exists demo_builds, copies;
    create temp table demo_builds as select id, customer_id, vehicle_id from builds where ${OF_DEMO};
    create temp table copies as select n, to_hex(16 + n) as hex, n > ${OPEN_COPIES} as ended,
      case when n > ${OPEN_COPIES} then (n - ${OPEN_COPIES}) * interval '2 months' else interval '0' end as back
      from generate_series(${from}, ${to}) n`);
  for (const [table, columns] of tables) {
    await client.query(`
      insert into ${table} (${columns.map((c) => c.name).join(', ')})
      select ${columns.map((c) => copied(c, copies)).join(', ')}
      from (select * from ${table} where ${HANGS[table] ?? 'build_id in (select id from demo_builds)'}) t cross join copies c`);
  }
}

/** An id of the same form as those that services make: of thing `n` of build `m`. */
const id = (what: number, n: string): string =>
  `('01ffff0${what}-' || lpad(to_hex(m.at), 4, '0') || '-7000-8000-' || lpad(to_hex(${n}), 12, '0'))::uuid`;
const TASK = 1;
const ENTRY = 2;
const JOB = 5;

/** Tasks with needs, booked hours, work done, parts and letters of each of the demo's builds, up to what a build has on average. */
const GROW = `
  create temp table grown as select b.id, b.shop_id, b.stage <> 'open' as ended, row_number() over (order by b.number) as at,
    b.arrived_at as since, (select max(seq) from entries) + (row_number() over (order by b.number) - 1) * :entries as first_seq,
    (select id from people p where p.shop_id = b.shop_id order by id limit 1) as person_id
    from builds b where ${OF_DEMO};
  insert into jobs (shop_id, id, build_id, title) select m.shop_id, ${id(JOB, '1')}, m.id, 'Panels' from grown m;
  insert into tasks (shop_id, id, build_id, job_id, position, content, state, done_at, made_at)
    select m.shop_id, ${id(TASK, 'n')}, m.id, ${id(JOB, '1')}, 1000 + n, jsonb_build_object('title', 'Panel ' || n || ' fitted and gapped',
      'work', 'metalwork', 'minutes', 300, 'cautions', '[]'::jsonb),
      case when m.ended or n < 40 then 'done' else 'to do' end, case when m.ended or n < 40 then m.since end, m.since
    from grown m cross join generate_series(1, :tasks) n;
  insert into task_needs (shop_id, task_id, needs_id, reason)
    select m.shop_id, ${id(TASK, 'n')}, ${id(TASK, 'n - 1')}, 'it is gapped to the one before'
    from grown m cross join generate_series(2, :tasks) n;
  insert into entries (shop_id, build_id, id, seq, at, recorded_at, person_id, kind, text, facts, audience)
    select m.shop_id, m.id, ${id(ENTRY, 'n')}, m.first_seq + n, m.since + n * interval '1 hour', m.since + n * interval '1 hour',
      m.person_id, k.kind, k.text, k.facts, 'customer'
    from grown m cross join generate_series(1, :entries) n
    cross join lateral (select 'hours' as kind, '1 h on panel ' || n % :tasks as text,
      jsonb_build_object('minutes', 60, 'subject', 'panel ' || n % :tasks) as facts where n <= :hours
      union all select 'did', 'did panel ' || n || ', the edge dressed', jsonb_build_object('subject', 'panel ' || n)
        where n > :hours) k;
  insert into ledger (shop_id, entry_id, build_id, seq, at, recorded_at, kind, withdrawn, minutes, person_id, task_id, belongs)
    select m.shop_id, e.id, m.id, e.seq, e.at, e.recorded_at, e.kind, false, (e.facts ->> 'minutes')::int, e.person_id,
      case when n <= :hours then ${id(TASK, 'n % :tasks + 1')} end, case when n <= :hours then 'task' end
    from grown m cross join generate_series(1, :entries) n
    join entries e on e.shop_id = m.shop_id and e.id = ${id(ENTRY, 'n')};
  insert into parts (shop_id, id, build_id, content, state, vendor, made_at, history, is_invoiced, words)
    select m.shop_id, ${id(3, 'n')}, m.id, jsonb_build_object('what', 'bracket ' || n, 'quantity', 1, 'number', 'BR-' || n,
      'catalogue', 'the parts book', 'instead', '', 'source', 'supplier', 'sourceNote', ''), 'fitted', 'Tern & Sons', m.since,
      jsonb_build_array(jsonb_build_object('act', 'order', 'on', m.since::date, 'by', 'Ines', 'words', 'ordered bracket ' || n),
        jsonb_build_object('act', 'fit', 'on', m.since::date, 'by', 'Ines', 'words', 'fitted bracket ' || n)), true,
      'bracket ' || n || ' br-' || n || ' the parts book tern & sons'
    from grown m cross join generate_series(1, :parts) n;
  insert into letters (shop_id, id, build_id, state, content, up_to, drafted_at, sent_at)
    select m.shop_id, ${id(4, 'n')}, m.id, 'sent', l.content, m.first_seq, m.since, m.since
    from grown m cross join generate_series(1, :letters) n
    cross join lateral (select content from letters where state = 'sent' order by id limit 1) l;
  truncate ledger_sums;
  insert into ledger_sums
    select shop_id, build_id, kind, count(*), coalesce(sum(minutes), 0), coalesce(sum(money_minor), 0)
    from ledger where not withdrawn group by shop_id, build_id, kind;
  -- The standing of a build says what its logbook comes to.
  update builds b set standing = jsonb_set(b.standing, '{sums}', (
    select jsonb_agg(jsonb_build_object('kind', s.kind, 'count', s.count, 'minutes', s.minutes, 'moneyMinor', s.money_minor)
      order by s.kind)
    from ledger_sums s where s.build_id = b.id));`;

/** Work on the tables as their owner, without triggers and checks of references: what is put in refers to what is put in. */
async function filling(client: pg.Client, work: () => Promise<unknown>): Promise<void> {
  await client.query('set session_replication_role = replica');
  await work();
  await client.query('set session_replication_role = origin');
  await client.query("select setval('entry_numbers', (select max(seq) from entries))");
  await client.query('analyze');
}

/** What each of the demo's builds is given on top of what it has: of most things a build of ten years has so many on average. */
const EACH = { tasks: 56, hours: 285, entries: 430, parts: 99, letters: 5 };
const OPEN = 40;
const OPEN_COPIES = 2;
const ALL_COPIES = 58;

/** Makes of the demo shop one with 40 open builds of average size and few that ended. `client`: of the owner of the tables. */
export const fillMonth = (client: pg.Client): Promise<void> =>
  filling(client, async () => {
    await client.query(
      GROW.replace(/:(\w+)\b/g, (whole, k: string) => String(EACH[k as keyof typeof EACH] ?? whole)),
    );
    await copyBuilds(client, 1, OPEN_COPIES);
    await client.query(`update builds set stage = 'closed', stage_at = now() where id in (
      select id from builds where stage = 'open' order by number desc
      limit (select count(*) - ${OPEN} from builds where stage = 'open'))`);
  });

/** The same shop ten years on: 1,000 builds, 500,000 entries, 60,000 tasks, 100,000 parts, 10,000 letters. */
export const fillTenYears = (client: pg.Client): Promise<void> =>
  filling(client, () => copyBuilds(client, OPEN_COPIES + 1, ALL_COPIES));
