import type { BuildRow, ClosedBuild, CustomerView, Language, PauseView, TellBy } from '#contract/builds.ts';
import type { Stage } from '#core/builds/stages.ts';
import type { Standard } from '#core/log/standards.ts';
import type { KindSum } from '#core/log/entries.ts';
import type { PauseSide } from '#core/pauses/pauses.ts';
import { EMPTY_STANDING, type Standing } from '#core/log/standing.ts';
import type { Wait } from '#core/waits/waits.ts';
import { containing } from '../../db/like.ts';
import { holdShop } from '../../db/lock.ts';
import type { Tx } from '../../db/pool.ts';
import { rowsPer } from '../../db/together.ts';

export interface BuildKey {
  id: string;
  nickname: string;
}

/** The build, held until the transaction ends. */
export const buildForUpdate = (tx: Tx, id: string): Promise<BuildKey | undefined> =>
  tx.one('select id, nickname from builds where shop_id = :shopId and id = :id for update', { id });

/** What somebody typed that a build waits for. */
export const openWaitsOf = async (tx: Tx, id: string): Promise<Wait[]> =>
  (
    await tx.one<{ waits: Wait[] | null }>(
      `select standing -> 'waits' as waits from builds where shop_id = :shopId and id = :id`,
      { id },
    )
  )?.waits ?? [];

interface RowColumns {
  id: string;
  number: string;
  nickname: string;
  stage: Stage;
  vehicle: string;
  vehicle_year: number | null;
  customer: string;
  place: string | null;
  promised: string | null;
  promised_on: string | null;
  pauses: PauseView[] | null;
  standing: Standing;
  arrived_at: string;
  tell_every_days: number;
  question: BuildRow['question'];
}

/**
 * What a build `b` was said to wait for and still does. A wait for a part or a piece is over when that is here, and due when that is:
 * the day of a part is kept with it; when a piece comes back follows from its batch, and is said by its hold.
 */
export const WAITS_NOW = `(
  select coalesce(jsonb_agg(jsonb_strip_nulls(
      case when w ? 'about' then w || jsonb_build_object('due', wp.due) else w end) order by n), '[]')
  from jsonb_array_elements(b.standing -> 'waits') with ordinality x (w, n)
  left join parts wp on wp.shop_id = b.shop_id and w -> 'about' ->> 'type' = 'part'
    and wp.id = (w -> 'about' ->> 'id')::uuid and wp.removed_at is null
    and wp.state in ('to find', 'to order', 'ordered', 'wrong')
  left join pieces wq on wq.shop_id = b.shop_id and w -> 'about' ->> 'type' = 'piece'
    and wq.id = (w -> 'about' ->> 'id')::uuid and wq.removed_at is null and wq.state in ('off', 'out', 'missing')
  where not w ? 'about' or wp.id is not null or wq.id is not null)`;

/** When a build `b` rested, and whether it does; a rest whose entry was withdrawn never was. */
export const PAUSES = `(select json_agg(json_build_object('id', s.id, 'entryId', s.entry_id, 'side', s.side,
       'reason', s.reason, 'from', s.from_day, 'to', s.to_day) order by s.from_day, s.id)
   from pauses s join ledger l on l.shop_id = s.shop_id and l.entry_id = s.entry_id and not l.withdrawn
   where s.shop_id = b.shop_id and s.build_id = b.id)`;

const ROW_COLUMNS = `b.id, b.number, b.nickname, b.stage, v.name as vehicle, v.year as vehicle_year, c.name as customer,
  p.name as place, b.promised, b.promised_on,
  b.standing || jsonb_build_object('waits', ${WAITS_NOW}) as standing, b.arrived_at, c.tell_every_days,
  ${PAUSES} as pauses,
  (select json_build_object('id', k.id, 'name', k.name, 'text', k.text, 'askedAt', k.asked_at) from questions k
   where k.shop_id = b.shop_id and k.build_id = b.id and k.answered_at is null order by k.asked_at, k.id limit 1) as question`;
