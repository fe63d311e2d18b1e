import type { PastBatchView } from '#contract/outwork.ts';
import type { BatchState, PieceState, Treatment } from '#core/outwork/outwork.ts';
import type { Tx } from '../../db/pool.ts';
import { IS_HERE } from '../builds/index.ts';

/** What a piece is, as it is kept in `content`. */
export interface PieceContent {
  what: string;
  count: number;
  bag: string;
  note: string;
  entryId: string;
}

interface InBatch {
  number: number;
  treatment: Treatment;
  vendor: string;
}

export interface PieceRow {
  id: string;
  version: number;
  build_id: string;
  nickname: string;
  customer: string;
  build_promised: string | null;
  content: PieceContent;
  treatment: Treatment | null;
  state: PieceState;
  batch_id: string | null;
  place_id: string | null;
  place: string | null;
  is_large: boolean;
  task_id: string | null;
  task: string | null;
  photo: { id: string; shown_hash: string } | null;
  batch: InBatch | null;
  been: InBatch[] | null;
}

/** How a piece stands: what putting it on the car, taking it off and its coming back change. */
export const standingOf = ({ state, batch_id: batchId }: PieceRow) => ({ state, batchId });
export type PieceStanding = ReturnType<typeof standingOf>;

const PIECES = `select p.id, p.version, p.build_id, b.nickname, c.name as customer, b.promised as build_promised, p.content,
    p.treatment, p.state, p.batch_id, p.place_id, s.name as place, p.is_large, p.task_id, t.content ->> 'title' as task,
    (select json_build_object('id', f.id, 'shown_hash', f.shown_hash) from photos f
     where f.shop_id = p.shop_id and f.entry_id = (p.content ->> 'entryId')::uuid and f.removed_at is null
     order by coalesce(f.taken_at, f.recorded_at), f.id limit 1) as photo,
    (select json_build_object('number', o.number, 'treatment', o.treatment, 'vendor', o.vendor) from batches o
     where o.shop_id = p.shop_id and o.id = p.batch_id) as batch,
    (select json_agg(json_build_object('number', o.number, 'treatment', o.treatment, 'vendor', o.vendor)
       order by o.number)
     from batch_pieces g join batches o on o.shop_id = g.shop_id and o.id = g.batch_id
     where g.shop_id = p.shop_id and g.piece_id = p.id and g.back = g.sent) as been
  from pieces p
  join builds b on b.shop_id = p.shop_id and b.id = p.build_id
  join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
  left join tasks t on t.shop_id = p.shop_id and t.id = p.task_id
  left join places s on s.shop_id = p.shop_id and s.id = p.place_id
  where p.shop_id = :shopId and p.removed_at is null`;

export const piecesOfBuild = (tx: Tx, buildId: string): Promise<PieceRow[]> =>
  tx.rows(`${PIECES} and p.build_id = :buildId order by p.made_at, p.id`, { buildId });

/** Over all cars that are here: what is not on a car again and not replaced, and what went with a batch that is shown. */
export const piecesOfShop = (tx: Tx, batchIds: readonly string[]): Promise<PieceRow[]> =>
  tx.rows(
    `${PIECES} and (p.state not in ('on', 'replaced') and ${IS_HERE} or p.id in (
       select piece_id from batch_pieces where shop_id = :shopId and batch_id = any(:batchIds)))
     order by b.number, p.made_at, p.id`,
    { batchIds },
  );

export const piecesById = (tx: Tx, ids: readonly string[]): Promise<PieceRow[]> =>
  tx.rows(`${PIECES} and p.id = any(:ids) order by b.number, p.made_at, p.id`, { ids });

export const standPiece = (
  tx: Tx,
  p: { id: string; placeId: string | null; isLarge: boolean },
): Promise<number> =>
  tx.run(
    `update pieces set place_id = :placeId, is_large = :isLarge, version = version + 1
     where shop_id = :shopId and id = :id`,
    p,
  );

export interface KeptPiece {
  id: string;
  buildId: string;
  taskId: string | null;
  content: PieceContent;
  treatment: Treatment | null;
}

const bound = ({ content, ...p }: KeptPiece) => ({ ...p, content: JSON.stringify(content) });

export const insertPiece = (tx: Tx, p: KeptPiece & { now: string }): Promise<number> =>
  tx.run(
    `insert into pieces (shop_id, id, build_id, task_id, content, treatment, made_at)
     values (:shopId, :id, :buildId, :taskId, :content::jsonb, :treatment, :now)`,
    { ...bound(p), now: p.now },
  );

/** A piece that was done and is to have another treatment lies on a pile again. */
export const savePiece = (tx: Tx, p: KeptPiece & { state: PieceState }): Promise<number> =>
  tx.run(
    `update pieces set task_id = :taskId, content = :content::jsonb, treatment = :treatment, state = :state,
       batch_id = case when :state = 'off' and state <> 'off' then null else batch_id end, version = version + 1
     where shop_id = :shopId and id = :id`,
    { ...bound(p), state: p.state },
  );

