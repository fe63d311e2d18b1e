/**
 * The fuse of a circuit: large enough for its load, small enough for its wire.
 *
 * Sources. Ratings of blade fuses: ISO 8820-3 (published; the larger ones 8820-4 and -5, from memory). What thin-wall cable carries,
 * the load at most 80 % of a fuse: common practice.
 */
import { InputError, isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface FuseChoiceInput {
  load_A: number;
  /** The wire, or what it may carry. */
  wire_mm2?: number | null;
  ampacity_A?: number | null;
  loadFactor?: number | null;
  bundleFactor?: number | null;
  fitted_A?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface FuseChoiceResult extends Judged {
  /** In its bundle. */
  ampacity_A: number;
  minFuse_A: number;
  maxFuse_A: number | null;
  chosenFuse_A: number | null;
  minimumWire_mm2: number | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { near: 0.8 };

/** Square millimetres and amperes (common practice). */
const CARRIES: readonly [number, number][] = [
  [0.5, 11], [0.75, 14], [1, 16.5], [1.5, 21], [2, 25], [2.5, 29], [3, 33], [4, 39], [6, 50], [10, 70],
]; // prettier-ignore
const FUSES_A = [
  1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40, 50, 60, 70, 80, 100, 125, 150, 175, 200, 225, 250, 275, 300,
];

function ampacityOf({ wire_mm2, ampacity_A }: FuseChoiceInput): number {
  if (isGiven(ampacity_A)) return numberAt(ampacity_A, 'ampacity_A', { above: 0, most: 1000 });
  const wire = numberAt(wire_mm2, 'wire_mm2', { least: 0.5, most: 1000 });
  if (wire > 10 + SLACK)
    throw new InputError('ampacity_A', 'missing', 'ampacity_A: over 10 mm² say what the wire may carry');
  return CARRIES.findLast(([area]) => area <= wire + SLACK)![1];
}

/** Chooses the fuse of a circuit, and judges the one that is fitted. */
export function fuseChoice(input: FuseChoiceInput): FuseChoiceResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const load = numberAt(input.load_A, 'load_A', { above: 0, most: 300 });
  const alone = ampacityOf(input);
  const loadFactor = numberAt(input.loadFactor, 'loadFactor', { above: 0, most: 1, otherwise: 0.8 });
  const bundle = numberAt(input.bundleFactor, 'bundleFactor', { above: 0, most: 1, otherwise: 1 });
  const fitted = isGiven(input.fitted_A)
    ? numberAt(input.fitted_A, 'fitted_A', { above: 0, most: 1000 })
    : null;
  const ampacity = alone * bundle;
  const minFuse = FUSES_A.find((f) => f >= load / loadFactor - SLACK);
  if (minFuse === undefined)
    throw new InputError('load_A', 'out_of_range', 'load_A is more than the largest fuse is for');
  const maxFuse = FUSES_A.findLast((f) => f <= ampacity + SLACK) ?? null;
  const chosen = maxFuse !== null && minFuse <= maxFuse ? minFuse : null;
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  if (chosen === null)
    say('wire_too_thin_for_fuse', 'fail', `A fuse of ${minFuse} A would not protect this wire.`);
  else if (load > allowed.near * ampacity + SLACK)
    say('wire_near_limit', 'watch', 'The wire carries nearly all that it may.');
  if (fitted !== null) {
    if (fitted > ampacity + SLACK)
      say('fitted_fuse_does_not_protect_wire', 'fail', 'The fuse that is fitted lets the wire burn.');
    if (fitted < load - SLACK) say('fitted_fuse_below_load', 'fail', 'The fuse that is fitted blows.');
    else if (fitted < load / loadFactor - SLACK)
      say('fitted_fuse_will_age', 'watch', 'The fuse that is fitted will age.');
  }
  return {
    ampacity_A: ampacity,
    minFuse_A: minFuse,
    maxFuse_A: maxFuse,
    chosenFuse_A: chosen,
    minimumWire_mm2: CARRIES.find(([, carries]) => carries * bundle >= minFuse - SLACK)?.[0] ?? null,
    ...judged(reasons),
  };
}
