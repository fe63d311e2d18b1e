/** The walk round the vehicle: how each checkpoint was left, and what was found there. */
import type { CheckpointMarkDto, FittedDto, InspectionView } from '#contract/inspection.ts';
import { zonesFor } from '#core/inspection/checkpoints.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate } from '../builds/index.ts';
import { addIn } from '../entries/index.ts';
import * as q from './inspection.queries.ts';

async function viewOf(tx: Tx, buildId: string): Promise<InspectionView> {
  const fitted = await q.fittedOf(tx, buildId);
  if (!fitted) throw notFound('build');
  const findings = await q.findingsOf(tx, buildId);
  return { buildId, fitted, marks: await q.marksOf(tx, buildId), findings };
}

export const readInspection = (deps: Deps, who: SignedIn, buildId: string): Promise<InspectionView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, buildId));

/** Leaves a checkpoint as looked at, or as not looked at again; a finding is logged in the same transaction. */
export async function markCheckpoint(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: CheckpointMarkDto,
): Promise<InspectionView> {
  const { checkpoint, mark, finding } = dto;
  if (finding && (mark !== 'finding' || finding.kind !== 'found'))
    throw new Refusal('invalid', 'What was found goes with the mark “finding”.', {
      fields: [{ field: 'finding', reason: 'goes with the mark “finding”, and is a finding' }],
    });
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    const fitted = build && (await q.fittedOf(tx, buildId));
    if (!build || !fitted) throw notFound('build');
    if (!zonesFor(fitted).some((z) => z.checkpoints.some((c) => c.id === checkpoint)))
      throw new Refusal('invalid', 'This vehicle has no such checkpoint.', {
        fields: [{ field: 'checkpoint', reason: 'no checkpoint of this vehicle' }],
      });
    if (finding) {
      await addIn(tx, deps, who, build, finding);
      await q.noteFinding(tx, buildId, checkpoint, finding.id);
    }
    const now = deps.clock.now();
    if (mark === 'none') await q.clearMark(tx, buildId, checkpoint);
    else await q.setMark(tx, { buildId, checkpoint, mark, personId: who.personId, now });
    return viewOf(tx, buildId);
  });
}

/** Says what stands there and what is fitted. Marks of checkpoints that no longer apply are kept, and not counted. */
export const setFitted = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: FittedDto,
): Promise<InspectionView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await q.saveFitted(tx, buildId, dto);
    return viewOf(tx, buildId);
  });
