/** A build rests, and goes on again: said in the logbook; for the customer's reasons, its promise's clock stands. */
import { v7 as uuidv7 } from 'uuid';
import type { BuildView, PauseDto } from '#contract/builds.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { logIn } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './builds.queries.ts';
import { readIn } from './builds.service.ts';

/** The same pause again is the same pause. */
export const pauseBuild = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  pauseId: string,
  dto: PauseDto,
): Promise<BuildView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await q.buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const pauses = await q.pausesOf(tx, buildId);
    if (pauses.some((p) => p.id === pauseId)) return readIn(tx, deps, who, buildId);
    const open = pauses.find((p) => p.to === null);
    if (open)
      throw new Refusal(
        'conflict',
        `It rests already, since ${open.from}: ${open.reason}. Nothing was kept.`,
      );
    const reason = dto.reason.trim();
    const from = dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);
    const entryId = uuidv7();
    await logIn(tx, deps, build, {
      id: entryId,
      kind: 'waiting',
      text: `rests: ${reason}`,
      facts: { subject: reason, ...(dto.until === undefined ? {} : { due: dto.until }) },
      personId: who.personId,
      about: { type: 'pause', id: pauseId },
    });
    await q.insertPause(tx, { id: pauseId, buildId, side: dto.side, reason, entryId, from });
    return readIn(tx, deps, who, buildId);
  });

export const resumeBuild = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  pauseId: string,
): Promise<BuildView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const build = await q.buildForUpdate(tx, buildId);
    const pause = build && (await q.pausesOf(tx, buildId)).find((p) => p.id === pauseId);
    if (!build || !pause) throw notFound('pause');
    if (pause.to !== null) return readIn(tx, deps, who, buildId);
    await logIn(tx, deps, build, {
      kind: 'resumed',
      text: `goes on again after: ${pause.reason}`,
      facts: { subject: pause.reason },
      personId: who.personId,
      // Only this wait is over, and with it the pause: others may be in the same words.
      about: { type: 'entry', id: pause.entryId },
    });
    return readIn(tx, deps, who, buildId);
  });
