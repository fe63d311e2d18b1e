/**
 * Driveline: angles of universal joints, whether they cancel, what they shake, and the wedge and shim that put it right.
 *
 * Sources. Joint kinematics, ω²θ², phasing, the equivalent angle in one plane: SAE AE-7, Universal Joint and Driveshaft Design
 * Manual (published); in two planes derived, checked against exact joint kinematics. At least half a degree, so that needles roll:
 * Spicer (published). Limits of 300 and 1000 rad/s², the angle by speed, 1° of difference: Dana Spicer driveline literature (from
 * memory). 3°, 0.5° of difference: common practice. Movement of the shaft with its ends: derived.
 */
import { deg, rad } from './exact.ts';
import { choiceAt, inconsistent, InputError, isGiven, judged, listAt, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore
import { anglesOf, type Member } from './joints.ts';

/** Inclinometer along a member: above nothing, its rear end is the lower one. */
export interface DrivelineInput {
  trans_deg: number;
  shaft_deg: number;
  pinion_deg: number;
  /** Front shaft of a two-piece line. */
  coupling_deg?: number | null;
  shaftMax_rpm: number;
  /** How far the nose of the pinion rises under drive. */
  wrap_deg?: number | null;
  couplingYokes?: 'inPhase' | 'crossed' | null;
  /** Seen from above: above nothing, the rear end is further right. */
  plan?: {
    trans_deg: number;
    coupling_deg?: number | null;
    shaft_deg: number;
    pinion_deg: number;
  } | null;
  geometry?: {
    shaftLength_mm: number;
    /** From the axle's centre to the joint. */
    pinionOffset_mm: number;
    outputFromPivot_mm?: number | null;
  } | null;
  solve?: {
    wedgeStock_deg: number[];
    /** Above nothing it raises the tail. */
    mountShims_mm?: number[] | null;
    /** From engine mount to tail mount; needed with shims. */
    mountBase_mm?: number | null;
    /** Above nothing it lifts the nose. */
    existingWedges_deg?: number[] | null;
  } | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface DrivelineSolution {
  removed_deg: number[];
  wedge_deg: number;
  shim_mm: number;
  changes: number;
  jointAngles_deg: number[];
  difference_deg: number;
  feasibleCount: number;
  differenceLimitUsed_deg: number;
  /** What is looked at once it is in. */
  note: string;
}

export interface DrivelineResult extends Judged {
  /** Under drive, front to rear. */
  jointAngles_deg: number[];
  restJointAngles_deg: number[];
  arrangement: 'parallel' | 'brokenBack' | 'straight';
  difference_deg: number;
  equivalentAngle_deg: number;
  torsional_rad_s2: number;
  inertialDrive_rad_s2: number;
  inertialCoast_rad_s2: number;
  maxAngleAtRpm_deg: number;
  solution: DrivelineSolution | null;
}

/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = {
  needles_deg: 0.5,
  low_deg: 1,
  high_deg: 3,
  torsional_rad_s2: 300,
  inertial_rad_s2: 1000,
  differenceWatch_deg: 0.5,
  differenceFail_deg: 1,
};

/** Said with every solution. */
const WEDGE_NOTE =
  'Which way round a wedge lifts the nose depends on whether the axle lies above its springs or below them: look at the angle again once it is in.';

/** Largest angle by speed (from memory: Dana Spicer installation table). */
const BY_RPM: readonly [number, number][] = [
  [1500, 11.5], [2000, 8 + 40 / 60], [2500, 7], [3000, 5 + 50 / 60],
  [3500, 5], [4000, 4.25], [4500, 3 + 40 / 60], [5000, 3.25],
]; // prettier-ignore

function maxAngleAt(rpm: number): number {
  const [last, angle] = BY_RPM.at(-1)!;
  if (rpm > last) return (last * angle) / rpm;
  const i = BY_RPM.findIndex(([at]) => rpm <= at);
  const [to, toAngle] = BY_RPM[i]!;
  const from = BY_RPM[i - 1];
  if (!from) return toAngle;
  return from[1] + ((toAngle - from[1]) * (rpm - from[0])) / (to - from[0]);
}

interface Read {
  trans: number;
  shaft: number;
  pinion: number;
  coupling: number | null;
  rpm: number;
  wrap: number;
  crossed: boolean;
  plan: { trans: number; coupling: number; shaft: number; pinion: number };
  geometry: { length: number; offset: number; fromPivot: number } | null;
  solve: { wedges: number[]; shims: number[]; base: number; existing: number[] } | null;
}

const angleAt = (value: unknown, field: string, otherwise?: number): number =>
  numberAt(value, field, { least: -30, most: 30, otherwise });

function read(input: DrivelineInput): Read {
  const trans = angleAt(input.trans_deg, 'trans_deg');
  const shaft = angleAt(input.shaft_deg, 'shaft_deg');
  const pinion = angleAt(input.pinion_deg, 'pinion_deg');
  const coupling = isGiven(input.coupling_deg) ? angleAt(input.coupling_deg, 'coupling_deg') : null;
  const rpm = numberAt(input.shaftMax_rpm, 'shaftMax_rpm', { least: 1, most: 12_000 });
  const wrap = numberAt(input.wrap_deg, 'wrap_deg', { least: 0, most: 10, otherwise: 0 });
  const yokes = choiceAt(
    input.couplingYokes,
    'couplingYokes',
    ['inPhase', 'crossed'],
    'inPhase',
    'out_of_range',
  );
  const plan = { trans: 0, coupling: 0, shaft: 0, pinion: 0 };
  if (isGiven(input.plan)) {
    const of = objectAt(input.plan, 'plan');
    plan.trans = angleAt(of.trans_deg, 'plan.trans_deg');
    plan.coupling = angleAt(of.coupling_deg, 'plan.coupling_deg', 0);
    plan.shaft = angleAt(of.shaft_deg, 'plan.shaft_deg');
    plan.pinion = angleAt(of.pinion_deg, 'plan.pinion_deg');
  }
  return {
    ...{ trans, shaft, pinion, coupling, rpm, wrap, crossed: yokes === 'crossed', plan },
    geometry: isGiven(input.geometry) ? geometryAt(input.geometry) : null,
    solve: isGiven(input.solve) ? solveAt(input.solve, coupling) : null,
  };
}

function geometryAt(value: unknown): Read['geometry'] {
  const of = objectAt(value, 'geometry');
  const at = (name: string, least: number, most: number, otherwise?: number): number =>
    numberAt(of[name], `geometry.${name}`, {
      least,
      most,
      otherwise,
    });
  return {
    length: at('shaftLength_mm', 100, 4000),
    offset: at('pinionOffset_mm', 0, 800),
    fromPivot: at('outputFromPivot_mm', 0, 3000, 0),
  };
}

/** Every choice of them is tried, which doubles with each; nobody stacks more than two or three between axle and spring. */
const MOST_EXISTING = 6;

function solveAt(value: unknown, coupling: number | null): Read['solve'] {
  if (coupling !== null) throw inconsistent('solve', 'a line of two shafts is not solved');
  const of = objectAt(value, 'solve');
  const list = (name: string, least: number, most: number, longest: number): number[] =>
    (isGiven(of[name]) ? listAt(of[name], `solve.${name}`, { least: 0, most: longest }) : []).map((v, i) =>
      numberAt(v, `solve.${name}[${i}]`, { least, most }),
    );
  const wedges = [...new Set(list('wedgeStock_deg', 0.1, 8, 40))];
  if (!isGiven(of.wedgeStock_deg))
    throw new InputError('solve.wedgeStock_deg', 'missing', 'solve.wedgeStock_deg is missing');
  const shims = list('mountShims_mm', -60, 60, 40);
  const base =
    shims.length > 0 || isGiven(of.mountBase_mm)
      ? numberAt(of.mountBase_mm, 'solve.mountBase_mm', { least: 100, most: 3000 })
      : 1;
  return {
    wedges,
    shims: shims.filter((s) => s !== 0),
    base,
    existing: list('existingWedges_deg', -8, 8, MOST_EXISTING),
  };
}

/** What is changed on the car: the wedge by which the pinion turns, and the shim under the tail. */
interface Change {
  wedge: number;
  shim: number;
}

/** The members under drive, front to rear. */
function membersOf(r: Read, { wedge, shim }: Change, wrap: number): Member[] {
  const base = r.solve?.base ?? 1;
  const pinion = r.pinion + wedge + wrap;
  let shaft = r.shaft;
  if (r.geometry) {
    const { length, offset, fromPivot } = r.geometry;
    const moved = (fromPivot * shim) / base - offset * (Math.sin(rad(pinion)) - Math.sin(rad(r.pinion)));
    shaft = deg(Math.asin(Math.sin(rad(shaft)) + moved / length));
  }
  return [
    { v: r.trans - deg(Math.atan(shim / base)), p: r.plan.trans },
    ...(r.coupling === null ? [] : [{ v: r.coupling, p: r.plan.coupling }]),
    { v: shaft, p: r.plan.shaft },
    { v: pinion, p: r.plan.pinion },
  ];
}

interface State {
  angles: number[];
  difference: number;
  equivalent: number;
  torsional: number;
  drive: number;
  coast: number;
}

/** Angles of a state under drive, and what they shake at the highest speed. */
function stateOf(r: Read, members: readonly Member[]): State {
  const angles = anglesOf(members);
  const signs = angles.length === 2 ? [1, -1] : r.crossed ? [1, 1, -1] : [1, -1, 1];
  let [re, im] = [0, 0];
  angles.forEach((angle, k) => {
    const [from, to] = [members[k]!, members[k + 1]!];
    const phi = Math.atan2(to.v - from.v, to.p - from.p);
    re += signs[k]! * angle ** 2 * Math.cos(2 * phi);
    im += signs[k]! * angle ** 2 * Math.sin(2 * phi);
  });
  const equivalent = Math.sqrt(Math.hypot(re, im));
  const omega = (2 * Math.PI * r.rpm) / 60;
  const shakes = (angle: number): number => (omega * rad(angle)) ** 2;
  const [before, last] = [angles.at(-2)!, angles.at(-1)!];
  return {
    ...{ angles, equivalent, difference: Math.abs(before - last) },
    torsional: shakes(equivalent),
    drive: shakes(angles[0]!),
    coast: shakes(last),
  };
}

const isCalm = ({ torsional, drive, coast }: State, allowed: typeof LIMITS): boolean =>
  torsional <= allowed.torsional_rad_s2 + SLACK &&
  drive <= allowed.inertial_rad_s2 + SLACK &&
  coast <= allowed.inertial_rad_s2 + SLACK;

interface Candidate extends Change {
  removed: number[];
  changes: number;
  state: State;
}

function candidatesOf(r: Read, { wedges, shims, existing }: NonNullable<Read['solve']>): Candidate[] {
  const all: Candidate[] = [];
  for (let set = 0; set < 2 ** existing.length; set += 1) {
    const removed = existing.filter((_, i) => (set >> i) % 2 === 1);
    // A new one is never laid upon an old one.
    const isBare = removed.length === existing.length;
    for (const wedge of isBare ? [0, ...wedges.flatMap((w) => [w, -w])] : [0])
      for (const shim of [0, ...shims]) {
        const turned = wedge - removed.reduce((sum, w) => sum + w, 0);
        all.push({
          ...{ removed, wedge, shim },
          changes: removed.length + Number(wedge !== 0) + Number(shim !== 0),
          state: stateOf(r, membersOf(r, { wedge: turned, shim }, r.wrap)),
        });
      }
  }
  return all;
}

const rounded = (n: number): number => Math.round(n * 1e9) / 1e9;
const sumOfSizes = (all: readonly number[]): number => all.reduce((sum, n) => sum + Math.abs(n), 0);

/** Fewest changes first; then the smallest difference, wedge, shim and removal; nose up, and the larger shim. */
const better = (a: Candidate, b: Candidate): number =>
  a.changes - b.changes ||
  rounded(a.state.difference) - rounded(b.state.difference) ||
  Math.abs(a.wedge) - Math.abs(b.wedge) ||
  Math.abs(a.shim) - Math.abs(b.shim) ||
  sumOfSizes(a.removed) - sumOfSizes(b.removed) ||
  b.wedge - a.wedge ||
  b.shim - a.shim;

function solutionOf(r: Read, most: number, allowed: typeof LIMITS): DrivelineSolution | null {
  if (!r.solve) return null;
  const sound = candidatesOf(r, r.solve).filter(
    ({ state }) =>
      isCalm(state, allowed) &&
      // prettier-ignore
      state.angles.every((a) => a >= allowed.low_deg - SLACK && a <= Math.min(allowed.high_deg, most) + SLACK),
  );
  for (const limit of [allowed.differenceWatch_deg, allowed.differenceFail_deg]) {
    const fit = sound.filter(({ state }) => state.difference <= limit + SLACK).sort(better);
    const [best] = fit;
    if (best)
      return {
        ...{ removed_deg: best.removed, wedge_deg: best.wedge, shim_mm: best.shim, changes: best.changes },
        jointAngles_deg: best.state.angles,
        difference_deg: best.state.difference,
        feasibleCount: fit.length,
        differenceLimitUsed_deg: limit,
        note: WEDGE_NOTE,
      };
  }
  return null;
}

function judgeAngles(angles: readonly number[], most: number, allowed: typeof LIMITS): Reason[] {
  return angles.flatMap((angle, i): Reason[] => {
    const says = (code: string, level: Reason['level'], words: string): Reason[] => [
      { code, level, text: `Joint ${i + 1} runs at ${angle.toFixed(2)}°: ${words}.` },
    ];
    if (angle < allowed.needles_deg - SLACK)
      return says('needle_min', 'fail', `under ${allowed.needles_deg}°, its needles do not roll and mark their races`); // prettier-ignore
    if (angle < allowed.low_deg - SLACK) return says('angle_low', 'watch', `under ${allowed.low_deg}°`);
    if (angle > most + SLACK)
      return says('angle_over_table', 'fail', `over the ${most.toFixed(2)}° that this speed allows`);
    if (angle > allowed.high_deg + SLACK) return says('angle_over_3', 'watch', `over ${allowed.high_deg}°`);
    return [];
  });
}

function judgeState(state: State, allowed: typeof LIMITS): Reason[] {
  const reasons: Reason[] = [];
  const off = `The joints differ by ${state.difference.toFixed(2)}°`;
  if (state.difference > allowed.differenceFail_deg + SLACK)
    reasons.push({
      code: 'cancel_fail',
      level: 'fail',
      text: `${off}, over ${allowed.differenceFail_deg}°: they do not cancel.`,
    });
  else if (state.difference > allowed.differenceWatch_deg + SLACK)
    reasons.push({
      code: 'cancel_watch',
      level: 'watch',
      text: `${off}, over ${allowed.differenceWatch_deg}°.`,
    });
  for (const [code, value, most, what] of [
    ['torsional', state.torsional, allowed.torsional_rad_s2, 'Torsional shaking'],
    ['inertial_drive', state.drive, allowed.inertial_rad_s2, 'Inertia at the front joint'],
    ['inertial_coast', state.coast, allowed.inertial_rad_s2, 'Inertia at the rear joint'],
  ] as const)
    if (value > most + SLACK)
      reasons.push({
        code,
        level: 'fail',
        text: `${what} of ${value.toFixed(0)} rad/s²; ${most} are allowed.`,
      });
  return reasons;
}

function arrangementOf(members: readonly Member[]): DrivelineResult['arrangement'] {
  const [a, b, c] = members.slice(-3) as [Member, Member, Member];
  const product = (b.v - a.v) * (c.v - b.v);
  if (product < -SLACK) return 'parallel';
  return product > SLACK ? 'brokenBack' : 'straight';
}

/** Judges a driveline as it was measured, under drive; and where it is asked, finds what puts it right. */
export function driveline(input: DrivelineInput): DrivelineResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const r = read(input);
  const members = membersOf(r, { wedge: 0, shim: 0 }, r.wrap);
  const state = stateOf(r, members);
  const most = maxAngleAt(r.rpm);
  const solution = solutionOf(r, most, allowed);
  const reasons = [...judgeAngles(state.angles, most, allowed), ...judgeState(state, allowed)];
  if (r.solve && solution === null)
    reasons.push({
      code: 'no_solution',
      level: 'fail',
      text: 'No wedge and shim that are there put it right.',
    });
  if (!r.geometry && (r.solve || r.wrap > 0))
    reasons.push({
      ...{ code: 'shaft_movement_neglected', level: 'info' as const },
      text: 'That the shaft moves with its ends is neglected; its length and the pinion’s would say how far.',
    });
  return {
    jointAngles_deg: state.angles,
    restJointAngles_deg: anglesOf(membersOf(r, { wedge: 0, shim: 0 }, 0)),
    arrangement: arrangementOf(members),
    difference_deg: state.difference,
    equivalentAngle_deg: state.equivalent,
    torsional_rad_s2: state.torsional,
    inertialDrive_rad_s2: state.drive,
    inertialCoast_rad_s2: state.coast,
    maxAngleAtRpm_deg: most,
    solution,
    ...judged(reasons),
  };
}