const ROW_FROM = `from builds b
  join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
  join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
  left join places p on p.shop_id = b.shop_id and p.id = b.place_id`;

export const toRow = (r: RowColumns): BuildRow => ({
  id: r.id,
  number: r.number,
  nickname: r.nickname,
  stage: r.stage,
  vehicle: r.vehicle,
  vehicleYear: r.vehicle_year,
  customer: r.customer,
  place: r.place,
  promised: r.promised,
  promisedOn: r.promised_on,
  pauses: r.pauses ?? [],
  waits: r.standing.waits,
  doing: r.standing.doing,
  toldAt: r.standing.toldAt,
  arrivedAt: r.arrived_at,
  tellEveryDays: r.tell_every_days,
  question: r.question,
});

/** Condition on a build `b`: it is in the shop's hands; what went home is on no list of what there is to do. */
export const IS_HERE = "b.stage in ('open', 'finished')";

/** Every build on the floor; the benchmark runs the very same SQL. */
const FLOOR_SQL = `select ${ROW_COLUMNS} ${ROW_FROM} where b.shop_id = :shopId and ${IS_HERE} order by b.number`;

export const floorRows = (tx: Tx): Promise<RowColumns[]> => tx.rows(FLOOR_SQL);

export interface BuildDetail extends RowColumns {
  standard: Standard;
  next_step: string;
  version: number;
  customer_id: string;
  customer_email: string;
  customer_version: number;
  customer_phone: string;
  customer_address: string;
  customer_language: Language;
  complaint: string;
  event_day: string | null;
  tell_by: TellBy;
  budget_minor: number | null;
  discretion_minor: number;
  link_id: string | null;
  link_opened_at: string | null;
  draft_id: string | null;
  told_up_to: number;
  storage_per_day_minor: number;
  sums: KindSum[];
}

const buildDetails = rowsPer(
  (tx, buildIds) =>
    tx.rows<Omit<BuildDetail, 'sums'>>(
      `select ${ROW_COLUMNS}, b.standard, b.next_step, b.version, b.told_up_to, b.complaint, b.event_day, b.budget_minor, b.discretion_minor, b.customer_id, c.tell_by, c.email as customer_email,
       c.version as customer_version, coalesce(c.phone, '') as customer_phone, c.address as customer_address, c.language as customer_language,
       h.storage_per_day_minor, l.id as link_id, l.last_opened_at as link_opened_at, d.id as draft_id
     ${ROW_FROM}
     join shops h on h.id = b.shop_id
     left join customer_links l on l.shop_id = b.shop_id and l.build_id = b.id and l.revoked_at is null and l.name = ''
     left join letters d on d.shop_id = b.shop_id and d.build_id = b.id and d.state = 'draft'
     where b.shop_id = :shopId and b.id = any(:buildIds::uuid[])`,
      { buildIds },
    ),
  (row) => row.id,
);

export async function buildDetail(tx: Tx, id: string): Promise<BuildDetail | undefined> {
  const [row] = await buildDetails(tx, id);
  return row && { ...row, sums: row.standing.sums };
}

export const buildExists = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one('select 1 from builds where shop_id = :shopId and id = :id', { id })) !== undefined;

/** The next build number of the shop: B-0107. */
export async function nextNumber(tx: Tx): Promise<string> {
  const row = await tx.one<{ last_build: number }>(
    'update shop_counters set last_build = last_build + 1 where shop_id = :shopId returning last_build',
  );
  return `B-${String(row!.last_build).padStart(4, '0')}`;
}

/** The number that a build bears already, where it is free here; the next one where it is not. */
export async function takeNumber(tx: Tx, wished: string): Promise<string> {
  await holdShop(tx);
  const taken = await tx.one('select 1 from builds where shop_id = :shopId and number = :wished', { wished });
  const counted = /^B-(\d{4,9})$/.exec(wished);
  if (taken !== undefined || counted === null) return nextNumber(tx);
  await tx.run('update shop_counters set last_build = greatest(last_build, :n) where shop_id = :shopId', {
    n: Number(counted[1]),
  });
  return wished;
}

