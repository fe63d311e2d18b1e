/**
 * Brake bias: what each axle brakes with, whether the front locks first, and what deceleration comes of it.
 *
 * Sources. Clamp, torque, brake factor, load transfer, front to lock first: Limpert, Brake Design and Safety, SAE; UNECE R13-H annex 5 for
 * the principle of the order (published; chapters not looked at). 12 % too much front, friction 0.4, brake factor 2: common practice.
 */
import { STANDARD_GRAVITY } from './exact.ts';
import { choiceAt, inconsistent, InputError, isGiven, judged, numberAt, objectAt, reasonList, SLACK, wholeAt, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface BrakeAxle {
  type: 'disc' | 'drum';
  pistonsPerWheel: number;
  pistonBore_mm: number;
  /** Pistons on both sides of the disc: half of them clamp. */
  opposed?: boolean | null;
  /** Of a drum: its radius. */
  effectiveRadius_mm: number;
  /** Of a disc's pads. */
  padFriction?: number | null;
  /** Of a drum. */
  brakeFactor?: number | null;
  /** What a proportioning valve lets through. */
  lineFactor?: number | null;
  tyreRadius_mm: number;
}

export interface BrakeBiasInput {
  pressure_bar: number;
  front: BrakeAxle;
  rear: BrakeAxle;
  /** With it the three after it are needed. */
  mass_kg?: number | null;
  staticFront_pct?: number | null;
  cgHeight_mm?: number | null;
  wheelbase_mm?: number | null;
  tyreGrip?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface BrakeBiasResult extends Judged {
  frontClamp_N: number;
  rearClamp_N: number;
  /** Of one wheel. */
  frontTorque_Nm: number;
  rearTorque_Nm: number;
  /** Of the axle. */
  frontForce_N: number;
  rearForce_N: number;
  frontBias_pct: number;
  idealFront_pct: number | null;
  deceleration_g: number | null;
  lockFirst: 'front' | 'rear' | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { tooMuchFront_pct: 12 };

const N_PER_BAR_MM2 = 0.1;

interface Braking {
  clamp: number;
  torque: number;
  force: number;
}

function axleAt(value: unknown, field: string, pressure_bar: number): Braking {
  const of = objectAt(value, field);
  const at = (name: string, range: Parameters<typeof numberAt>[2]): number =>
    numberAt(of[name], `${field}.${name}`, range);
  const type = choiceAt(of.type, `${field}.type`, ['disc', 'drum']);
  const pistons = wholeAt(of.pistonsPerWheel, `${field}.pistonsPerWheel`, {
    least: 1,
    most: type === 'disc' ? 12 : 2,
  });
  const bore = at('pistonBore_mm', { least: 5, most: 120 });
  const opposed = type === 'disc' && of.opposed === true;
  const radius = at('effectiveRadius_mm', { least: 20, most: 400 });
  const friction = at('padFriction', { above: 0, most: 2, otherwise: 0.4 });
  const factor = at('brakeFactor', { least: 0.5, most: 10, otherwise: 2 });
  const line = at('lineFactor', { least: 0, most: 1, otherwise: 1 });
  const tyre = at('tyreRadius_mm', { least: 100, most: 800 });
  if (opposed && pistons % 2 === 1)
    throw inconsistent(`${field}.pistonsPerWheel`, 'pistons that face each other are an even number');
  const one = pressure_bar * N_PER_BAR_MM2 * line * (Math.PI / 4) * bore ** 2;
  const clamp = type === 'drum' ? one : one * (opposed ? pistons / 2 : pistons);
  const torque = ((type === 'drum' ? factor : 2 * friction) * clamp * radius) / 1000;
  return { clamp, torque, force: (2 * torque * 1000) / tyre };
}

function vehicleAt(input: BrakeBiasInput) {
  const grip = numberAt(input.tyreGrip, 'tyreGrip', { above: 0, most: 2, otherwise: 0.8 });
  if (!isGiven(input.mass_kg)) return null;
  return {
    mass: numberAt(input.mass_kg, 'mass_kg', { above: 0, most: 50_000 }),
    front: numberAt(input.staticFront_pct, 'staticFront_pct', { least: 0, most: 100 }),
    transfer:
      numberAt(input.cgHeight_mm, 'cgHeight_mm', { above: 0, most: 3000 }) /
      numberAt(input.wheelbase_mm, 'wheelbase_mm', { above: 0, most: 10_000 }),
    grip,
  };
}

/** Works both axles out and, with the vehicle's own data, judges their balance. */
export function brakeBias(input: BrakeBiasInput): BrakeBiasResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const pressure = numberAt(input.pressure_bar, 'pressure_bar', { least: 0, most: 500 });
  const front = axleAt(input.front, 'front', pressure);
  const rear = axleAt(input.rear, 'rear', pressure);
  const vehicle = vehicleAt(input);
  const total = front.force + rear.force;
  if (total <= 0) throw new InputError('pressure_bar', 'out_of_range', 'pressure_bar: nothing brakes');
  const bias = (front.force / total) * 100;
  const { reasons, say } = reasonList();
  const work = { idealFront_pct: null, deceleration_g: null, lockFirst: null } as Pick<
    BrakeBiasResult, 'idealFront_pct' | 'deceleration_g' | 'lockFirst'
  >; // prettier-ignore
  if (vehicle) {
    const braking = total / (vehicle.mass * STANDARD_GRAVITY);
    const frontAt = (z: number): number => vehicle.front + z * vehicle.transfer * 100;
    const limit = frontAt(vehicle.grip);
    work.deceleration_g = braking;
    work.idealFront_pct = frontAt(Math.min(braking, vehicle.grip));
    work.lockFirst = bias < limit - SLACK ? 'rear' : 'front';
    const so = `The front brakes with ${bias.toFixed(1)} %; ${limit.toFixed(1)} % of the weight is on it then.`;
    if (work.lockFirst === 'rear') say('fail', 'rear_locks_first', `The rear locks first. ${so}`);
    else if (bias > limit + allowed.tooMuchFront_pct + SLACK) say('watch', 'too_much_front', so);
  } else
    say(
      'watch',
      'no_vehicle_data_bias_not_judged',
      'Without weight, height and wheelbase the balance is not judged.',
    );
  return {
    ...{ frontClamp_N: front.clamp, rearClamp_N: rear.clamp },
    ...{ frontTorque_Nm: front.torque, rearTorque_Nm: rear.torque },
    ...{ frontForce_N: front.force, rearForce_N: rear.force },
    frontBias_pct: bias,
    ...work,
    ...judged(reasons),
  };
}
