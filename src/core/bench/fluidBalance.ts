/**
 * Fluid balance: whether what is too much in the sump, or missing from it, is what another circuit lost or took in.
 *
 * Sources. Coverage of two standard uncertainties, added by their squares: JCGM 100, GUM (published). The standard uncertainties
 * themselves, the even area of the sump, and what is to be tested next: common practice.
 */
import { choiceAt, inconsistent, isGiven, judged, listAt, numberAt, objectAt, SLACK, type Judged, type Reason } from './input.ts'; // prettier-ignore

const KINDS = ['coolant', 'automaticTransmission', 'powerSteering', 'fuel', 'other'] as const;
export type FluidKind = (typeof KINDS)[number];
const APPEARANCES = ['normal', 'milky', 'fuelSmell', 'red'] as const;

export interface FluidBalanceInput {
  /** The last fill that is known, with the filter. */
  sumpFill_l: number;
  /** Everything that was caught. */
  drained_l: number;
  /** What stays in galleries and filter. */
  residue_l?: number | null;
  /** Standard uncertainties. */
  uFill_l?: number | null;
  uDrained_l?: number | null;
  uResidue_l?: number | null;
  /** Litres that it takes to fill each; below nothing where it is over-full. */
  circuits?: { kind: FluidKind; shortage_l: number; u_l?: number | null }[] | null;
  appearance?: (typeof APPEARANCES)[number] | null;
  /** Before draining. */
  dipstick?: {
    aboveFull_mm: number;
    markSpacing_mm: number;
    litresBetweenMarks_l: number;
    u_l?: number | null;
  } | null;
}

export type FluidEvidence = 'none' | 'unexplained' | 'possible' | 'probable' | 'strong';

export interface FluidBalanceResult extends Judged {
  surplus_l: number;
  surplusU_l: number;
  significant: boolean;
  explainedBy: FluidKind[];
  unexplained_l: number;
  closureU_l: number;
  dipstick: { implied_l: number; predicted_mm: number; consistent: boolean } | null;
  evidence: FluidEvidence;
}

/** Coverage factor (GUM). */
const K = 2;

interface Circuit {
  kind: FluidKind;
  shortage: number;
  u: number;
}

function circuitsAt(value: unknown): Circuit[] {
  if (!isGiven(value)) return [];
  const seen = new Set<string>();
  return listAt(value, 'circuits', { least: 0, most: 6 }).map((one, i) => {
    const field = `circuits[${i}]`;
    const of = objectAt(one, `${field}.kind`);
    const kind = choiceAt(of.kind, `${field}.kind`, KINDS, undefined, 'out_of_range');
    if (seen.has(kind)) throw inconsistent(`${field}.kind`, 'it stands there twice');
    seen.add(kind);
    return {
      kind,
      shortage: numberAt(of.shortage_l, `${field}.shortage_l`, { least: -40, most: 40 }),
      u: numberAt(of.u_l, `${field}.u_l`, { least: 0.01, most: 5, otherwise: 0.2 }),
    };
  });
}

function dipstickAt(value: unknown) {
  if (!isGiven(value)) return null;
  const of = objectAt(value, 'dipstick');
  const at = (name: string, least: number, most: number, otherwise?: number): number =>
    numberAt(of[name], `dipstick.${name}`, {
      least,
      most,
      otherwise,
    });
  return {
    above: at('aboveFull_mm', -200, 300),
    spacing: at('markSpacing_mm', 3, 100),
    litres: at('litresBetweenMarks_l', 0.2, 5),
    u: at('u_l', 0.01, 3, 0.3),
  };
}

const rootSum = (us: readonly number[]): number => Math.sqrt(us.reduce((sum, u) => sum + u * u, 0));

interface Closure {
  circuits: readonly Circuit[];
  unexplained: number;
  /** Covered. */
  u: number;
}

const closureOf = (surplus: number, uSurplus: number, circuits: readonly Circuit[]): Closure => ({
  circuits,
  unexplained: surplus - circuits.reduce((sum, c) => sum + c.shortage, 0),
  u: K * rootSum([uSurplus, ...circuits.map((c) => c.u)]),
});

/** Of all sets of candidates that explain the surplus the smallest, then the one that leaves least; null where none does. */
function closing(surplus: number, uSurplus: number, candidates: readonly Circuit[]): Closure | null {
  const sets = Array.from({ length: 2 ** candidates.length - 1 }, (_, n) =>
    candidates.filter((_c, i) => ((n + 1) >> i) % 2 === 1),
  );
  const closes = sets
    .map((set) => closureOf(surplus, uSurplus, set))
    .filter((c) => Math.abs(c.unexplained) <= c.u + SLACK);
  closes.sort(
    (a, b) => a.circuits.length - b.circuits.length || Math.abs(a.unexplained) - Math.abs(b.unexplained),
  );
  return closes[0] ?? null;
}

interface Outcome {
  code: string;
  level: Reason['level'];
  evidence: FluidEvidence;
  text: string;
}

const NEXT = 'Equal volumes are evidence, not proof; do not run the engine before the next test.';
const WHERE: Record<FluidKind, string> = {
  coolant:
    'head gasket, a cracked head or block, the timing-cover or intake gasket, an oil cooler: let it settle and draw the water off first, pressure-test cold, leak-down with an eye on the filler neck, test for combustion gas, have the oil analysed',
  automaticTransmission: 'its front seal or the cooler in the radiator: look for oil in the coolant too',
  powerSteering: 'its pump or cooler',
  fuel: 'pump diaphragm, float or injector: smell the crankcase, have the flash point tested, take the pump off',
  other: 'its seals and coolers',
};
const RED = ' It is red, as transmission fluid is.';

