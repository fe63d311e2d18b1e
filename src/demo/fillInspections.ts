/** Marks the demo's checkpoints through the service: most cars are looked over whole, one only half. */
import { lookedAt, zonesFor, type Fitted, type Mark } from '#core/inspection/checkpoints.ts';
import type { Deps } from '#server/deps.ts';
import { savePast, settleProposals } from '#server/features/houseRules/houseRules.service.ts';
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

/** What is known of the past, and which proposals of the house rules were kept; the others were refused. */
const PASTS: Record<string, { stoodYears: number; tyreCode: string; kept?: string[] }> = {
  hearse: { stoodYears: 6, tyreCode: '0911' },
  drophead: { stoodYears: 4, tyreCode: '4112', kept: ['fuel', 'tyres', 'hoses', 'fluid'] },
};

async function askRules(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  { nickname, id }: { nickname: string; id: () => string },
): Promise<void> {
  const past = PASTS[nickname];
  if (!past) return;
  const stoodSince = Number(deps.clock.now().slice(0, 4)) - past.stoodYears;
  const { open } = await savePast(deps, who, buildId, { stoodSince, tyreCode: past.tyreCode, ownCar: false });
  if (!past.kept) return;
  const kept = open.filter((p) => past.kept!.includes(p.rule));
  await settleProposals(deps, who, buildId, {
    accept: kept.map(({ rule }) => ({ rule, id: id() })),
    refuse: open.filter((p) => !kept.includes(p)).map((p) => p.rule),
  });
}

export async function lookOver(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  { nickname, id }: { nickname: string; id: () => string },
): Promise<void> {
  const fitted: Fitted = { body: 'car', gas: false, highVoltage: false, ...FITTED[nickname] };
  await setFitted(deps, who, buildId, fitted);
  await askRules(deps, who, buildId, { nickname, id });
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
