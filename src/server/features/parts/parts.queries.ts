import type { DonorPutDto, DonorView, PartHistory, PartPutDto } from '#contract/parts.ts';
import type { Core, Fate, PartState } from '#core/parts/parts.ts';
import type { Unit } from '#core/vehicle/registers.ts';
import { containing } from '../../db/like.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE } from '../builds/index.ts';

/** What a part is, as it is kept in `content`. */
export type PartContent = Omit<PartPutDto, 'version' | 'lineId' | 'vendor' | 'donorId'>;

export interface PartRow {
  id: string;
  build_id: string;
  nickname: string;
  vehicle_year: number | null;
  unit: Unit | null;
  line_id: string | null;
  line: string | null;
  content: PartContent;
  state: PartState;
  vendor: string;
  due: string | null;
  history: PartHistory[];
  version: number;
  core: Core | null;
  old_fate: Fate | null;
  chassis_number: string;
  credit_minor: number;
  donor_id: string | null;
  donor: { name: string; place: string } | null;
}

const PARTS = `select p.id, p.build_id, b.nickname, v.year as vehicle_year, v.chassis_number, r.content as unit, p.line_id,
    l.content ->> 'title' as line, p.content, p.state,
    p.vendor, p.due, p.history, p.version, p.core, p.old_fate, p.credit_minor, p.donor_id,
    (select json_build_object('name', d.name, 'place', d.place) from donors d
     where d.shop_id = p.shop_id and d.id = p.donor_id) as donor
  from parts p
  join builds b on b.shop_id = p.shop_id and b.id = p.build_id
  join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
  left join register_rows r on r.shop_id = p.shop_id and r.id = (p.content ->> 'unitId')::uuid
    and r.removed_at is null
  left join estimate_lines l on l.shop_id = p.shop_id and l.id = p.line_id and l.removed_at is null
  where p.shop_id = :shopId and p.removed_at is null`;

export const partsOf = (tx: Tx, buildId: string): Promise<PartRow[]> =>
  tx.rows(`${PARTS} and p.build_id = :buildId order by p.made_at, p.id`, { buildId });

export const partById = (tx: Tx, id: string): Promise<PartRow | undefined> =>
  tx.one(`${PARTS} and p.id = :id`, { id });

/** What is open over all builds, or what a search finds. Nothing is bought any more for a car that went home; what is on its way is. */
export const partsOfShop = (tx: Tx, q: string, most: number): Promise<PartRow[]> =>
  tx.rows(
    q === ''
      ? `${PARTS} and (${IS_HERE} or p.state not in ('to find', 'to order')) and (p.state not in ('fitted', 'returned') or p.core in ('to send', 'sent')
           or p.old_fate = 'kept until the customer says' or p.state = 'returned' and p.credit_minor = 0)
         order by p.due, p.made_at, p.id limit ${most}`
      : `with found as materialized (
           select id from parts where shop_id = :shopId and removed_at is null and words like :like
           order by made_at desc, id limit ${most})
         ${PARTS} and p.id in (select id from found) order by p.made_at desc, p.id`,
    { like: containing(q.toLowerCase()) },
  );

/** Letters that a search looks in: a row of its index has room for them in any script. */
const SEARCHED = 600;

const wordsOf = (content: PartContent, vendor: string): string =>
  [
    content.what,
    content.number,
    content.supersededBy ?? '',
    vendor,
    content.catalogue,
    content.sourceNote,
    content.instead,
    content.serialFrom ?? '',
  ]
    .join(' ')
    .toLowerCase()
    .slice(0, SEARCHED);

export interface Kept {
  id: string;
  lineId: string | null;
  donorId: string | null;
  content: PartContent;
  vendor: string;
}

const bindings = ({ id, lineId, donorId, content, vendor }: Kept) => ({
  id,
  lineId,
  donorId,
  vendor,
  content: JSON.stringify(content),
  words: wordsOf(content, vendor),
});

