/** The demo's outwork: what came off, batches filled, sent and back, one with a piece missing; through the services. */
import type { BatchView } from '#contract/outwork.ts';
import type { ReturnCheck, Treatment } from '#core/outwork/outwork.ts';
import { addDays, dayOf } from '#core/time/days.ts';
import type { Deps } from '#server/deps.ts';
import { putBatch, returnBatch, sendBatch } from '#server/features/outwork/batches.service.ts';
import { readOutwork } from '#server/features/outwork/outworkNow.ts';
import { putPiece, standPiece } from '#server/features/outwork/pieces.service.ts';
import { readLists } from '#server/features/shop/shop.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import { pence } from './fillEstimates.ts';
import { fieldsOf } from './fillParts.ts';

interface OutworkOf {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  timeZone: string;
  tasks: Map<string, string>;
  /** Ids by short names, over all cars. */
  pieces: Map<string, string>;
  batches: Map<string, string>;
  id: () => string;
}

const named = (of: Map<string, string>, key: string): string => {
  const id = of.get(key);
  if (id === undefined) throw new Error(`the demo has no piece or batch "${key}"`);
  return id;
};

/** "what=door hinges; count=4; bag=12; to=plate; for=hang; note=…": answers the entry that says it. */
async function cameOff(o: OutworkOf, key: string, rule: string): Promise<string> {
  const { what = key, count = '1', bag = '', note = '', to, for: task, stands, ...more } = fieldsOf(rule);
  const isLarge = 'large' in more;
  const entryId = o.id();
  o.pieces.set(key, o.id());
  await putPiece(o.deps, o.who, o.buildId, named(o.pieces, key), {
    version: 0,
    entryId,
    what,
    count: Number(count),
    bag,
    note,
    ...(to === undefined ? {} : { treatment: to as Treatment }),
    ...(task === undefined ? {} : { taskId: named(o.tasks, task) }),
  });
  if (stands !== undefined) await standsAt(o, named(o.pieces, key), stands, isLarge);
  return entryId;
}

/** The piece stands there from now on. */
async function standsAt(o: OutworkOf, pieceId: string, name: string, isLarge: boolean): Promise<void> {
  const { places } = await readLists(o.deps, o.who);
  const placeId = places.find((p) => p.name === name)!.id;
  await standPiece(o.deps, o.who, o.buildId, pieceId, { version: 1, placeId, isLarge });
}

const dayIn = (o: OutworkOf, days: string): string =>
  addDays(dayOf(o.deps.clock.now(), o.timeZone), Number(days));

async function batchOf(o: OutworkOf, key: string): Promise<BatchView> {
  const { batches } = await readOutwork(o.deps, o.who);
  return batches.find((b) => b.id === named(o.batches, key))!;
}

/** "vendor=Halcyon Platers; to=plate; pieces=a,b; due=14; price=60; sent": begun, and sent where it says so. */
async function begin(o: OutworkOf, key: string, rule: string): Promise<void> {
  const f = fieldsOf(rule);
  o.batches.set(key, o.id());
  const pieceIds = (f.pieces ?? '').split(',').map((p) => named(o.pieces, p));
  const batchId = named(o.batches, key);
  await putBatch(o.deps, o.who, batchId, {
    version: 0,
    vendor: f.vendor ?? '',
    treatment: (f.to ?? '') as Treatment,
    note: f.note ?? '',
    pieceIds,
    ...(f.due === undefined ? {} : { promised: dayIn(o, f.due) }),
    ...(f.price === undefined ? {} : { priceMinor: pence(Number(f.price)) }),
  });
  if ('sent' in f) await sendBatch(o.deps, o.who, batchId, { version: 1, actId: o.id(), pieceIds });
}

/** "due=7": their new word. */
async function newDay(o: OutworkOf, key: string, rule: string): Promise<void> {
  const { id, version, vendor, treatment, note, pieces, priceMinor } = await batchOf(o, key);
  await putBatch(o.deps, o.who, id, {
    version,
    vendor,
    treatment,
    note,
    pieceIds: pieces.map((p) => p.id),
    promised: dayIn(o, fieldsOf(rule).due ?? '0'),
    ...(priceMinor === undefined ? {} : { priceMinor }),
  });
}

/** "came=a,b:3,c:1:damaged:bent; all": what came back, how many of it, how it was; `all`: nothing more comes. */
async function back(o: OutworkOf, key: string, rule: string): Promise<void> {
  const { came = '', ...f } = fieldsOf(rule);
  const batch = await batchOf(o, key);
  await returnBatch(o.deps, o.who, batch.id, {
    version: batch.version,
    actId: o.id(),
    isAll: 'all' in f,
    came: came.split(',').map((said) => {
      const [name = '', count, check = 'right', note] = said.split(':');
      const pieceId = named(o.pieces, name);
      const out = batch.pieces.find((p) => p.id === pieceId)!;
      return {
        pieceId,
        count: count ? Number(count) : out.sent - out.back,
        check: check as ReturnCheck,
        ...(note === undefined ? {} : { note }),
      };
    }),
  });
}

/** A row of a story that is about outwork: answers the entry that came of it, or null. False where it is about something else. */
export async function outwork(o: OutworkOf, text: string): Promise<string | null | false> {
  const [, word, key = '', rule = ''] = /^@(piece|batch|batch-day|batch-back) (\S+) (.+)$/.exec(text) ?? [];
  if (word === undefined) return false;
  if (word === 'piece') return cameOff(o, key, rule);
  if (word === 'batch') await begin(o, key, rule);
  else if (word === 'batch-day') await newDay(o, key, rule);
  else await back(o, key, rule);
  return null;
}