export interface NewBuild {
  id: string;
  number: string;
  nickname: string;
  customerId: string;
  vehicleId: string;
  standard: Standard;
  promised: string | null;
  promisedOn: string | null;
  arrivedAt: string;
  complaint: string;
  budgetMinor: number | null;
  discretionMinor: number;
  eventDay: string | null;
}

export const insertBuild = (tx: Tx, b: NewBuild): Promise<number> =>
  tx.run(
    `insert into builds (shop_id, id, number, nickname, customer_id, vehicle_id, standard, promised, promised_on,
       arrived_at, complaint, budget_minor, discretion_minor, event_day, standing)
     values (:shopId, :id, :number, :nickname, :customerId, :vehicleId, :standard, :promised, :promisedOn,
       :arrivedAt, :complaint, :budgetMinor, :discretionMinor, :eventDay, :standing::jsonb)`,
    { ...b, standing: JSON.stringify(EMPTY_STANDING) },
  );

export const insertCustomer = (
  tx: Tx,
  c: { id: string; name: string; email: string; tellEveryDays: number; tellBy: TellBy },
): Promise<number> =>
  tx.run(
    `insert into customers (shop_id, id, name, email, tell_every_days, tell_by)
     values (:shopId, :id, :name, :email, :tellEveryDays, :tellBy) on conflict do nothing`,
    c,
  );

/** So many customers with the vehicles of their builds, those who came last, by name as people sort it. `q`: part of a name or an address. */
export const customersOf = (tx: Tx, q: string, most: number): Promise<CustomerView[]> =>
  tx.rows(
    `select c.id, c.name, c.email, c.tell_every_days as "tellEveryDays", c.tell_by as "tellBy", coalesce((
         select jsonb_agg(distinct jsonb_build_object('id', v.id, 'name', v.name, 'year', v.year))
         from builds b join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
         where b.shop_id = c.shop_id and b.customer_id = c.id), '[]') as vehicles
     from (
       select * from customers
       where shop_id = :shopId and (:q = '' or name ilike :like or email ilike :like) order by id desc limit :most) c
     order by c.name collate "und-x-icu", c.id`,
    { q, like: containing(q), most },
  );

export const insertVehicle = (
  tx: Tx,
  v: { id: string; name: string; year: number | null },
): Promise<number> =>
  tx.run(
    'insert into vehicles (shop_id, id, name, year) values (:shopId, :id, :name, :year) on conflict do nothing',
    v,
  );

/** Keeps what is next if the build is still at this version; answers whether it was. */
export const saveNext = async (tx: Tx, b: { id: string; next: string; version: number }): Promise<boolean> =>
  (await tx.run(
    `update builds set next_step = :next, version = version + 1
     where shop_id = :shopId and id = :id and version = :version`,
    b,
  )) === 1;

/** What is next, whatever stood there. */
export const sayNext = (tx: Tx, id: string, next: string): Promise<number> =>
  tx.run(
    `update builds set next_step = :next, version = version + 1
     where shop_id = :shopId and id = :id and next_step is distinct from :next`,
    { id, next },
  );

export const pausesOf = (tx: Tx, buildId: string): Promise<PauseView[]> =>
  tx.rows(
    `select id, entry_id as "entryId", side, reason, from_day as "from", to_day as "to" from pauses
     where shop_id = :shopId and build_id = :buildId order by from_day, id`,
    { buildId },
  );

export const insertPause = (
  tx: Tx,
  p: { id: string; buildId: string; side: PauseSide; reason: string; entryId: string; from: string },
): Promise<number> =>
  tx.run(
    `insert into pauses (shop_id, id, build_id, side, reason, entry_id, from_day)
     values (:shopId, :id, :buildId, :side, :reason, :entryId, :from)`,
    p,
  );

