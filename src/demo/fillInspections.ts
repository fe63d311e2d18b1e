/** Marks the demo's checkpoints through the service: most cars are looked over whole, one only half. */
import { lookedAt, zonesFor, type Fitted, type Mark } from '#core/inspection/checkpoints.ts';
import type { Deps } from '#server/deps.ts';
import { markCheckpoint, setFitted } from '#server/features/inspection/inspection.service.ts';
import type { SignedIn } from '#server/http/session.ts';

/** By nickname; what is not named is a car without gas or high voltage. */
const FITTED: Record<string, Partial<Fitted>> = {
  'ice-cream van': { body: 'van' },
  camper: { body: 'van', gas: true },
  'milk float': { body: 'van', highVoltage: true },
};

/** How far the walk round has come, and every how manyth checkpoint could not be seen. */
const SEEN: Record<string, { share: number; notSeen: number }> = {
  'ice-cream van': { share: 1, notSeen: 17 },
  camper: { share: 1, notSeen: 13 },
  'rally car': { share: 1, notSeen: 29 },
  microcar: { share: 0.55, notSeen: 11 },
};

export async function lookOver(deps: Deps, who: SignedIn, buildId: string, nickname: string): Promise<void> {
  const fitted: Fitted = { body: 'car', gas: false, highVoltage: false, ...FITTED[nickname] };
  await setFitted(deps, who, buildId, fitted);
  const seen = SEEN[nickname];
  if (!seen) return;
  const zones = zonesFor(fitted);
  const until = Math.round(lookedAt(zones, new Map()).checkpoints * seen.share);
  const ids = zones.flatMap((z) => z.checkpoints.map((c) => c.id)).slice(0, until);
  for (const [i, checkpoint] of ids.entries()) {
    const mark: Mark = i % seen.notSeen === seen.notSeen - 1 ? 'not seen' : 'fine';
    await markCheckpoint(deps, who, buildId, { checkpoint, mark });
  }
}
