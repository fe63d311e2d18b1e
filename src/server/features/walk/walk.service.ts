/** The walk round the cars: in the order of the plan, one at a time, gone on with where it stopped. */
import { v7 as uuidv7 } from 'uuid';
import type { WalkCarView, WalkSeenDto, WalkView } from '#contract/walk.ts';
import { promiseNow } from '#core/pauses/pauses.ts';
import { arrange } from '#core/plan/floorPlan.ts';
import { dayOf } from '#core/time/days.ts';
import { walkOrder } from '#core/walk/order.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { agoOf } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import { waitsNow } from '../waits/index.ts';
import * as q from './walk.queries.ts';

/** Cars in the order in which one comes to them; those that stand nowhere on the plan last. */
async function inOrder(tx: Tx, rows: q.WalkRow[]): Promise<q.WalkRow[]> {
  const taken = new Set(rows.map((r) => r.placeId));
  const places = arrange(await q.drawnPlaces(tx)).filter((p) => taken.has(p.id));
  const rank = new Map(walkOrder(places).map((p, i) => [p.id, i]));
  const at = (r: q.WalkRow): number => (r.placeId === null ? Infinity : (rank.get(r.placeId) ?? Infinity));
  const known = rows.map((r, i) => ({ r, i }));
  return known.sort((a, b) => (at(a.r) === at(b.r) ? a.i - b.i : at(a.r) - at(b.r))).map(({ r }) => r);
}

async function viewOf(tx: Tx, deps: Deps, who: SignedIn): Promise<WalkView> {
  const shop = await shopOf(tx);
  const today = dayOf(deps.clock.now(), shop.timeZone);
  const { id, beganAt, lastAt } = await q.walksNow(tx, who.personId);
  const walkId = id ?? uuidv7();
  const held = new Map((await waitsNow(tx, deps)).map((w) => [w.buildId, w.binding]));
  const rows = await inOrder(tx, await q.walkRows(tx, walkId));
  const cars = rows.map(({ promised, promisedOn, pauses, ...row }): WalkCarView => ({
    ...row,
    binding: held.get(row.buildId) ?? null,
    promised: promiseNow(promised, promisedOn, pauses ?? [], today),
  }));
  return { walkId, beganAt, lastAt, cars };
}

export const readWalk = (deps: Deps, who: SignedIn): Promise<WalkView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, who));

/** A walk of this person under this id, begun when there is none. Another that is under way ends: its device was given up. */
async function walkIn(tx: Tx, who: SignedIn, walkId: string, now: string): Promise<void> {
  const known = await q.walkById(tx, walkId);
  if (known && known.person_id !== who.personId) throw notFound('walk');
  if (known) return;
  const open = await q.openWalk(tx, who.personId);
  if (open) await q.endWalk(tx, open.id, now);
  await q.insertWalk(tx, { id: walkId, personId: who.personId, now });
}

/** This car has been looked at. The same again changes nothing. */
export const markSeen = (
  deps: Deps,
  who: SignedIn,
  { walkId, buildId }: { walkId: string; buildId: string },
  { agoMs }: WalkSeenDto,
): Promise<{ seen: true }> =>
  inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const now = deps.clock.now();
    await walkIn(tx, who, walkId, now);
    await q.insertSeen(tx, { walkId, buildId, at: agoOf(now, agoMs) });
    return { seen: true as const };
  });

export const endWalk = (deps: Deps, who: SignedIn, walkId: string): Promise<{ ended: true }> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const known = await q.walkById(tx, walkId);
    if (known?.person_id !== who.personId) throw notFound('walk');
    await q.endWalk(tx, walkId, deps.clock.now());
    return { ended: true as const };
  });
