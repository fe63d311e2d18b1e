/**
 * Big ends: whether a connecting rod's housing is round and of its size, what is cut off its faces to close it, what oil its bearing
 * will leak.
 *
 * Sources. A cut c off the two faces shortens a diameter at φ from the rod's axis by c·cos φ, and the centre moves by half of it:
 * derived, checked with two displaced half circles. Clearance 0.00075 to 0.0010 of the journal: engine-bearing makers' handbooks
 * (from memory). Leakage goes with the cube of the clearance: Reynolds and Poiseuille, as in Cameron, Principles of Lubrication
 * (published). Limits on ovality, stock and depth of a cut: common practice.
 */
import { rad } from './exact.ts';
import { inconsistent, isGiven, judged, listAt, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface BigEndInput {
  housingMin_in: number;
  housingMax_in: number;
  /** From the rod's axis, −90 to 90. */
  readings: { angle_deg: number; dia_in: number }[];
  outOfRoundLimit_in?: number | null;
  finish_in?: number | null;
  /** On diameter. */
  honeStock_in?: number | null;
  maxCutPerFace_in?: number | null;
  /** Of the cut, what the cap's face gives. */
  capShare?: number | null;
  oil?: { shellThickness_in: number; journal_in: number; housing_in?: number | null } | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface BigEndResult extends Judged {
  outOfRound_in: number;
  /** Of the largest reading over the largest that is allowed; may be below nothing. */
  oversize_in: number;
  decision: 'use' | 'hone' | 'resize' | 'reject';
  finish_in: number;
  totalCut_in: number;
  capCut_in: number;
  rodCut_in: number;
  afterCut_in: number[];
  ctcChange_in: number;
  ctcChangeFixture_in: number;
  centreToCap_in: number;
  oil: {
    housing_in: number;
    clearance_in: number;
    min_in: number;
    max_in: number;
    relativeLeakage: number;
  } | null;
}

interface Reading {
  angle: number;
  dia: number;
}

/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = {
  oilLeast: 0.00075,
  oilMost: 0.001,
  oilMiddle: 0.000875,
  oilBearable: 0.0005,
  oilOver_in: 0.0005,
};

const AXIAL_DEG = 10;
/** Beyond this a cut changes a diameter too little to count on. */
const SIDE_DEG = 60;
/** Of the journal. */

const cosOf = (degrees: number): number => Math.cos(rad(degrees));

function readingsAt(value: unknown, min: number, max: number): Reading[] {
  const readings = listAt(value, 'readings', { least: 2, most: 24 }).map((one, i) => {
    const of = objectAt(one, `readings[${i}].angle_deg`);
    return {
      angle: numberAt(of.angle_deg, `readings[${i}].angle_deg`, { least: -90, most: 90 }),
      dia: numberAt(of.dia_in, `readings[${i}].dia_in`, { least: 0.97 * min, most: 1.03 * max }),
    };
  });
  if (!readings.some((r) => Math.abs(r.angle) <= AXIAL_DEG))
    throw inconsistent('readings', 'none is along the rod');
  return readings;
}

function oilOf(
  value: unknown,
  finish: number,
  allowed: typeof LIMITS,
): { oil: BigEndResult['oil']; reasons: Reason[] } {
  if (!isGiven(value)) return { oil: null, reasons: [] };
  const of = objectAt(value, 'oil');
  const shell = numberAt(of.shellThickness_in, 'oil.shellThickness_in', { least: 0.02, most: 0.3 });
  const journal = numberAt(of.journal_in, 'oil.journal_in', { least: 0.5, most: 5 });
  const housing = numberAt(of.housing_in, 'oil.housing_in', { least: 0.8, most: 5, otherwise: finish });
  const clearance = housing - 2 * shell - journal;
  const [least, most] = [allowed.oilLeast * journal, allowed.oilMost * journal];
  const relativeLeakage = clearance <= 0 ? 0 : (clearance / (allowed.oilMiddle * journal)) ** 3;
  const oil = { housing_in: housing, clearance_in: clearance, min_in: least, max_in: most, relativeLeakage };
  const text = `The clearance is ${clearance.toFixed(4)} in; ${least.toFixed(4)} to ${most.toFixed(4)} in are wanted. It leaks ${relativeLeakage.toFixed(1)} times as much as in the middle.`;
  if (clearance <= 0)
    return { oil, reasons: [{ code: 'interference', level: 'fail', text: 'The journal does not go in.' }] };
  if (clearance >= least - SLACK && clearance <= most + SLACK) return { oil, reasons: [] };
  const isBearable =
    clearance >= allowed.oilBearable * journal - SLACK &&
    clearance <= allowed.oilMost * journal + allowed.oilOver_in + SLACK;
  return { oil, reasons: [{ code: 'oil_clearance', level: isBearable ? 'watch' : 'fail', text }] };
}

/** Judges a housing by its readings, and works out the cut that closes it. */
export function bigEnd(input: BigEndInput): BigEndResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const least = numberAt(input.housingMin_in, 'housingMin_in', { least: 0.8, most: 5 });
  const most = numberAt(input.housingMax_in, 'housingMax_in', { least: 0.8, most: 5 });
  if (least > most) throw inconsistent('housingMin_in', 'above the largest');
  const readings = readingsAt(input.readings, least, most);
  const limit = numberAt(input.outOfRoundLimit_in, 'outOfRoundLimit_in', {
    least: 0,
    most: 0.01,
    otherwise: 0.0005,
  });
  const target = numberAt(input.finish_in, 'finish_in', { least, most, otherwise: (least + most) / 2 });
  const stock = numberAt(input.honeStock_in, 'honeStock_in', { least: 0, most: 0.005, otherwise: 0.001 });
  const deepest = numberAt(input.maxCutPerFace_in, 'maxCutPerFace_in', {
    least: 0,
    most: 0.02,
    otherwise: 0.005,
  });
  const capShare = numberAt(input.capShare, 'capShare', { least: 0, most: 1, otherwise: 0.5 });

  const dias = readings.map((r) => r.dia);
  const [max, min] = [Math.max(...dias), Math.min(...dias)];
  const outOfRound = max - min;
  const axial = readings.filter((r) => Math.abs(r.angle) <= AXIAL_DEG).map((r) => r.dia);
  const isRound = outOfRound <= limit + SLACK;
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  let decision: BigEndResult['decision'];
  let finish = target;
  let cut = 0;
  if (isRound && min >= least - SLACK && max <= most + SLACK) {
    decision = 'use';
    finish = axial.reduce((sum, d) => sum + d, 0) / axial.length;
  } else {
    if (!isRound) say('out_of_round', 'watch', `It is out of round by ${outOfRound.toFixed(4)} in; ${limit} in are allowed.`); // prettier-ignore
    if (max <= most + SLACK) {
      decision = 'hone';
      finish = Math.max(target, max);
      say('hone', 'watch', `Hone it to ${finish.toFixed(4)} in.`);
    } else {
      say('oversize', 'watch', `It is ${(max - most).toFixed(4)} in over its largest.`);
      cut = Math.max(
        0,
        ...readings
          .filter((r) => Math.abs(r.angle) <= SIDE_DEG)
          .map((r) => (r.dia - (target - stock)) / cosOf(r.angle)),
      );
      const isWide = readings.some((r) => Math.abs(r.angle) > SIDE_DEG && r.dia > most + SLACK);
      const isDeep = Math.max(capShare, 1 - capShare) * cut > deepest + SLACK;
      if (isWide)
        say('sides_too_wide', 'fail', 'It is too wide along the parting line, which no cut closes.');
      if (isDeep) say('cut_too_deep', 'fail', `A face would lose more than ${deepest} in.`);
      decision = isWide || isDeep ? 'reject' : 'resize';
      if (decision === 'resize') say('resize', 'watch', `Take ${cut.toFixed(4)} in off the faces and hone it to ${target.toFixed(4)} in.`); // prettier-ignore
    }
  }
  const capCut = cut * capShare;
  const rodCut = cut - capCut;
  const { oil, reasons: ofOil } = oilOf(input.oil, finish, allowed);
  return {
    outOfRound_in: outOfRound,
    oversize_in: max - most,
    decision,
    finish_in: finish,
    totalCut_in: cut,
    capCut_in: capCut,
    rodCut_in: rodCut,
    afterCut_in: readings.map((r) => r.dia - cut * cosOf(r.angle)),
    ctcChange_in: -cut / 2,
    ctcChangeFixture_in: -rodCut,
    centreToCap_in: (rodCut - capCut) / 2,
    oil,
    ...judged([...reasons, ...ofOil]),
  };
}
