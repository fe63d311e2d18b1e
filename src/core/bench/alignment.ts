/**
 * Wheel alignment, before and after: sums of both sides, thrust, set-back; the turn of a tie rod, the shims, the caster from a sweep.
 *
 * Sources. Terms: SAE J670, ISO 8855 (published); their signs: from memory. Geometry of toe, thrust, tie rod, shims and sweep:
 * derived, the sweep checked with rotation matrices. Allowed differences from side to side, thrust and set-back, a stack of shims
 * over 12 mm: common practice; rods equal within three threads: from memory.
 */
import { deg, rad } from './exact.ts';
import { choiceAt, inconsistent, InputError, isGiven, judged, numberAt, objectAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface FrontWheel {
  /** Above nothing: the top of the steering axis is rearward. */
  caster_deg: number;
  /** Above nothing: the top is out. */
  camber_deg: number;
  /** Above nothing: toe-in, from the car's centre line. */
  toe_deg: number;
}
export type RearWheel = Omit<FrontWheel, 'caster_deg'>;
export interface WheelSet {
  fl: FrontWheel;
  fr: FrontWheel;
  rl?: RearWheel | null;
  rr?: RearWheel | null;
}
export interface AngleRange {
  min: number;
  max: number;
}

export interface AlignmentInput {
  before: WheelSet;
  after?: WheelSet | null;
  spec?: {
    front?: Partial<Record<keyof FrontWheel, AngleRange | null>> | null;
    rear?: Partial<Record<keyof RearWheel, AngleRange | null>> | null;
    crossCasterMax_deg?: number | null;
    crossCamberMax_deg?: number | null;
    thrustMax_deg?: number | null;
    setbackMax_mm?: number | null;
  } | null;
  toeMeasureDia_mm?: number | null;
  wheelbase?: { left_mm: number; right_mm: number; track_mm: number } | null;
  tieRod?: {
    toeChange_deg: number;
    arm_mm: number;
    pitch_mm: number;
    threads: 1 | 2;
    linkage: 'rear' | 'front';
    left_mm?: number | null;
    right_mm?: number | null;
  } | null;
  shims?: {
    studSpacing_mm: number;
    armLength_mm: number;
    ballJointHeight_mm: number;
    ballJointAft_mm: number;
    addedShimMoves: 'inboard' | 'outboard';
    change?: { front_mm: number; rear_mm: number } | null;
    want?: { camber_deg: number; caster_deg: number } | null;
    step_mm?: number | null;
  } | null;
  sweep?: { camberTurnedOut_deg: number; camberTurnedIn_deg: number; angle_deg?: number | null } | null;
  convert?: { totalToe_deg?: number | null; totalToe_mm?: number | null } | null;
  driverBallast_kg?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface AlignmentSums {
  crossCaster_deg: number;
  crossCamber_deg: number;
  frontTotalToe_deg: number;
  frontTotalToe_mm: number;
  rearTotalToe_deg?: number;
  /** Above nothing: to the right. */
  thrustAngle_deg?: number;
}

export interface AlignmentResult extends Judged {
  judged: 'before' | 'after';
  outOfSpec: string[];
  now: AlignmentSums;
  was: AlignmentSums;
  setback: { mm: number; deg: number } | null;
  tieRod: { lengthChange_mm: number; turns: number; asymmetry_mm: number | null } | null;
  shims: {
    front_mm: number;
    rear_mm: number;
    camber_deg: number;
    caster_deg: number;
    frontExact_mm?: number;
    rearExact_mm?: number;
  } | null;
  sweep: { caster_deg: number; rule_deg: number | null } | null;
  convert: { deg: number; mm: number } | null;
}

/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = { largeStack_mm: 12, threadsApart: 3 };

const WITHIN = { caster_deg: 25, camber_deg: 15, toe_deg: 10 };
type Angle = keyof typeof WITHIN;
const FRONT: readonly Angle[] = ['caster_deg', 'camber_deg', 'toe_deg'];
const REAR: readonly Angle[] = ['camber_deg', 'toe_deg'];
/** The dial of a turn-table gauge counts on this (common practice). */
const GAUGE = { angle: 20, factor: 1.5 };
const MOST_SETBACK_MM = 150;

type Reader = (name: string, least: number, most: number, otherwise?: number) => number;
const readerOf =
  (of: Record<string, unknown>, field: string): Reader =>
  (name, least, most, otherwise) =>
    numberAt(of[name], `${field}.${name}`, {
      least,
      most,
      otherwise,
    });

function wheelAt(value: unknown, field: string, angles: readonly Angle[]): FrontWheel {
  const of = (isGiven(value) ? value : {}) as Record<string, unknown>;
  const wheel = { caster_deg: 0, camber_deg: 0, toe_deg: 0 };
  for (const a of angles) wheel[a] = numberAt(of[a], `${field}.${a}`, { least: -WITHIN[a], most: WITHIN[a] });
  return wheel;
}

interface ReadSet {
  fl: FrontWheel;
  fr: FrontWheel;
  rear: { rl: FrontWheel; rr: FrontWheel } | null;
}

function setAt(value: unknown, field: string): ReadSet {
  const of = (isGiven(value) ? value : {}) as Partial<Record<keyof WheelSet, unknown>>;
  const fl = wheelAt(of.fl, `${field}.fl`, FRONT);
  const fr = wheelAt(of.fr, `${field}.fr`, FRONT);
  const hasRear = isGiven(of.rl) || isGiven(of.rr);
  const rear = hasRear
    ? { rl: wheelAt(of.rl, `${field}.rl`, REAR), rr: wheelAt(of.rr, `${field}.rr`, REAR) }
    : null;
  return { fl, fr, rear };
}

type Ranges = Partial<Record<Angle, AngleRange>>;

function rangesAt(value: unknown, field: string, angles: readonly Angle[]): Ranges {
  const ranges: Ranges = {};
  if (!isGiven(value)) return ranges;
  const of = objectAt(value, field);
  for (const a of angles) {
    if (!isGiven(of[a])) continue;
    const at = readerOf(objectAt(of[a], `${field}.${a}.min`), `${field}.${a}`);
    const [min, max] = [at('min', -WITHIN[a], WITHIN[a]), at('max', -WITHIN[a], WITHIN[a])];
    if (min > max) throw inconsistent(`${field}.${a}`, 'the least is above the most');
    ranges[a] = { min, max };
  }
  return ranges;
}

function specAt(value: unknown) {
  const of = isGiven(value) ? objectAt(value, 'spec') : {};
  const front = rangesAt(of.front, 'spec.front', FRONT);
  const rear = rangesAt(of.rear, 'spec.rear', REAR);
  const at = readerOf(of, 'spec');
  return {
    front,
    rear,
    crossCaster: at('crossCasterMax_deg', 0, 5, 0.5),
    crossCamber: at('crossCamberMax_deg', 0, 5, 0.5),
    thrust: at('thrustMax_deg', 0, 2, 0.2),
    setback: at('setbackMax_mm', 0, 50, 6),
  };
}
type Spec = ReturnType<typeof specAt>;

/** Toe as it is measured across a rim of a diameter. */
const toeMm = (dia: number, left: number, right: number): number =>
  dia * (Math.sin(rad(left)) + Math.sin(rad(right)));

function sumsOf({ fl, fr, rear }: ReadSet, dia: number): AlignmentSums {
  return {
    crossCaster_deg: fl.caster_deg - fr.caster_deg,
    crossCamber_deg: fl.camber_deg - fr.camber_deg,
    frontTotalToe_deg: fl.toe_deg + fr.toe_deg,
    frontTotalToe_mm: toeMm(dia, fl.toe_deg, fr.toe_deg),
    ...(rear && {
      rearTotalToe_deg: rear.rl.toe_deg + rear.rr.toe_deg,
      thrustAngle_deg: (rear.rl.toe_deg - rear.rr.toe_deg) / 2,
    }),
  };
}

/** Readings outside their range: front left, front right, rear left, rear right; caster, camber, toe. */
function outOfSpec({ fl, fr, rear }: ReadSet, { front, rear: ofRear }: Spec): string[] {
  const wheels: [string, FrontWheel, Ranges][] = [
    ['fl', fl, front],
    ['fr', fr, front],
    ...(rear ? ([['rl', rear.rl, ofRear], ['rr', rear.rr, ofRear]] as [string, FrontWheel, Ranges][]) : []), // prettier-ignore
  ];
  return wheels.flatMap(([name, wheel, ranges]) =>
    FRONT.flatMap((a) => {
      const range = ranges[a];
      const isIn = !range || (wheel[a] >= range.min - SLACK && wheel[a] <= range.max + SLACK);
      return isIn ? [] : [`${name}.${a}`];
    }),
  );
}

function setbackOf(value: unknown): AlignmentResult['setback'] {
  if (!isGiven(value)) return null;
  const at = readerOf(objectAt(value, 'wheelbase'), 'wheelbase');
  const [left, right] = [at('left_mm', 1000, 6000), at('right_mm', 1000, 6000)];
  const track = at('track_mm', 800, 2500);
  const mm = left - right;
  if (Math.abs(mm) > MOST_SETBACK_MM)
    throw inconsistent('wheelbase.right_mm', `more than ${MOST_SETBACK_MM} mm from the other side`);
  return { mm, deg: deg(Math.atan(mm / track)) };
}

function tieRodOf(value: unknown): { tieRod: AlignmentResult['tieRod']; pitch: number } {
  if (!isGiven(value)) return { tieRod: null, pitch: 0 };
  const of = objectAt(value, 'tieRod');
  const at = readerOf(of, 'tieRod');
  const [change, arm, pitch] = [at('toeChange_deg', -10, 10), at('arm_mm', 50, 400), at('pitch_mm', 0.5, 4)];
  const threads = at('threads', 1, 2);
  if (threads !== 1 && threads !== 2)
    throw new InputError('tieRod.threads', 'out_of_range', 'tieRod.threads is neither 1 nor 2');
  const linkage = choiceAt(of.linkage, 'tieRod.linkage', ['rear', 'front'], undefined, 'out_of_range');
  const hasLengths = isGiven(of.left_mm) || isGiven(of.right_mm);
  const asymmetry_mm = hasLengths ? at('left_mm', 50, 1000) - at('right_mm', 50, 1000) : null;
  // Behind the axle a longer rod toes the wheel in; in front of it, out.
  const lengthChange_mm = (linkage === 'rear' ? 1 : -1) * arm * Math.sin(rad(change));
  return { tieRod: { lengthChange_mm, turns: lengthChange_mm / (pitch * threads), asymmetry_mm }, pitch };
}

/** Half a step goes away from nothing. */
const toStep = (value: number, step: number): number =>
  Math.sign(value) * Math.floor(Math.abs(value) / step + 0.5 + SLACK) * step;

/** A rigid arm seen from above: the ball joint moves with the shaft; first order. */
function shimsOf(value: unknown): AlignmentResult['shims'] {
  if (!isGiven(value)) return null;
  const of = objectAt(value, 'shims');
  const at = readerOf(of, 'shims');
  const spacing = at('studSpacing_mm', 50, 600);
  const arm = at('armLength_mm', 80, 600);
  const height = at('ballJointHeight_mm', 80, 600);
  const k = at('ballJointAft_mm', -300, 600) / spacing;
  const moves = choiceAt(of.addedShimMoves, 'shims.addedShimMoves', ['inboard', 'outboard'], undefined, 'out_of_range'); // prettier-ignore
  const s = moves === 'inboard' ? 1 : -1;
  if (isGiven(of.change) === isGiven(of.want))
    throw inconsistent('shims.change', 'either what is put in, or what is wanted');
  const angles = (front: number, rear: number) => ({
    camber_deg: -deg(Math.atan((s * (front * (1 - k) + rear * k)) / height)),
    caster_deg: -deg(Math.atan((s * arm * (front - rear)) / spacing / height)),
  });
  if (isGiven(of.change)) {
    const change = readerOf(objectAt(of.change, 'shims.change'), 'shims.change');
    const [front_mm, rear_mm] = [change('front_mm', -20, 20), change('rear_mm', -20, 20)];
    return { front_mm, rear_mm, ...angles(front_mm, rear_mm) };
  }
  const want = readerOf(objectAt(of.want, 'shims.want'), 'shims.want');
  const [camber, caster] = [want('camber_deg', -5, 5), want('caster_deg', -8, 8)];
  const step = at('step_mm', 0.05, 5, 0.8);
  const inward = -s * height * Math.tan(rad(camber));
  const apart = (-s * spacing * height * Math.tan(rad(caster))) / arm;
  const frontExact_mm = inward + apart * k;
  const rearExact_mm = frontExact_mm - apart;
  const [front_mm, rear_mm] = [toStep(frontExact_mm, step), toStep(rearExact_mm, step)];
  return { front_mm, rear_mm, ...angles(front_mm, rear_mm), frontExact_mm, rearExact_mm };
}

/** Camber changes by about caster·sin φ; the inclination of the king-pin enters equally on both sides, and goes out. */
function sweepOf(value: unknown): AlignmentResult['sweep'] {
  if (!isGiven(value)) return null;
  const at = readerOf(objectAt(value, 'sweep'), 'sweep');
  const change = at('camberTurnedOut_deg', -20, 20) - at('camberTurnedIn_deg', -20, 20);
  const angle = at('angle_deg', 5, 35, GAUGE.angle);
  return {
    caster_deg: change / (2 * Math.sin(rad(angle))),
    rule_deg: Math.abs(angle - GAUGE.angle) <= SLACK ? GAUGE.factor * change : null,
  };
}

function convertOf(value: unknown, dia: number): AlignmentResult['convert'] {
  if (!isGiven(value)) return null;
  const of = objectAt(value, 'convert');
  if (isGiven(of.totalToe_deg) === isGiven(of.totalToe_mm))
    throw inconsistent('convert', 'either degrees or millimetres');
  const at = readerOf(of, 'convert');
  if (isGiven(of.totalToe_deg)) {
    const total = at('totalToe_deg', -10, 10);
    return { deg: total, mm: toeMm(dia, total / 2, total / 2) };
  }
  const mm = at('totalToe_mm', -120, 120);
  return { deg: 2 * deg(Math.asin(mm / (2 * dia))), mm };
}

function judgeSums(now: AlignmentSums, spec: Spec, setback: AlignmentResult['setback']): Reason[] {
  const reasons: Reason[] = [];
  const over = (code: string, level: Reason['level'], value: number | undefined, most: number, what: string): void => {
    if (value !== undefined && Math.abs(value) > most + SLACK)
      reasons.push({ code, level, text: `${what} of ${value.toFixed(2)}; ${most} is allowed.` });
  };
  over('cross_caster', 'watch', now.crossCaster_deg, spec.crossCaster, 'Caster differs from left to right by an angle');
  over('cross_camber', 'watch', now.crossCamber_deg, spec.crossCamber, 'Camber differs from left to right by an angle');
  over('thrust', 'fail', now.thrustAngle_deg, spec.thrust, 'The rear wheels push at an angle');
  over('setback', 'watch', setback?.mm, spec.setback, 'One front wheel is behind the other by millimetres');
  return reasons;
} // prettier-ignore

/** Judges an alignment, as it is after the work where that was measured, and works out what turns and shims do. */
export function alignment(input: AlignmentInput): AlignmentResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const before = setAt(input.before, 'before');
  const after = isGiven(input.after) ? setAt(input.after, 'after') : null;
  const spec = specAt(input.spec);
  const dia = numberAt(input.toeMeasureDia_mm, 'toeMeasureDia_mm', {
    least: 300,
    most: 1200,
    otherwise: 711.2,
  });
  const setback = setbackOf(input.wheelbase);
  const { tieRod, pitch } = tieRodOf(input.tieRod);
  const shims = shimsOf(input.shims);
  const sweep = sweepOf(input.sweep);
  const convert = convertOf(input.convert, dia);
  const ballast = numberAt(input.driverBallast_kg, 'driverBallast_kg', { least: 0, most: 250, otherwise: 0 });

  const judgedSet = after ?? before;
  const now = sumsOf(judgedSet, dia);
  const out = outOfSpec(judgedSet, spec);
  const reasons: Reason[] = out.map((where) => ({
    ...{ code: 'out_of_spec', level: 'fail' as const },
    text: `${where} is outside what is asked for.`,
  }));
  reasons.push(...judgeSums(now, spec, setback));
  if (tieRod?.asymmetry_mm && Math.abs(tieRod.asymmetry_mm) > allowed.threadsApart * pitch + SLACK)
    reasons.push({
      ...{ code: 'tie_rod_asymmetry', level: 'watch' as const },
      text: `The tie rods differ by ${Math.abs(tieRod.asymmetry_mm).toFixed(1)} mm, more than three threads.`,
    });
  const stack = Math.max(Math.abs(shims?.frontExact_mm ?? 0), Math.abs(shims?.rearExact_mm ?? 0));
  if (stack > allowed.largeStack_mm + SLACK)
    reasons.push({ code: 'shim_stack_large', level: 'watch', text: `That is more than ${allowed.largeStack_mm} mm of shims: look for what is bent.` }); // prettier-ignore
  if (after === null)
    reasons.push({
      code: 'only_before',
      level: 'info',
      text: 'Measured once: nothing is said of after the work.',
    });
  if (ballast === 0)
    reasons.push({
      ...{ code: 'no_driver_weight', level: 'info' as const },
      text: 'Measure with the driver’s weight in the seat, half a tank, tyres at pressure, bounced.',
    });
  return {
    judged: after ? 'after' : 'before',
    outOfSpec: out,
    now,
    was: sumsOf(before, dia),
    ...{ setback, tieRod, shims, sweep, convert },
    ...judged(reasons),
  };
}
