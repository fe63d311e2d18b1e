/**
 * Gearing: engine speed at road speed and back, what a tyre does to the speedometer, the axle for a wanted engine speed.
 *
 * Sources. Diameter from the size: ETRTO and Tire & Rim Association size designation (published). rpm: derived. A speedometer that
 * reads low, or high by more than a tenth: UN Regulation 39 in kind (published, simplified); the slack of one in a hundred: common
 * practice. Rolling factor under load: common practice.
 */
import { IN_PER_MILE, KM_PER_MILE, MM_PER_IN } from './exact.ts';
import { inconsistent, InputError, isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

/** Exactly one of the three. */
export interface GearingTyre {
  diameter_in?: number | null;
  revsPerMile?: number | null;
  size?: { width_mm: number; aspect_pct: number; rim_in: number } | null;
  /** Not applied to `revsPerMile`, which has it in it. */
  rollingFactor?: number | null;
}

export interface GearingInput {
  tyre: GearingTyre;
  /** The ratio, or both counts of teeth. */
  axleRatio?: number | null;
  ringTeeth?: number | null;
  pinionTeeth?: number | null;
  gearRatio: number;
  transferRatio?: number | null;
  /** Of a converter. */
  slip_pct?: number | null;
  /** Exactly one of the three. */
  speed_mph?: number | null;
  speed_kmh?: number | null;
  engine_rpm?: number | null;
  redline_rpm?: number | null;
  cruiseMin_rpm?: number | null;
  cruiseMax_rpm?: number | null;
  /** With this one the speedometer was right. */
  originalTyre?: GearingTyre | null;
  wantedRpm?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface GearingResult extends Judged {
  tyreDiameter_in: number;
  revsPerMile: number;
  axle: number;
  overallRatio: number;
  engine_rpm: number;
  speed_mph: number;
  speed_kmh: number;
  mphPer1000rpm: number;
  /** At the axle. */
  driveshaft_rpm: number;
  axleForWantedRpm: number | null;
  speedometer: { errorFactor: number; indicated_mph: number; axleToRestore: number } | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { readsLow: 0.01, readsHigh: 0.1 };

/** Revolutions a minute of a shaft that turns once an inch of road, at one mile an hour. */
const PER_MPH = IN_PER_MILE / 60;

/** Inches. */
function diameterOf(tyre: GearingTyre | null | undefined, field: string): number {
  if (typeof tyre !== 'object' || tyre === null)
    throw new InputError(field, 'missing', `${field} is missing`);
  const { diameter_in, revsPerMile, size } = tyre;
  if ([diameter_in, revsPerMile, size].filter(isGiven).length !== 1)
    throw inconsistent(field, 'exactly one of its diameter, its turns a mile and its size');
  const diameter = isGiven(diameter_in)
    ? numberAt(diameter_in, `${field}.diameter_in`, { least: 10, most: 60 })
    : null;
  const turns = isGiven(revsPerMile)
    ? numberAt(revsPerMile, `${field}.revsPerMile`, { least: 300, most: 2000 })
    : null;
  const of = size as Record<string, unknown> | null | undefined;
  const sized = of
    ? {
        width: numberAt(of.width_mm, `${field}.size.width_mm`, { least: 80, most: 500 }),
        aspect: numberAt(of.aspect_pct, `${field}.size.aspect_pct`, { least: 20, most: 100 }),
        rim: numberAt(of.rim_in, `${field}.size.rim_in`, { least: 8, most: 30 }),
      }
    : null;
  const rolling = numberAt(tyre.rollingFactor, `${field}.rollingFactor`, {
    least: 0.9,
    most: 1,
    otherwise: 1,
  });
  if (turns !== null) return IN_PER_MILE / (Math.PI * turns);
  const free = diameter ?? sized!.rim + (2 * sized!.width * sized!.aspect) / 100 / MM_PER_IN;
  return free * rolling;
}

function axleOf({ axleRatio, ringTeeth, pinionTeeth }: GearingInput): number {
  const counts = isGiven(ringTeeth) || isGiven(pinionTeeth);
  if (isGiven(axleRatio) && counts)
    throw inconsistent('axleRatio', 'either the ratio or the teeth, not both');
  if (!counts) return numberAt(axleRatio, 'axleRatio', { least: 1, most: 10 });
  const ring = numberAt(ringTeeth, 'ringTeeth', { least: 15, most: 90 });
  const pinion = numberAt(pinionTeeth, 'pinionTeeth', { least: 4, most: 30 });
  if (ring <= pinion) throw inconsistent('ringTeeth', 'no more teeth than the pinion has');
  return ring / pinion;
}

interface Turning {
  mph: number;
  rpm: number;
}

/** Road speed and engine speed, from the one that is given; `rpmPerMph` with the slip in it. */
function turningOf({ speed_mph, speed_kmh, engine_rpm }: GearingInput, rpmPerMph: number): Turning {
  const given = [speed_mph, speed_kmh, engine_rpm].filter(isGiven).length;
  if (given > 1) throw inconsistent('speed_mph', 'exactly one of the speeds and the engine speed');
  if (isGiven(engine_rpm)) {
    const rpm = numberAt(engine_rpm, 'engine_rpm', { least: 0, most: 15_000 });
    return { rpm, mph: rpm / rpmPerMph };
  }
  const mph = isGiven(speed_kmh)
    ? numberAt(speed_kmh, 'speed_kmh', { least: 0, most: 640 }) / KM_PER_MILE
    : numberAt(speed_mph, 'speed_mph', { least: 0, most: 400 });
  return { mph, rpm: mph * rpmPerMph };
}

function judgeRpm(input: GearingInput, rpm: number): Reason[] {
  const limit = (name: 'redline_rpm' | 'cruiseMin_rpm' | 'cruiseMax_rpm', least: number, most: number) =>
    isGiven(input[name]) ? numberAt(input[name], name, { least, most }) : null;
  const redline = limit('redline_rpm', 500, 15_000);
  const [low, high] = [limit('cruiseMin_rpm', 0, 10_000), limit('cruiseMax_rpm', 0, 10_000)];
  if (low !== null && high !== null && low > high)
    throw inconsistent('cruiseMin_rpm', 'above the upper end of the band');
  const says = (code: string, level: Reason['level'], than: string): Reason => ({
    ...{ code, level },
    text: `The engine turns at ${rpm.toFixed(0)} a minute, ${than}.`,
  });
  return [
    ...(redline !== null && rpm > redline + SLACK
      ? [says('over_redline', 'fail', `over its ${redline}`)]
      : []),
    ...(low !== null && rpm < low - SLACK
      ? [says('below_cruise', 'watch', `below the ${low} of its cruise`)]
      : []),
    ...(high !== null && rpm > high + SLACK
      ? [says('above_cruise', 'watch', `above the ${high} of its cruise`)]
      : []),
  ];
}

/** Works out how engine and road go together, and judges engine speed and speedometer where their limits are known. */
export function gearing(input: GearingInput): GearingResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const diameter = diameterOf(input.tyre, 'tyre');
  const axle = axleOf(input);
  const gear = numberAt(input.gearRatio, 'gearRatio', { least: 0.4, most: 8 });
  const transfer = numberAt(input.transferRatio, 'transferRatio', { least: 0.5, most: 5, otherwise: 1 });
  const slip = numberAt(input.slip_pct, 'slip_pct', { least: 0, most: 50, otherwise: 0 }) / 100;
  const overallRatio = axle * gear * transfer;
  const rpmPerMph = ((PER_MPH / (Math.PI * diameter)) * overallRatio) / (1 - slip);
  const { mph, rpm } = turningOf(input, rpmPerMph);
  const reasons = judgeRpm(input, rpm);
  let speedometer: GearingResult['speedometer'] = null;
  if (isGiven(input.originalTyre)) {
    const before = diameterOf(input.originalTyre, 'originalTyre');
    const errorFactor = diameter / before;
    speedometer = { errorFactor, indicated_mph: mph / errorFactor, axleToRestore: axle * errorFactor };
    const off = Math.abs(before / diameter - 1);
    if (diameter > before && off > allowed.readsLow + SLACK)
      reasons.push({
        ...{ code: 'speedo_reads_low', level: 'watch' as const },
        text: `The speedometer reads low: at ${mph.toFixed(0)} it shows ${speedometer.indicated_mph.toFixed(0)}.`,
      });
    else if (diameter < before && off > allowed.readsHigh + SLACK)
      reasons.push({
        ...{ code: 'speedo_reads_high', level: 'watch' as const },
        text: `The speedometer reads high by more than a tenth.`,
      });
  }
  let axleForWantedRpm: number | null = null;
  if (isGiven(input.wantedRpm)) {
    const wanted = numberAt(input.wantedRpm, 'wantedRpm', { least: 100, most: 15_000 });
    if (rpm <= 0) throw inconsistent('wantedRpm', 'the car stands still');
    axleForWantedRpm = (axle * wanted) / rpm;
  }
  return {
    tyreDiameter_in: diameter,
    revsPerMile: IN_PER_MILE / (Math.PI * diameter),
    axle,
    overallRatio,
    engine_rpm: rpm,
    speed_mph: mph,
    speed_kmh: mph * KM_PER_MILE,
    mphPer1000rpm: 1000 / rpmPerMph,
    driveshaft_rpm: (rpm * (1 - slip)) / gear / transfer,
    axleForWantedRpm,
    speedometer,
    ...judged(reasons),
  };
}
