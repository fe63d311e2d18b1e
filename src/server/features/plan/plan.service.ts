/** The plan of the shop: where cars stand, which of them roll, and who waits for a place. */
import { v7 as uuidv7 } from 'uuid';
import type { PinnedDto, PlanView } from '#contract/plan.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { addIn } from '../entries/index.ts';
import { numberOf } from '../outwork/index.ts';
import * as q from './plan.queries.ts';

const viewOf = async (tx: Tx, deps: Deps): Promise<PlanView> => ({
  now: deps.clock.now(),
  places: await q.places(tx),
  cars: await q.cars(tx),
  pieces: await q.pieces(tx),
  away: (await q.batchesOut(tx)).map(({ number, ...b }) => ({ ...b, number: numberOf(number) })),
});

export const readPlan = (deps: Deps, who: SignedIn): Promise<PlanView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps));

/** Says what pins a car where it stands, or that it rolls again. The logbook says so too. */
export const setPinned = (deps: Deps, who: SignedIn, buildId: string, dto: PinnedDto): Promise<PlanView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const before = await q.pinnedOf(tx, buildId);
    const by = dto.by?.trim();
    const freedBy = dto.freedBy?.trim() ?? '';
    if (before?.by === by && (before?.freedBy ?? '') === freedBy) return viewOf(tx, deps);
    const since = before?.since ?? deps.clock.now();
    await q.savePinned(tx, buildId, by === undefined ? null : { by, freedBy, since });
    await addIn(tx, deps, who, build, {
      id: uuidv7(),
      kind: 'note',
      text:
        by === undefined ? 'rolls again' : `does not roll: ${by}${freedBy ? `; to free it: ${freedBy}` : ''}`,
      facts: {},
      audience: 'shop',
    });
    return viewOf(tx, deps);
  });
