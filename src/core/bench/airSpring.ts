/**
 * Air spring: what pressure bears a wheel at its height, by the spring's area or by its maker's points.
 *
 * Sources. F = p·A at constant height: physics. Lever with a motion ratio: Milliken & Milliken, Race Car Vehicle Dynamics, 1995
 * (published). 690 and 35 kPa, 90 % and 10 %: common practice; the maker's data win.
 */
import { KPA_PER_PSI, STANDARD_GRAVITY } from './exact.ts';
import { inconsistent, InputError, isGiven, judged, listAt, numberAt, objectAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface AirSpringInput {
  wheelLoad_kg: number;
  unsprung_kg?: number | null;
  /** Travel of the spring for that of the wheel. */
  motionRatio?: number | null;
  area_cm2?: number | null;
  areaSlope_cm2_per_mm?: number | null;
  heightAboveReference_mm?: number | null;
  /** Load at the spring by pressure; wins over the area. */
  calibration?: { pressure_kPa: number; load_kg: number }[] | null;
  maxPressure_kPa?: number | null;
  minPressure_kPa?: number | null;
  measured_kPa?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface AirSpringResult extends Judged {
  springForce_N: number;
  area_cm2: number;
  pressure_kPa: number;
  pressure_psi: number;
  impliedLoad_kg: number | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { near: 0.9, differs: 0.1 };

/** A kilopascal on a square centimetre is a tenth of a newton. */
const N_PER_KPA_CM2 = 0.1;

/** The pressures between which a spring may work; throws where they are the wrong way round. */
export function pressureLimits(input: { minPressure_kPa?: number | null; maxPressure_kPa?: number | null }): {
  least: number;
  most: number;
} {
  const most = numberAt(input.maxPressure_kPa, 'maxPressure_kPa', { above: 0, most: 5000, otherwise: 690 });
  const least = numberAt(input.minPressure_kPa, 'minPressure_kPa', { least: 0, most: 5000, otherwise: 35 });
  if (least > most) throw inconsistent('minPressure_kPa', 'it is above the highest that is allowed');
  return { least, most };
}

/** Least squares through nothing: the area that fits the maker's points best. */
function calibratedArea(value: unknown): number {
  const points = listAt(value, 'calibration', { least: 1, most: 100 }).map((point, i) => {
    const field = `calibration[${i}]`;
    const of = objectAt(point, field);
    return {
      p: numberAt(of.pressure_kPa, `${field}.pressure_kPa`, { above: 0, most: 5000 }),
      F: numberAt(of.load_kg, `${field}.load_kg`, { above: 0, most: 20_000 }) * STANDARD_GRAVITY,
    };
  });
  const sum = (of: (point: { p: number; F: number }) => number): number =>
    points.reduce((a, point) => a + of(point), 0);
  return sum(({ F, p }) => F * p) / sum(({ p }) => p * p) / N_PER_KPA_CM2;
}

function areaOf(input: AirSpringInput): number {
  if (isGiven(input.calibration)) return calibratedArea(input.calibration);
  if (!isGiven(input.area_cm2))
    throw new InputError('area_cm2', 'missing', 'area_cm2 is missing, and so are the points of the maker');
  const area = numberAt(input.area_cm2, 'area_cm2', { above: 0, most: 10_000 });
  const slope = numberAt(input.areaSlope_cm2_per_mm, 'areaSlope_cm2_per_mm', { least: -100, most: 100, otherwise: 0 }); // prettier-ignore
  const height = numberAt(input.heightAboveReference_mm, 'heightAboveReference_mm', { least: -1000, most: 1000, otherwise: 0 }); // prettier-ignore
  const there = area + slope * height;
  if (there <= 0) throw inconsistent('areaSlope_cm2_per_mm', 'no area is left at this height');
  return there;
}

/** Pressure for a load, and the load that a measured pressure means. */
export function airSpring(input: AirSpringInput): AirSpringResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const load = numberAt(input.wheelLoad_kg, 'wheelLoad_kg', { least: 0, most: 20_000 });
  const unsprung = numberAt(input.unsprung_kg, 'unsprung_kg', { least: 0, most: 20_000, otherwise: 0 });
  const ratio = numberAt(input.motionRatio, 'motionRatio', { least: 0.2, most: 1.5, otherwise: 1 });
  const area = areaOf(input);
  const { least, most } = pressureLimits(input);
  const measured = optionalAt(input.measured_kPa, 'measured_kPa', { least: 0, most: 5000 });
  if (unsprung > load) throw inconsistent('unsprung_kg', 'it is more than the wheel bears');
  const force = ((load - unsprung) * STANDARD_GRAVITY) / ratio;
  const pressure = force / (area * N_PER_KPA_CM2);
  const { reasons, say } = reasonList();
  const so = (limit: number, word: string): string => `${pressure.toFixed(0)} kPa; ${word} ${limit} kPa.`;
  if (pressure > most + SLACK) say('fail', 'pressure_over_maximum', so(most, 'at most'));
  else if (pressure > allowed.near * most + SLACK) say('watch', 'pressure_near_maximum', so(most, 'at most'));
  if (pressure < least - SLACK) say('fail', 'pressure_under_minimum', so(least, 'at least'));
  if (measured !== null && Math.abs(measured - pressure) > allowed.differs * pressure + SLACK)
    say(
      'watch',
      'measured_pressure_differs',
      `Measured ${measured.toFixed(0)} kPa, worked out ${pressure.toFixed(0)}.`,
    );
  return {
    springForce_N: force,
    area_cm2: area,
    pressure_kPa: pressure,
    pressure_psi: pressure / KPA_PER_PSI,
    impliedLoad_kg:
      measured === null ? null : ((measured * area * N_PER_KPA_CM2) / STANDARD_GRAVITY) * ratio + unsprung,
    ...judged(reasons),
  };
}
