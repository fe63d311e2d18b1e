/** What is to be put right on a car, and what was tried in place. Each is said in the logbook, and so is its end. */
import {
  MOST_SNAGS,
  type SnagEndDto,
  type SnagPutDto,
  type SnagsView,
  type TrialPutDto,
} from '#contract/snags.ts';
import { inWalkOrder, trialInWords, whyNotEnd } from '#core/snags/snags.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidFields, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, buildForUpdate, type BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { snagEnded } from './line.ts';
import * as q from './snags.queries.ts';

async function viewOf(tx: Tx, buildId: string): Promise<SnagsView> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  return {
    buildId,
    nickname: build.nickname,
    snags: inWalkOrder(await q.snagsOf(tx, buildId)),
    trials: await q.trialsOf(tx, buildId),
  };
}

export const readSnags = (deps: Deps, who: SignedIn, buildId: string): Promise<SnagsView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, buildId));

const changing = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx, build: BuildKey) => Promise<unknown>,
): Promise<SnagsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await change(tx, build);
    return viewOf(tx, buildId);
  });

async function refuseFull(tx: Tx, buildId: string, more: number): Promise<void> {
  if ((await q.snagsOf(tx, buildId)).length + more > MOST_SNAGS)
    throw new Refusal('too-many', `At most ${MOST_SNAGS} of these for one car.`);
}

/** Writes down what is to be put right. The same id again is the same thing. */
export const putSnag = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: SnagPutDto,
): Promise<SnagsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    if (await q.snagById(tx, buildId, id)) return;
    await refuseFull(tx, buildId, 1);
    const { entryId, station } = dto;
    const what = dto.what.trim();
    await logIn(tx, deps, build, {
      id: entryId,
      kind: 'note',
      text: `to put right, ${station}: ${what}`,
      personId: who.personId,
      about: { type: 'snag', id },
    });
    await q.insertSnag(tx, { id, buildId, station, what, trial: '', entryId, now: deps.clock.now() });
  });

/** Writes down what was tried in place, and everything that was in the way of it. */
export const putTrial = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  entryId: string,
  dto: TrialPutDto,
): Promise<SnagsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    if (await q.wasKept(tx, entryId)) return;
    await refuseFull(tx, buildId, dto.inTheWay.length);
    const trial = dto.what.trim();
    const inTheWay = dto.inTheWay.map((s) => ({ ...s, what: s.what.trim() }));
    await logIn(tx, deps, build, {
      id: entryId,
      kind: 'did',
      text: trialInWords(
        trial,
        inTheWay.map((s) => s.what),
      ),
      facts: { subject: trial },
      personId: who.personId,
      about: { type: 'trial', id: entryId },
    });
    for (const s of inTheWay)
      await q.insertSnag(tx, { ...s, buildId, trial, entryId, now: deps.clock.now() });
  });

/** Ends a snag: put right, with its time, or left as it is, with the reason. */
export const endSnag = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: SnagEndDto,
): Promise<SnagsView> =>
  changing(deps, who, buildId, async (tx, build) => {
    const snag = await q.snagById(tx, buildId, id);
    if (!snag) throw notFound('snag');
    if (snag.endedEntryId === dto.entryId) return;
    const faults = whyNotEnd(snag.state, dto);
    if (faults.length > 0) throw invalidFields(faults);
    const said = dto.said.trim() === '' ? '' : `: ${dto.said.trim()}`;
    const where = `${snag.what} (${snag.station})`;
    await logIn(tx, deps, build, {
      id: dto.entryId,
      kind: dto.state === 'right' ? 'did' : 'note',
      text: dto.state === 'right' ? `put right: ${where}${said}` : `left as it is: ${where}${said}`,
      facts:
        dto.state === 'right' ? { subject: snag.what, ...(dto.minutes && { minutes: dto.minutes }) } : {},
      personId: who.personId,
      about: { type: 'snag', id },
      acts: [snagEnded(id, dto.state === 'right' ? 'put right' : 'leave')],
    });
    await q.endSnag(tx, { id, state: dto.state, entryId: dto.entryId });
  });
