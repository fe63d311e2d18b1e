/**
 * Bore survey: wear of cylinders by height and direction, and whether they are honed, bored to an oversize, or sleeved. All on
 * diameter.
 *
 * Sources. Taper, out-of-round and wear: any engine-rebuilding textbook or shop manual (published in kind). A bar that is centred on
 * the old axis must cut twice the one-sided wear: derived. Limits of taper 0.005 and out-of-round 0.003 in: US shop manuals of the
 * 1950s to 70s (from memory). What is left to hone, the clean-up, pistons in hand before boring: common practice.
 */
import { inconsistent, isGiven, judged, listAt, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface BoreLevel {
  thrust_in: number;
  axial_in: number;
}

export interface BoreSurveyInput {
  nominal_in: number;
  cylinders: { top: BoreLevel; middle: BoreLevel; bottom: BoreLevel }[];
  oversizes_in: number[];
  /** What the wall allows. */
  maxOversize_in?: number | null;
  honeAllowance_in?: number | null;
  cleanupHone_in?: number | null;
  taperLimit_in?: number | null;
  outOfRoundLimit_in?: number | null;
  pistonClearance_in: { min: number; max: number };
  existingPiston_in?: number | null;
  /** As measured, by cylinder; none: not in hand. */
  newPistons_in?: number[] | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface BoreSurveyResult extends Judged {
  cylinders: { taper_in: number; outOfRound_in: number; max_in: number; min_in: number; wear_in: number }[];
  /** From 1; the first with the largest reading. */
  worstCylinder: number;
  maxDiameter_in: number;
  worstTaper_in: number;
  worstOutOfRound_in: number;
  decision: 'hone' | 'bore' | 'sleeve';
  oversize_in: number | null;
  targetBore_in: number | null;
  honeClearance_in: number;
  boringAllowed: boolean;
  boreBarTo_in: number[] | null;
  finishHoneTo_in: number[] | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { below_in: 0.002, pistonOff_in: 0.003 };

const LEVELS = ['top', 'middle', 'bottom'] as const;
/** A reading further below nominal than this is of the gauge, not of the bore (common practice). */
/** A piston may differ from its catalogue size by this (common practice). */

function cylinderAt(value: unknown, field: string, nominal: number) {
  const levels = LEVELS.map((level) => {
    const of = isGiven(value) ? (value as Record<string, unknown>)[level] : undefined;
    const at = (name: keyof BoreLevel): number =>
      numberAt((of as Record<string, unknown> | null | undefined)?.[name], `${field}.${level}.${name}`, {
        least: nominal * 0.95,
        most: nominal * 1.05,
      });
    return { thrust: at('thrust_in'), axial: at('axial_in') };
  });
  const spread = (all: readonly number[]): number => Math.max(...all) - Math.min(...all);
  const all = levels.flatMap((l) => [l.thrust, l.axial]);
  const max = Math.max(...all);
  return {
    taper_in: Math.max(spread(levels.map((l) => l.thrust)), spread(levels.map((l) => l.axial))),
    outOfRound_in: Math.max(...levels.map((l) => Math.abs(l.thrust - l.axial))),
    max_in: max,
    min_in: Math.min(...all),
    wear_in: max - nominal,
  };
}

type Cylinder = ReturnType<typeof cylinderAt>;

function pistonsAt(value: unknown, nominal: number, cylinders: number): number[] | null {
  if (!isGiven(value)) return null;
  const pistons = listAt(value, 'newPistons_in', { least: 0, most: 16 }).map((p, i) =>
    numberAt(p, `newPistons_in[${i}]`, { least: nominal * 0.95, most: nominal * 1.07 }),
  );
  if (pistons.length === 0) return null;
  if (pistons.length !== cylinders) throw inconsistent('newPistons_in', 'one for each cylinder');
  return pistons;
}

interface Boring {
  target: number;
  cylinders: readonly Cylinder[];
  pistons: readonly number[] | null;
  clearance: number;
  allowance: number;
  /** How far a piston may be off its oversize. */
  pistonOff_in: number;
}

/** What each bore is brought to, once the pistons are in hand and measured. */
function boringOf({ target, cylinders, pistons, clearance, allowance, pistonOff_in }: Boring) {
  if (pistons === null)
    return {
      ...{ boringAllowed: false, boreBarTo_in: null, finishHoneTo_in: null },
      reasons: [
        {
          ...{ code: 'pistons_not_in_hand', level: 'watch' as const },
          text: 'Do not bore before the new pistons are in hand and measured.',
        },
      ] as Reason[],
    };
  const finish = pistons.map((p) => p + clearance);
  const bar = finish.map((f) => f - allowance);
  const reasons: Reason[] = [];
  const mismatched = finish.findIndex((f) => Math.abs(f - target) > pistonOff_in + SLACK);
  if (mismatched >= 0)
    reasons.push({ code: 'piston_size_mismatch', level: 'fail', text: `Piston ${mismatched + 1} is not of this oversize.` }); // prettier-ignore
  const rough = bar.findIndex((b, i) => b < cylinders[i]!.max_in - SLACK);
  if (rough >= 0)
    reasons.push({ code: 'will_not_clean_up', level: 'fail', text: `The bar would not clean up cylinder ${rough + 1}.` }); // prettier-ignore
  return { boringAllowed: reasons.length === 0, boreBarTo_in: bar, finishHoneTo_in: finish, reasons };
}

/** Judges the cylinders of a block together: all get the same size. */
export function boreSurvey(input: BoreSurveyInput): BoreSurveyResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const nominal = numberAt(input.nominal_in, 'nominal_in', { least: 1, most: 8 });
  const cylinders = listAt(input.cylinders, 'cylinders', { least: 1, most: 16 }).map((c, i) =>
    cylinderAt(c, `cylinders[${i}]`, nominal),
  );
  const oversizes = listAt(input.oversizes_in, 'oversizes_in', { least: 1, most: 20 })
    .map((o, i) => numberAt(o, `oversizes_in[${i}]`, { least: 0.0005, most: 0.25 }))
    .sort((a, b) => a - b);
  const at = (name: keyof BoreSurveyInput, most: number, otherwise: number): number =>
    numberAt(input[name], name, { least: 0, most, otherwise });
  const largest = at('maxOversize_in', 0.25, oversizes.at(-1)!);
  const allowance = at('honeAllowance_in', 0.02, 0.003);
  const cleanup = at('cleanupHone_in', 0.005, 0.0005);
  const taperLimit = at('taperLimit_in', 0.02, 0.005);
  const roundLimit = at('outOfRoundLimit_in', 0.02, 0.003);
  const fit = objectAt(input.pistonClearance_in, 'pistonClearance_in.min');
  const clearance = {
    min: numberAt(fit.min, 'pistonClearance_in.min', { least: 0, most: 0.02 }),
    max: numberAt(fit.max, 'pistonClearance_in.max', { least: 0, most: 0.02 }),
  };
  if (clearance.min > clearance.max) throw inconsistent('pistonClearance_in', 'the least is above the most');
  const piston = isGiven(input.existingPiston_in)
    ? numberAt(input.existingPiston_in, 'existingPiston_in', { least: nominal * 0.95, most: nominal * 1.05 })
    : nominal - clearance.min;
  const pistons = pistonsAt(input.newPistons_in, nominal, cylinders.length);

  const max = Math.max(...cylinders.map((c) => c.max_in));
  const taper = Math.max(...cylinders.map((c) => c.taper_in));
  const outOfRound = Math.max(...cylinders.map((c) => c.outOfRound_in));
  const honeClearance = max + cleanup - piston;
  const reasons: Reason[] = [];
  const watch = (code: string, text: string): number => reasons.push({ code, level: 'watch', text });
  if (cylinders.some((c) => c.min_in < nominal - allowed.below_in - SLACK))
    watch('reading_below_nominal', 'A reading is below nominal: the gauge was not zeroed, or another nominal is meant.'); // prettier-ignore
  const isTaper = taper > taperLimit + SLACK;
  const isOval = outOfRound > roundLimit + SLACK;
  const isLoose = honeClearance > clearance.max + SLACK;
  let decision: BoreSurveyResult['decision'] = 'hone';
  let oversize: number | null = null;
  let boring: Omit<ReturnType<typeof boringOf>, 'reasons'> = { boringAllowed: false, boreBarTo_in: null, finishHoneTo_in: null }; // prettier-ignore
  if (isTaper || isOval || isLoose) {
    if (isTaper) watch('taper', `Taper ${taper.toFixed(4)} in; ${taperLimit} in are allowed.`);
    if (isOval)
      watch('out_of_round', `Out of round ${outOfRound.toFixed(4)} in; ${roundLimit} in are allowed.`);
    if (isLoose) watch('clearance', `Honed, the piston would have ${honeClearance.toFixed(4)} in; ${clearance.max} in are allowed.`); // prettier-ignore
    const fits = (cut: number): number | undefined =>
      oversizes.find((o) => o <= largest + SLACK && nominal + o >= nominal + cut + allowance - SLACK);
    oversize = fits(max - nominal) ?? null;
    decision = oversize === null ? 'sleeve' : 'bore';
    if (oversize === null)
      reasons.push({ code: 'sleeve', level: 'fail', text: 'No oversize that the wall allows cleans it up: sleeve it.' }); // prettier-ignore
    else {
      watch('bore', `Bore all of them to ${oversize} in over.`);
      // Wear is one-sided: on the old axis the bar must cut it twice.
      const centred = fits(2 * (max - nominal));
      if (centred === undefined || centred > oversize + SLACK)
        watch('one_sided_wear_check', 'Offset the bar to the worn bore, or take the next size.');
      const { reasons: of, ...bars } = boringOf({
        pistonOff_in: allowed.pistonOff_in,
        ...{ target: nominal + oversize, cylinders, pistons, allowance },
        clearance: (clearance.min + clearance.max) / 2,
      });
      boring = bars;
      reasons.push(...of);
    }
  }
  return {
    cylinders,
    worstCylinder: cylinders.findIndex((c) => c.max_in === max) + 1,
    maxDiameter_in: max,
    worstTaper_in: taper,
    worstOutOfRound_in: outOfRound,
    decision,
    oversize_in: oversize,
    targetBore_in: oversize === null ? null : nominal + oversize,
    honeClearance_in: honeClearance,
    ...boring,
    ...judged(reasons),
  };
}
