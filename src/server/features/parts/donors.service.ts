/** Vehicles that parts are taken from: where they stand, what was taken, what is still to be. */
import type { DonorPutDto, DonorsView } from '#contract/parts.ts';
import { canonical } from '#core/approval/canonical.ts';
import { holdName } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import * as q from './parts.queries.ts';

async function donorsNow(tx: Tx): Promise<DonorsView> {
  const parts = await q.partsOfDonors(tx);
  const donors = (await q.donors(tx)).map((d) => ({
    ...d,
    parts: parts.filter((p) => p.donorId === d.id),
  }));
  return { donors };
}

export const readDonors = (deps: Deps, who: SignedIn): Promise<DonorsView> =>
  inShop(deps.db, who.shopId, donorsNow);

export const putDonor = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { version, ...dto }: DonorPutDto,
): Promise<DonorsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdName(tx, id);
    const known = await q.donorById(tx, id);
    const kept = {
      id,
      name: dto.name.trim(),
      place: dto.place.trim(),
      note: dto.note.trim(),
      isGone: dto.isGone,
    };
    if (known && canonical({ ...known, version: 0 }) === canonical({ ...kept, version: 0 }))
      return donorsNow(tx);
    if ((known?.version ?? 0) !== version) throw changedMeanwhile('this vehicle', known);
    if (known) await q.saveDonor(tx, kept);
    else await q.insertDonor(tx, { ...kept, now: deps.clock.now() });
    return donorsNow(tx);
  });