export const insertPart = (tx: Tx, p: Kept & { buildId: string; now: string }): Promise<number> =>
  tx.run(
    `insert into parts (shop_id, id, build_id, line_id, donor_id, content, state, vendor, made_at, words)
     values (:shopId, :id, :buildId, :lineId, :donorId, :content::jsonb, 'to find', :vendor, :now, :words)`,
    { ...bindings(p), buildId: p.buildId, now: p.now },
  );

/** A part like this one, with its history, under another id and of another number. */
export const insertLike = (
  tx: Tx,
  p: { id: string; like: string; content: PartContent; vendor: string },
): Promise<number> =>
  tx.run(
    `insert into parts (shop_id, id, build_id, line_id, donor_id, content, state, vendor, due, history, made_at, words, core,
       old_fate)
     select shop_id, :id, build_id, line_id, donor_id, :content::jsonb, state, vendor, due, history, made_at, :words, core,
       old_fate
     from parts where shop_id = :shopId and id = :like`,
    { id: p.id, like: p.like, content: JSON.stringify(p.content), words: wordsOf(p.content, p.vendor) },
  );

/** Whether some of it came and is a part of its own since this entry, which both have in their history then. */
export const wasParted = async (tx: Tx, part: PartRow, entryId: string): Promise<boolean> =>
  (await tx.one(
    `select 1 from parts
     where shop_id = :shopId and build_id = :buildId and removed_at is null and id <> :id and history @> :shared::jsonb`,
    { id: part.id, buildId: part.build_id, shared: JSON.stringify([{ entryId }]) },
  )) !== undefined;

export const isInvoiced = async (tx: Tx, id: string): Promise<boolean> =>
  (await tx.one('select 1 from invoice_items where shop_id = :shopId and part_id = :id', { id })) !==
  undefined;

/** A part that was fitted before this shop knew of it. */
export async function insertFitted(
  tx: Tx,
  p: Kept & { buildId: string; now: string; oldFate: Fate | null; history: readonly PartHistory[] },
): Promise<void> {
  await insertPart(tx, p);
  await tx.run(
    `update parts set state = 'fitted', old_fate = :oldFate, history = :history::jsonb
     where shop_id = :shopId and id = :id`,
    { id: p.id, oldFate: p.oldFate, history: JSON.stringify(p.history) },
  );
}

export const savePart = (tx: Tx, p: Kept): Promise<number> =>
  tx.run(
    `update parts set line_id = :lineId, donor_id = :donorId, content = :content::jsonb, vendor = :vendor, words = :words,
       version = version + 1 where shop_id = :shopId and id = :id`,
    bindings(p),
  );

/** How a part stands, apart from its history. */
export interface PartStanding {
  id: string;
  content: PartContent;
  vendor: string;
  state: PartState;
  due: string | null;
  core: Core | null;
  oldFate: Fate | null;
  creditMinor: number;
}

const standingOf = (p: PartStanding) => ({
  id: p.id,
  content: JSON.stringify(p.content),
  vendor: p.vendor,
  words: wordsOf(p.content, p.vendor),
  state: p.state,
  due: p.due,
  core: p.core,
  oldFate: p.oldFate,
  creditMinor: p.creditMinor,
});