function outcomeOf(
  surplus: number,
  isSignificant: boolean,
  candidates: readonly Circuit[],
  circuits: readonly Circuit[],
  closed: Closure | null,
  isConsistent: boolean,
  appearance: (typeof APPEARANCES)[number],
): Outcome {
  const as = (code: string, level: Reason['level'], evidence: FluidEvidence, text: string): Outcome => ({
    ...{ code, level, evidence },
    text: `${text} ${NEXT}${appearance === 'red' ? RED : ''}`,
  });
  const litres = `${Math.abs(surplus).toFixed(1)} l`;
  if (!isSignificant) {
    const isOff = (sign: number) => (c: Circuit) => Math.abs(c.shortage) > K * c.u + SLACK && Math.sign(c.shortage) === sign;
    if (circuits.some(isOff(1)))
      return as('lost_elsewhere', 'watch', 'unexplained', 'Another circuit is short, and it is not in the sump.');
    if (circuits.some(isOff(-1)))
      return as('circuit_overfull', 'watch', 'unexplained', 'Another circuit is over-full, and the sump has not lost it.');
    return { code: 'no_transfer', level: 'info', evidence: 'none', text: 'What came out is what went in.' };
  }
  if (closed) {
    const evidence = isConsistent ? 'strong' : 'probable';
    const kinds = closed.circuits.map((c) => WHERE[c.kind]).join('; ');
    return surplus > 0
      ? as('transfer_closes', 'fail', evidence, `The ${litres} too much are what is missing elsewhere: ${kinds}.`)
      : as('oil_in_other_circuit', 'fail', evidence, `The ${litres} that are missing are too much elsewhere: ${kinds}.`);
  }
  if (candidates.length > 0) {
    const all = Math.abs(candidates.reduce((sum, c) => sum + c.shortage, 0));
    return Math.abs(surplus) < all
      ? as('partial_loss', 'fail', 'possible', `The sump has ${litres} of what is missing elsewhere; the rest went another way. Do not run it.`)
      : as('partial_surplus', 'fail', 'possible', `The ${litres} in the sump are more than what is missing elsewhere. Do not run it.`);
  }
  if (surplus > 0 && appearance === 'fuelSmell')
    return as('fuel_dilution', 'fail', 'possible', `There are ${litres} too much, and they smell of fuel: ${WHERE.fuel}.`);
  return surplus > 0
    ? as('surplus_unexplained', 'watch', 'unexplained', `There are ${litres} too much: overfilled, another capacity, another dipstick?`)
    : as('oil_missing', 'watch', 'unexplained', `There are ${litres} missing: leaked, burnt, another filter?`);
} // prettier-ignore

/** Weighs what came out of the sump against what went in, and against what other circuits lack. */
export function fluidBalance(input: FluidBalanceInput): FluidBalanceResult {
  const at = (name: keyof FluidBalanceInput, least: number, most: number, otherwise?: number): number =>
    numberAt(input[name], name, { least, most, otherwise });
  const fill = at('sumpFill_l', 0.5, 30);
  const drained = at('drained_l', 0, 60);
  const residue = at('residue_l', 0, 3, 0.3);
  const uSurplus = rootSum([at('uFill_l', 0.01, 3, 0.25), at('uDrained_l', 0.01, 3, 0.1), at('uResidue_l', 0, 3, 0.15)]); // prettier-ignore
  const circuits = circuitsAt(input.circuits);
  const appearance = choiceAt(input.appearance, 'appearance', APPEARANCES, 'normal', 'out_of_range');
  const stick = dipstickAt(input.dipstick);

  const surplus = drained + residue - fill;
  const significant = Math.abs(surplus) > K * uSurplus + SLACK;
  const candidates = significant
    ? circuits.filter(
        (c) => Math.abs(c.shortage) > K * c.u + SLACK && Math.sign(c.shortage) === Math.sign(surplus),
      )
    : [];
  const closed = closing(surplus, uSurplus, candidates);
  const shown = closed ?? closureOf(surplus, uSurplus, candidates);
  const implied = stick && (stick.above * stick.litres) / stick.spacing;
  const dipstick =
    stick === null || implied === null
      ? null
      : {
          implied_l: implied,
          predicted_mm: (surplus * stick.spacing) / stick.litres,
          consistent: Math.abs(implied - surplus) <= K * rootSum([uSurplus, stick.u]) + SLACK,
        };
  const { evidence, ...outcome } = outcomeOf(
    surplus,
    significant,
    candidates,
    circuits,
    closed,
    dipstick?.consistent === true,
    appearance,
  );
  const reasons: Reason[] = [outcome];
  if (dipstick && !dipstick.consistent)
    reasons.push({ code: 'dipstick_mismatch', level: 'watch', text: 'The dipstick says otherwise: look at its marks, and whether the car stood level.' }); // prettier-ignore
  if (appearance === 'milky' && closed === null)
    reasons.push({ code: 'milky', level: 'watch', text: 'It is milky: there is water in it, wherever that comes from.' }); // prettier-ignore
  return {
    surplus_l: surplus,
    surplusU_l: K * uSurplus,
    significant,
    explainedBy: closed ? closed.circuits.map((c) => c.kind) : [],
    unexplained_l: shown.unexplained,
    closureU_l: shown.u,
    dipstick,
    evidence,
    ...judged(reasons),
  };
}
