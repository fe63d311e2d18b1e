/**
 * Compression: displacement and ratio as it stands and after skims, the gasket that gives ratio or quench back, the pushrod.
 *
 * Sources. Volumes and ratio: any engine textbook, as Heywood, Internal Combustion Engine Fundamentals (published). What skims,
 * gasket and cam do to volumes and to the valve train: derived. Quench 0.035 to 0.045 in with steel rods, limits on the ratio and
 * on preload: common practice; preload 0.020 to 0.060 in: from memory.
 */
import { CC_PER_IN3 } from './exact.ts';
import { choiceAt, countAt, inconsistent, isGiven, judged, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface CompressionRatioInput {
  bore_in: number;
  stroke_in: number;
  cylinders: number;
  chamber_cc: number;
  gasketBore_in: number;
  /** Compressed. */
  gasket_in: number;
  /** Above nothing: the piston stops below the deck. */
  deckClearance_in: number;
  /** A dome is below nothing; a dish and valve pockets are above. */
  pistonVolume_cc: number;
  headSkim_in?: number | null;
  deckSkim_in?: number | null;
  /** Open area of the chamber in the head's face; needed where the head is skimmed. */
  chamberFaceArea_in2?: number | null;
  newGasket_in?: number | null;
  quenchHead?: boolean | null;
  targetRatio?: number | null;
  pushrod?: {
    length_in: number;
    /** Solid ones run with lash, and have no preload to be judged. Hydraulic when absent, which is said. */
    tappets?: 'hydraulic' | 'solid' | null;
    /** Above nothing: the new cam has the smaller base circle. */
    baseCircleRadiusReduction_in?: number | null;
    /** Before the work; below nothing is lash. */
    presentPreload_in: number;
    preloadMin_in?: number | null;
    preloadMax_in?: number | null;
    preloadTarget_in?: number | null;
  } | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface CompressionRatioResult extends Judged {
  displacement_in3: number;
  displacement_cc: number;
  sweptPerCylinder_cc: number;
  clearanceVolume_cc: number;
  ratio: number;
  quench_in: number;
  after: {
    chamber_cc: number;
    clearanceVolume_cc: number;
    ratio: number;
    quench_in: number;
    deckClearance_in: number;
  };
  gasketToRestoreRatio_in: number;
  gasketToRestoreQuench_in: number;
  chamberForTarget_cc: number | null;
  pushrod: {
    shortening_in: number;
    preloadIfKept_in: number;
    newLength_in: number;
    changeForTarget_in: number;
  } | null;
}

/** Inches (common practice). */
/** Beyond the wanted preload by more than this a lifter bottoms (common practice). */

/** Common practice; a shop may put its own in their place. */
export const LIMITS = {
  quenchTouches_in: 0.03,
  quenchClose_in: 0.035,
  quenchWide_in: 0.05,
  ratioLow: 6,
  ratioHigh: 12.5,
  preloadOver_in: 0.04,
};

const circle = (diameter: number): number => (Math.PI / 4) * diameter ** 2;

function readPushrod(value: unknown) {
  const of = objectAt(value, 'pushrod');
  const at = (name: string, least: number, most: number, otherwise?: number): number =>
    numberAt(of[name], `pushrod.${name}`, { least, most, otherwise });
  const length = at('length_in', 2, 20);
  const smaller = at('baseCircleRadiusReduction_in', -0.2, 0.2, 0);
  const present = at('presentPreload_in', -0.3, 0.3);
  const least = at('preloadMin_in', 0, 0.2, 0.02);
  const most = at('preloadMax_in', 0, 0.2, 0.06);
  if (least > most) throw inconsistent('pushrod.preloadMin_in', 'above the most that is wanted');
  const tappets = isGiven(of.tappets)
    ? choiceAt(of.tappets, 'pushrod.tappets', ['hydraulic', 'solid'])
    : null;
  const isSolid = tappets === 'solid';
  return {
    tappets,
    length,
    smaller,
    present,
    least,
    most,
    target: at(
      'preloadTarget_in',
      isSolid ? -0.2 : 0,
      isSolid ? 0 : 0.2,
      isSolid ? present : (least + most) / 2,
    ),
  };
}

type Pushrod = ReturnType<typeof readPushrod>;

/** Lengths along the pushrod; its few degrees of tilt are neglected. */
function pushrodOf(p: Pushrod, skims_in: number, thicker_in: number) {
  const shortening_in = skims_in - thicker_in - p.smaller;
  const preloadIfKept_in = p.present + shortening_in;
  const newLength_in = p.length - shortening_in + (p.target - p.present);
  return { shortening_in, preloadIfKept_in, newLength_in, changeForTarget_in: newLength_in - p.length };
}

/** Of solid tappets only what holds a valve open is surely wrong; how much lash is right, the camshaft’s sheet says. */
const judgeLash = (preload: number): Reason[] => [
  preload > -SLACK
    ? {
        code: 'valve_held_open',
        level: 'fail',
        text: 'With the old pushrods no lash is left: the valve is held open, burns, and may meet the piston.',
      }
    : {
        code: 'lash_not_judged',
        level: 'watch',
        text: `With the old pushrods the lash is ${(-preload).toFixed(3)} in. It was not judged: set it to what the camshaft’s sheet says.`,
      },
];

function judgePreload(preload: number, pushrod: Pushrod, allowed: typeof LIMITS): Reason[] {
  if (pushrod.tappets === 'solid') return judgeLash(preload);
  const { least, most } = pushrod;
  const assumed: Reason[] =
    pushrod.tappets === null
      ? [
          {
            code: 'tappets_assumed',
            level: 'watch',
            text: 'Judged as hydraulic tappets: say whether they are.',
          },
        ]
      : [];
  return [...assumed, ...judgeHydraulic(preload, { least, most }, allowed)];
}

function judgeHydraulic(
  preload: number,
  { least, most }: Pick<Pushrod, 'least' | 'most'>,
  allowed: typeof LIMITS,
): Reason[] {
  if (preload >= least - SLACK && preload <= most + SLACK) return [];
  const isOut = preload < -SLACK || preload > most + allowed.preloadOver_in + SLACK;
  const text = `With the old pushrod the lifter is ${preload.toFixed(3)} in down; ${least} to ${most} in are wanted.`;
  return [{ code: 'preload', level: isOut ? 'fail' : 'watch', text }];
}

function judgeAfter(
  { quench_in, ratio }: CompressionRatioResult['after'],
  quenchHead: boolean,
  allowed: typeof LIMITS,
): Reason[] {
  const reasons: Reason[] = [];
  const quench = quench_in.toFixed(3);
  if (quench_in < allowed.quenchTouches_in - SLACK)
    reasons.push({
      ...{ code: 'quench_close', level: 'fail' as const },
      text: `The quench of ${quench} in is under ${allowed.quenchTouches_in}: the piston may touch the head.`,
    });
  else if (quenchHead && quench_in < allowed.quenchClose_in - SLACK)
    reasons.push({ code: 'quench_close', level: 'watch', text: `The quench of ${quench} in is close.` });
  else if (quenchHead && quench_in > allowed.quenchWide_in + SLACK)
    reasons.push({ code: 'quench_wide', level: 'watch', text: `The quench of ${quench} in is wide.` });
  if (ratio > allowed.ratioHigh + SLACK)
    reasons.push({ code: 'ratio_high', level: 'watch', text: `The ratio of ${ratio.toFixed(2)} is high.` });
  if (ratio < allowed.ratioLow - SLACK)
    reasons.push({ code: 'ratio_low', level: 'watch', text: `The ratio of ${ratio.toFixed(2)} is low.` });
  return reasons;
}

/** Works out displacement, ratio and quench, before the skims and after them, and what would give the old ones back. */
export function compressionRatio(input: CompressionRatioInput): CompressionRatioResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const at = (name: keyof CompressionRatioInput, least: number, most: number, otherwise?: number): number =>
    numberAt(input[name], name, { least, most, otherwise });
  const bore = at('bore_in', 1, 8);
  const stroke = at('stroke_in', 1, 8);
  const cylinders = countAt(input.cylinders, 'cylinders', 1, 16);
  const chamber = at('chamber_cc', 1, 400);
  const gasketBore = at('gasketBore_in', 1, 8.5);
  if (gasketBore < bore) throw inconsistent('gasketBore_in', 'smaller than the bore');
  const gasket = at('gasket_in', 0, 0.25);
  const deck = at('deckClearance_in', -0.15, 0.5);
  const piston = at('pistonVolume_cc', -150, 150);
  const headSkim = at('headSkim_in', 0, 0.25, 0);
  const deckSkim = at('deckSkim_in', 0, 0.25, 0);
  const face = at('chamberFaceArea_in2', 0.5, 60, headSkim > 0 ? undefined : 0);
  const newGasket = at('newGasket_in', 0, 0.25, gasket);
  const target = isGiven(input.targetRatio) ? at('targetRatio', 4, 20) : null;
  const rod = isGiven(input.pushrod) ? readPushrod(input.pushrod) : null;

  const [A, G] = [circle(bore), circle(gasketBore)];
  const swept = A * stroke * CC_PER_IN3;
  const clearanceOf = (ofChamber: number, ofGasket: number, ofDeck: number): number =>
    ofChamber + (G * ofGasket + A * ofDeck) * CC_PER_IN3 + piston;
  const ratioOf = (clearance: number): number => (swept + clearance) / clearance;
  const clearance = clearanceOf(chamber, gasket, deck);
  if (clearance <= 0) throw inconsistent('pistonVolume_cc', 'no room is left above the piston');
  const newChamber = chamber - face * headSkim * CC_PER_IN3;
  if (newChamber <= 0) throw inconsistent('headSkim_in', 'no chamber is left');
  const newDeck = deck - deckSkim;
  const newClearance = clearanceOf(newChamber, newGasket, newDeck);
  if (newClearance <= 0) throw inconsistent('deckSkim_in', 'no room is left above the piston');
  const after = {
    chamber_cc: newChamber,
    clearanceVolume_cc: newClearance,
    ratio: ratioOf(newClearance),
    quench_in: newDeck + newGasket,
    deckClearance_in: newDeck,
  };
  const pushrod = rod && pushrodOf(rod, headSkim + deckSkim, newGasket - gasket);
  const displacement_cc = swept * cylinders;
  return {
    displacement_in3: displacement_cc / CC_PER_IN3,
    displacement_cc,
    sweptPerCylinder_cc: swept,
    clearanceVolume_cc: clearance,
    ratio: ratioOf(clearance),
    quench_in: deck + gasket,
    after,
    gasketToRestoreRatio_in: gasket + (face * headSkim + A * deckSkim) / G,
    gasketToRestoreQuench_in: gasket + deckSkim,
    chamberForTarget_cc: target === null ? null : swept / (target - 1) - (newClearance - newChamber),
    pushrod,
    ...judged([
      ...judgeAfter(after, input.quenchHead ?? true, allowed),
      ...(rod && pushrod ? judgePreload(pushrod.preloadIfKept_in, rod, allowed) : []),
    ]),
  };
}