export const setPiece = (
  tx: Tx,
  p: { id: string; state: PieceState; batchId: string | null },
): Promise<number> =>
  tx.run(
    `update pieces set state = :state, batch_id = :batchId, version = version + 1
     where shop_id = :shopId and id = :id`,
    p,
  );

/** It was written down by mistake. */
export const removePiece = (tx: Tx, p: { id: string; now: string }): Promise<number> =>
  tx.run(
    `update pieces set removed_at = :now, version = version + 1 where shop_id = :shopId and id = :id`,
    p,
  );

export const isTaskOf = async (tx: Tx, buildId: string, id: string): Promise<boolean> =>
  (await tx.one('select 1 from tasks where shop_id = :shopId and build_id = :buildId and id = :id', {
    buildId,
    id,
  })) !== undefined;

export const tasksToDo = (tx: Tx, buildId: string): Promise<{ id: string; title: string }[]> =>
  tx.rows(
    `select id, content ->> 'title' as title from tasks
     where shop_id = :shopId and build_id = :buildId and state in ('to do', 'going') order by position, id`,
    { buildId },
  );

export interface BatchRow {
  id: string;
  version: number;
  number: number;
  vendor: string;
  treatment: Treatment;
  state: BatchState;
  promised: string | null;
  promised_before: { was: string; given: string }[];
  price_minor: number | null;
  note: string;
  sent_at: string | null;
  back_at: string | null;
  acts: string[];
}

const BATCHES = `select id, version, number, vendor, treatment, state, promised, promised_before, price_minor, note,
    sent_at, back_at, acts from batches where shop_id = :shopId`;

/** Those filling and out, and the newest that came back; one with a piece missing stays. */
export const batchesOfShop = (tx: Tx, mostBack: number): Promise<BatchRow[]> =>
  tx.rows(
    `${BATCHES} and (state <> 'back' or exists (
         select from pieces p where p.shop_id = batches.shop_id and p.batch_id = batches.id and p.state = 'missing')
       or id in (select id from batches where shop_id = :shopId and state = 'back' order by back_at desc limit ${mostBack}))
     order by number`,
  );

export const batchForUpdate = (tx: Tx, id: string): Promise<BatchRow | undefined> =>
  tx.one(`${BATCHES} and id = :id for update`, { id });

export const batchById = (tx: Tx, id: string): Promise<BatchRow | undefined> =>
  tx.one(`${BATCHES} and id = :id`, { id });

export interface BatchPieceRow {
  batch_id: string;
  piece_id: string;
  sent: number;
  back: number;
  words: string;
  back_at: string | null;
}

export const piecesInBatches = (tx: Tx, batchIds: readonly string[]): Promise<BatchPieceRow[]> =>
  tx.rows(
    `select batch_id, piece_id, sent, back, words, back_at from batch_pieces
     where shop_id = :shopId and batch_id = any(:batchIds)
     union all
     select batch_id, id, (content ->> 'count')::int, 0, '', null from pieces
     where shop_id = :shopId and batch_id = any(:batchIds) and state = 'off' and removed_at is null`,
    { batchIds },
  );

export interface KeptBatch {
  id: string;
  vendor: string;
  treatment: Treatment;
  promised: string | null;
  promisedBefore: { was: string; given: string }[];
  priceMinor: number | null;
  note: string;
}

const boundBatch = ({ promisedBefore, ...b }: KeptBatch) => ({
  ...b,
  promisedBefore: JSON.stringify(promisedBefore),
});

export const insertBatch = (tx: Tx, b: KeptBatch & { now: string }): Promise<number> =>
  tx.run(
    `insert into batches (shop_id, id, number, vendor, treatment, promised, promised_before, price_minor, note, made_at)
     select :shopId, :id, coalesce(max(number), 0) + 1, :vendor, :treatment, :promised::date, :promisedBefore::jsonb,
       :priceMinor::bigint, :note, :now::timestamptz from batches where shop_id = :shopId`,
    { ...boundBatch(b), now: b.now },
  );

export const saveBatch = (tx: Tx, b: KeptBatch): Promise<number> =>
  tx.run(
    `update batches set vendor = :vendor, treatment = :treatment, promised = :promised,
       promised_before = :promisedBefore::jsonb, price_minor = :priceMinor, note = :note, version = version + 1
     where shop_id = :shopId and id = :id`,
    boundBatch(b),
  );

/** The day that the vendor of a batch names now, and those that were named before. */
export const setPromise = (
  tx: Tx,
  b: { batchId: string; promised: string | null; promisedBefore: BatchRow['promised_before'] },
): Promise<number> =>
  tx.run(
    `update batches set promised = :promised, promised_before = :promisedBefore::jsonb, version = version + 1
     where shop_id = :shopId and id = :batchId and (promised, promised_before) is distinct from (:promised, :promisedBefore::jsonb)`,
    { ...b, promisedBefore: JSON.stringify(b.promisedBefore) },
  );

export const dropBatch = (tx: Tx, id: string): Promise<number> =>
  tx.run(`delete from batches where shop_id = :shopId and id = :id and state = 'filling'`, { id });