export const saveDone = (tx: Tx, p: PartStanding & { entry: PartHistory }): Promise<number> =>
  tx.run(
    `update parts set content = :content::jsonb, vendor = :vendor, words = :words, state = :state, due = :due,
       core = :core, old_fate = :oldFate, credit_minor = :creditMinor,
       history = history || :entry::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    { ...standingOf(p), entry: JSON.stringify([p.entry]) },
  );

/** When an ordered part is expected. */
export const setDue = (tx: Tx, id: string, due: string | null): Promise<number> =>
  tx.run(
    'update parts set due = :due, version = version + 1 where shop_id = :shopId and id = :id and due is distinct from :due',
    {
      id,
      due,
    },
  );

/** What an order said, put right. */
export const saveOrder = (
  tx: Tx,
  p: { id: string; content: PartContent; vendor: string; due: string | null },
): Promise<number> =>
  tx.run(
    `update parts set content = :content::jsonb, vendor = :vendor, words = :words, due = :due,
       version = version + 1 where shop_id = :shopId and id = :id`,
    { ...p, content: JSON.stringify(p.content), words: wordsOf(p.content, p.vendor) },
  );

/** As it stood before an act, which leaves its history. */
export const restorePart = (tx: Tx, p: PartStanding): Promise<number> =>
  tx.run(
    `update parts set content = :content::jsonb, vendor = :vendor, words = :words, state = :state, due = :due,
       core = :core, old_fate = :oldFate, credit_minor = :creditMinor, history = history - -1, version = version + 1
     where shop_id = :shopId and id = :id`,
    standingOf(p),
  );

export const removePart = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update parts set removed_at = :now, version = version + 1 where shop_id = :shopId and id = :id', {
    id,
    now,
  });

export const unitsOf = (tx: Tx, buildId: string): Promise<{ id: string; content: Unit }[]> =>
  tx.rows(
    `select r.id, r.content from register_rows r
     join builds b on b.shop_id = r.shop_id and b.vehicle_id = r.vehicle_id
     where r.shop_id = :shopId and b.id = :buildId and r.register = 'unit' and r.removed_at is null
     order by r.position, r.id`,
    { buildId },
  );

/** Tasks that may wait for a part, and the one that a part is for already. */
export const tasksOf = (tx: Tx, buildId: string): Promise<{ id: string; title: string }[]> =>
  tx.rows(
    `select t.id, t.content ->> 'title' as title from tasks t
     where t.shop_id = :shopId and t.build_id = :buildId and (t.state in ('to do', 'going') or t.id in (
       select (p.content ->> 'taskId')::uuid from parts p
       where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null))
     order by t.position, t.id`,
    { buildId },
  );

export const linesOf = (tx: Tx, buildId: string): Promise<{ id: string; title: string }[]> =>
  tx.rows(
    `select id, content ->> 'title' as title from estimate_lines
     where shop_id = :shopId and build_id = :buildId and removed_at is null order by position, id`,
    { buildId },
  );

export const wasKept = async (tx: Tx, entryId: string): Promise<boolean> =>
  (await tx.one('select 1 from entries where shop_id = :shopId and id = :entryId', { entryId })) !==
  undefined;

export type DonorRow = Omit<DonorView, 'parts'>;

const DONORS = `select id, name, place, note, is_gone as "isGone", version from donors where shop_id = :shopId`;

/** Those that still give something first. */
export const donors = (tx: Tx): Promise<DonorRow[]> => tx.rows(`${DONORS} order by is_gone, made_at, id`);

export const donorById = (tx: Tx, id: string): Promise<DonorRow | undefined> =>
  tx.one(`${DONORS} and id = :id for update`, { id });

export const partsOfDonors = (tx: Tx): Promise<DonorView['parts']> =>
  tx.rows(
    `select p.donor_id as "donorId", p.id as "partId", p.build_id as "buildId", b.nickname, p.content ->> 'what' as what,
       p.state from parts p join builds b on b.shop_id = p.shop_id and b.id = p.build_id
     where p.shop_id = :shopId and p.donor_id is not null and p.removed_at is null order by p.made_at, p.id`,
  );

type KeptDonor = Omit<DonorPutDto, 'version'> & { id: string };

export const insertDonor = (tx: Tx, d: KeptDonor & { now: string }): Promise<number> =>
  tx.run(
    `insert into donors (shop_id, id, name, place, note, is_gone, made_at)
     values (:shopId, :id, :name, :place, :note, :isGone, :now)`,
    d,
  );

export const saveDonor = (tx: Tx, d: KeptDonor): Promise<number> =>
  tx.run(
    `update donors set name = :name, place = :place, note = :note, is_gone = :isGone, version = version + 1
     where shop_id = :shopId and id = :id`,
    d,
  );
