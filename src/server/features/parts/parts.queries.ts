import type { PartHistory, PartPutDto } from '#contract/parts.ts';
import type { PartState } from '#core/parts/parts.ts';
import type { Unit } from '#core/vehicle/registers.ts';
import type { Tx } from '../../db/pool.ts';

/** What a part is, as it is kept in `content`. */
export type PartContent = Omit<PartPutDto, 'version' | 'lineId' | 'vendor'>;

export interface PartRow {
  id: string;
  build_id: string;
  nickname: string;
  vehicle_year: number | null;
  unit: Unit | null;
  line_id: string | null;
  content: PartContent;
  state: PartState;
  vendor: string;
  due: string | null;
  history: PartHistory[];
  version: number;
}

const PARTS = `select p.id, p.build_id, b.nickname, v.year as vehicle_year, r.content as unit, p.line_id, p.content, p.state,
    p.vendor, p.due, p.history, p.version
  from parts p
  join builds b on b.shop_id = p.shop_id and b.id = p.build_id
  join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
  left join register_rows r on r.shop_id = p.shop_id and r.id = (p.content ->> 'unitId')::uuid
    and r.removed_at is null
  where p.shop_id = :shopId and p.removed_at is null`;

export const partsOf = (tx: Tx, buildId: string): Promise<PartRow[]> =>
  tx.rows(`${PARTS} and p.build_id = :buildId order by p.made_at, p.id`, { buildId });

export const partById = (tx: Tx, id: string): Promise<PartRow | undefined> =>
  tx.one(`${PARTS} and p.id = :id`, { id });

/** What is open over all builds, or what a search finds. */
export const partsOfShop = (tx: Tx, q: string, most: number): Promise<PartRow[]> =>
  tx.rows(
    q === ''
      ? `${PARTS} and p.state not in ('fitted', 'returned') order by p.due, p.made_at, p.id limit ${most}`
      : `${PARTS} and p.words like :like order by p.made_at desc, p.id limit ${most}`,
    { like: `%${q.toLowerCase().replace(/[\\%_]/g, (c) => `\\${c}`)}%` },
  );

/** What a search looks in. */
const wordsOf = (content: PartContent, vendor: string): string =>
  [content.what, content.number, content.catalogue, content.instead, content.sourceNote, vendor]
    .join(' ')
    .toLowerCase();

interface Kept {
  id: string;
  lineId: string | null;
  content: PartContent;
  vendor: string;
}

const bindings = ({ id, lineId, content, vendor }: Kept) => ({
  id,
  lineId,
  vendor,
  content: JSON.stringify(content),
  words: wordsOf(content, vendor),
});

export const insertPart = (tx: Tx, p: Kept & { buildId: string; now: string }): Promise<number> =>
  tx.run(
    `insert into parts (shop_id, id, build_id, line_id, content, state, vendor, made_at, words)
     values (:shopId, :id, :buildId, :lineId, :content::jsonb, 'to find', :vendor, :now, :words)`,
    { ...bindings(p), buildId: p.buildId, now: p.now },
  );

export const savePart = (tx: Tx, p: Kept): Promise<number> =>
  tx.run(
    `update parts set line_id = :lineId, content = :content::jsonb, vendor = :vendor, words = :words,
       version = version + 1 where shop_id = :shopId and id = :id`,
    bindings(p),
  );

export const saveDone = (
  tx: Tx,
  p: {
    id: string;
    content: PartContent;
    vendor: string;
    state: PartState;
    due: string | null;
    entry: PartHistory;
  },
): Promise<number> =>
  tx.run(
    `update parts set content = :content::jsonb, vendor = :vendor, words = :words, state = :state, due = :due,
       history = history || :entry::jsonb, version = version + 1
     where shop_id = :shopId and id = :id`,
    {
      id: p.id,
      content: JSON.stringify(p.content),
      vendor: p.vendor,
      words: wordsOf(p.content, p.vendor),
      state: p.state,
      due: p.due,
      entry: JSON.stringify([p.entry]),
    },
  );

export const unitsOf = (tx: Tx, buildId: string): Promise<{ id: string; content: Unit }[]> =>
  tx.rows(
    `select r.id, r.content from register_rows r
     join builds b on b.shop_id = r.shop_id and b.vehicle_id = r.vehicle_id
     where r.shop_id = :shopId and b.id = :buildId and r.register = 'unit' and r.removed_at is null
     order by r.position, r.id`,
    { buildId },
  );

export const isLineOf = async (tx: Tx, buildId: string, id: string): Promise<boolean> =>
  (await tx.one(
    `select 1 from estimate_lines
     where shop_id = :shopId and build_id = :buildId and id = :id and removed_at is null`,
    { buildId, id },
  )) !== undefined;

export const wasKept = async (tx: Tx, entryId: string): Promise<boolean> =>
  (await tx.one('select 1 from entries where shop_id = :shopId and id = :entryId', { entryId })) !==
  undefined;