/** Lays these pieces in a batch that fills, and takes the others out of it. */
export async function fillBatch(tx: Tx, batchId: string, pieceIds: readonly string[]): Promise<void> {
  await tx.run(
    `update pieces set batch_id = null, version = version + 1
     where shop_id = :shopId and batch_id = :batchId and state = 'off' and not (id = any(:pieceIds))`,
    { batchId, pieceIds },
  );
  await tx.run(
    `update pieces set batch_id = :batchId, version = version + 1
     where shop_id = :shopId and id = any(:pieceIds) and batch_id is distinct from :batchId`,
    { batchId, pieceIds },
  );
}

export const sendBatch = (
  tx: Tx,
  b: { id: string; actId: string; promised: string | null; now: string },
): Promise<number> =>
  tx.run(
    `update batches set state = 'out', sent_at = :now, promised = :promised, acts = acts || :actId::uuid,
       version = version + 1 where shop_id = :shopId and id = :id`,
    b,
  );

export const insertBatchPiece = (
  tx: Tx,
  p: { batchId: string; pieceId: string; sent: number; priceMinor: number | null },
): Promise<number> =>
  tx.run(
    `insert into batch_pieces (shop_id, batch_id, piece_id, sent, price_minor)
     values (:shopId, :batchId, :pieceId, :sent, :priceMinor)`,
    p,
  );

export const dropBatchPiece = (tx: Tx, p: { batchId: string; pieceId: string }): Promise<number> =>
  tx.run(
    `delete from batch_pieces where shop_id = :shopId and batch_id = :batchId and piece_id = :pieceId`,
    p,
  );

/** Nothing of it went: it fills again. */
export const unsendBatch = (
  tx: Tx,
  b: { id: string; actId: string; promised: string | null },
): Promise<number> =>
  tx.run(
    `update batches set state = 'filling', sent_at = null, promised = :promised,
       acts = array_remove(acts, :actId::uuid), version = version + 1 where shop_id = :shopId and id = :id`,
    { id: b.id, actId: b.actId, promised: b.promised },
  );

/** Whether a vendor has charged for the batch. */
export const isInvoiced = async (tx: Tx, batchId: string): Promise<boolean> =>
  (await tx.one('select 1 from invoice_items where shop_id = :shopId and batch_id = :batchId limit 1', {
    batchId,
  })) !== undefined;

export const setPieceShare = (
  tx: Tx,
  p: { batchId: string; pieceId: string; priceMinor: number | null },
): Promise<number> =>
  tx.run(
    `update batch_pieces set price_minor = :priceMinor
     where shop_id = :shopId and batch_id = :batchId and piece_id = :pieceId`,
    p,
  );

export const saveReturn = (
  tx: Tx,
  p: { batchId: string; pieceId: string; back: number; words: string; now: string },
): Promise<number> =>
  tx.run(
    `update batch_pieces set back = :back, words = :words, back_at = :now
     where shop_id = :shopId and batch_id = :batchId and piece_id = :pieceId`,
    p,
  );

/** Notes a return; where nothing of it is out any more, the batch is back, from the first day that this was so. */
export const returnBatch = (
  tx: Tx,
  b: { id: string; actId: string; isBack: boolean; now: string },
): Promise<number> =>
  tx.run(
    `update batches set acts = acts || :actId::uuid, version = version + 1,
       state = case when :isBack then 'back' else state end,
       back_at = case when :isBack then coalesce(back_at, :now::timestamptz) else back_at end
     where shop_id = :shopId and id = :id`,
    b,
  );

/** A piece and its batch as they stood before it came back. */
export async function restoreReturn(
  tx: Tx,
  r: {
    pieceId: string;
    batchId: string;
    actId: string;
    back: number;
    words: string;
    backAt: string | null;
    batchState: BatchState;
    batchBackAt: string | null;
  },
): Promise<void> {
  const { pieceId, batchId, actId, back, words, backAt, batchState, batchBackAt } = r;
  await tx.run(
    `update batch_pieces set back = :back, words = :words, back_at = :backAt
     where shop_id = :shopId and batch_id = :batchId and piece_id = :pieceId`,
    { batchId, pieceId, back, words, backAt },
  );
  await tx.run(
    `update batches set state = :batchState, back_at = :batchBackAt, acts = array_remove(acts, :actId::uuid),
       version = version + 1 where shop_id = :shopId and id = :batchId`,
    { batchId, actId, batchState, batchBackAt },
  );
}

/** Batches that came back, newest first: what a vendor’s next one is expected by. */
export const pastBatches = (tx: Tx, timeZone: string, most: number): Promise<PastBatchView[]> =>
  tx.rows(
    `select vendor, treatment, (sent_at at time zone :timeZone)::date as "sentOn",
       (back_at at time zone :timeZone)::date as "backOn",
       (select coalesce(sum(g.sent), 0)::int from batch_pieces g
        where g.shop_id = batches.shop_id and g.batch_id = batches.id) as things
     from batches where shop_id = :shopId and state = 'back' order by back_at desc, id limit ${most}`,
    { timeZone },
  );
