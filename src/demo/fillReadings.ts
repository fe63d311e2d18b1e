/** What was measured on the demo's cars when they came in, through the service. */
import type { ReadingPutDto } from '#contract/bench.ts';
import type { Deps } from '#server/deps.ts';
import { putReading } from '#server/features/bench/bench.service.ts';
import type { SignedIn } from '#server/http/session.ts';

type Taken = Pick<ReadingPutDto, 'calculator' | 'input' | 'what' | 'moment' | 'instrument' | 'loaded'>;
const plain = { what: '', moment: '', loaded: '' } as const;

/** By nickname. */
const TAKEN: Record<string, Taken[]> = {
  'ice-cream van': [
    {
      ...plain,
      calculator: 'cylinderTests',
      instrument: 'pressure gauge',
      input: {
        dry_psi: [128, 126, 84, 82],
        wet_psi: [null, null, 87, 85],
        banks: [[1, 2, 3, 4]],
        warm: true,
      },
    },
  ],
  charabanc: [
    {
      ...plain,
      calculator: 'driveline',
      moment: 'before',
      loaded: 'unloaded',
      instrument: 'inclinometer',
      input: { trans_deg: 3.5, shaft_deg: 7.5, pinion_deg: 1, shaftMax_rpm: 2800, wrap_deg: 1 },
    },
  ],
  'rally car': [
    {
      ...plain,
      calculator: 'cornerWeights',
      loaded: 'loaded',
      instrument: 'four scales',
      input: { lf_kg: 248, rf_kg: 231, lr_kg: 212, rr_kg: 226 },
    },
  ],
  'milk float': [
    {
      ...plain,
      calculator: 'isolation',
      instrument: 'insulation meter',
      input: { workingVoltage_V: 72, bus: 'dc', method: 'direct', rPos_ohm: 41_000, rNeg_ohm: 9200 },
    },
  ],
};

/** Ids of their own count, so that what else is in the demo keeps its ids whatever is measured. */
let made = 0;
function nextId(): string {
  made += 1;
  return `019d0000-0000-7000-9000-${made.toString(16).padStart(12, '0')}`;
}

export async function measure(deps: Deps, who: SignedIn, buildId: string, nickname: string): Promise<void> {
  for (const taken of TAKEN[nickname] ?? []) {
    const id = nextId();
    await putReading(deps, who, buildId, id, { ...taken, entryId: nextId(), forCustomer: false });
  }
}