export interface AgreedRow {
  id: string;
  version: number;
  complaint: string;
  standard: Standard;
  promised: string | null;
  /** On which a promise that is another one is given. */
  today: string;
  eventDay: string | null;
  budgetMinor: number | null;
  discretionMinor: number;
}

/** Keeps what was agreed if the build is still at this version; answers whether it was. */
export const saveAgreed = async (tx: Tx, a: AgreedRow): Promise<boolean> =>
  (await tx.run(
    `update builds set complaint = :complaint, standard = :standard, promised = :promised, event_day = :eventDay,
       promised_on = case when promised is distinct from :promised::date then :today::date else promised_on end,
       budget_minor = :budgetMinor, discretion_minor = :discretionMinor, version = version + 1
     where shop_id = :shopId and id = :id and version = :version`,
    { ...a },
  )) === 1;

export const saveTelling = (
  tx: Tx,
  c: { id: string; email: string; tellBy: TellBy; tellEveryDays: number },
): Promise<number> =>
  tx.run(
    `update customers set email = :email, tell_by = :tellBy, tell_every_days = :tellEveryDays
     where shop_id = :shopId and id = :id`,
    c,
  );

/** Another open build of that name, in whatever case; none where only this one has it. */
export const openBuildNamed = (
  tx: Tx,
  nickname: string,
  but: string,
): Promise<{ number: string } | undefined> =>
  tx
    .rows<{ number: string }>(
      `select number from builds where shop_id = :shopId and stage <> 'closed' and lower(nickname) = lower(:nickname)
         and id <> :but order by number limit 1`,
      { nickname, but },
    )
    .then(([first]) => first);

/** A car that is gone stands nowhere. */
export const saveStage = (tx: Tx, b: { id: string; stage: Stage; now: string }): Promise<number> =>
  tx.run(
    `update builds set stage = :stage, stage_at = :now, version = version + 1,
       place_id = case when :stage in ('handed over', 'closed') then null else place_id end
     where shop_id = :shopId and id = :id`,
    b,
  );

export const saveNickname = (tx: Tx, id: string, nickname: string): Promise<number> =>
  tx.run(
    'update builds set nickname = :nickname, version = version + 1 where shop_id = :shopId and id = :id',
    { id, nickname },
  );

/** Keeps a customer if they are still at this version; answers whether they were. */
export const saveCustomer = async (
  tx: Tx,
  c: {
    id: string;
    version: number;
    name: string;
    email: string;
    phone: string;
    address: string;
    language: string;
  },
): Promise<boolean> =>
  (await tx.run(
    `update customers set name = :name, email = :email, phone = :phone, address = :address, language = :language,
       version = version + 1
     where shop_id = :shopId and id = :id and version = :version`,
    c,
  )) === 1;

const MOST_CLOSED = 100;

const closedSql = (builds: string, found: string): string =>
  `select b.id, b.number, b.nickname, v.name as vehicle, v.year as "vehicleYear", c.name as customer,
     b.stage, b.stage_at as "stageAt"
   from ${builds} b
   join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
   join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
   where b.shop_id = :shopId and b.stage in ('handed over', 'closed') ${found}
   order by b.stage_at desc limit ${MOST_CLOSED}`;

/** Only the newest are joined with their vehicles and customers. */
const NEWEST = `(select * from builds where shop_id = :shopId and stage in ('handed over', 'closed')
   order by stage_at desc limit ${MOST_CLOSED})`;
const IS_FOUND =
  "and position(lower(:search) in lower(concat_ws(' ', b.number, b.nickname, v.name, v.year, c.name))) > 0";

export const closedBuilds = (tx: Tx, search: string): Promise<ClosedBuild[]> =>
  search === '' ? tx.rows(closedSql(NEWEST, '')) : tx.rows(closedSql('builds', IS_FOUND), { search });
