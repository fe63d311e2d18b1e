/**
 * Battery and charging: readings at rest, cranking, charging, under load, and the ripple of the alternator.
 *
 * Sources. 9.6 V cranking: SAE J537 in idea (published; applied here as common practice). State of charge: BCI values for flooded
 * lead-acid at 27 °C (from memory). Bands of charging, load and ripple: common practice.
 */
import { InputError, isGiven, judged, limitsAt, numberAt, SLACK, type Judged, type OwnLimits, type Reason } from './input.ts'; // prettier-ignore

const READINGS = ['resting_V', 'cranking_V', 'charging_V', 'loaded_V', 'ripple_mV'] as const;
type ReadingName = (typeof READINGS)[number];
type Band = 'ok' | 'watch' | 'fail';

export type ChargingTestInput = Partial<Record<ReadingName, number | null>> & {
  limits?: OwnLimits<typeof LIMITS>;
};

export interface ChargingTestResult extends Judged {
  /** Of the readings that were given. */
  bands: Partial<Record<ReadingName, Band>>;
  stateOfCharge_pct: number | null;
}

/** Volts at rest, and percent (from memory). */
const CHARGE: readonly [number, number][] = [[11.89, 0], [12.06, 25], [12.24, 50], [12.45, 75], [12.65, 100]]; // prettier-ignore

function chargeOf(volts: number): number {
  const i = CHARGE.findIndex(([v]) => volts <= v);
  if (i === 0) return 0;
  if (i < 0) return 100;
  const [[v0, p0], [v1, p1]] = [CHARGE[i - 1]!, CHARGE[i]!];
  return p0 + ((p1 - p0) * (volts - v0)) / (v1 - v0);
}

const least = (value: number, limit: number): boolean => value >= limit - SLACK;
const most = (value: number, limit: number): boolean => value <= limit + SLACK;

/** Common practice; a shop may put its own in their place. */
export const LIMITS = {
  ...{
    restingFail_V: 12.06,
    restingWatch_V: 12.4,
    restingHigh_V: 12.9,
    crankingFail_V: 9,
    crankingWatch_V: 9.6,
  },
  ...{ chargingFail_V: 13.2, chargingWatch_V: 13.8, chargingMost_V: 14.8, chargingOver_V: 15 },
  ...{ loadedFail_V: 12.8, loadedWatch_V: 13.2, rippleWatch_mV: 100, rippleFail_mV: 500 },
};
type Allowed = typeof LIMITS;

/** The band of a reading, and the code where it is not in order. */
const BANDS: Record<ReadingName, (value: number, by: Allowed) => { band: Band; code: string }> = {
  resting_V: (v, by) =>
    !least(v, by.restingFail_V)
      ? { band: 'fail', code: 'resting_low' }
      : !least(v, by.restingWatch_V)
        ? { band: 'watch', code: 'resting_low' }
        : { band: most(v, by.restingHigh_V) ? 'ok' : 'watch', code: 'surface_charge' },
  cranking_V: (v, by) => ({ band: least(v, by.crankingWatch_V) ? 'ok' : least(v, by.crankingFail_V) ? 'watch' : 'fail', code: 'cranking_low' }),
  charging_V: (v, by) => {
    const isGood = least(v, by.chargingWatch_V) && most(v, by.chargingMost_V);
    const band = isGood ? 'ok' : least(v, by.chargingFail_V) && most(v, by.chargingOver_V) ? 'watch' : 'fail';
    return { band, code: v < (by.chargingWatch_V + by.chargingMost_V) / 2 ? 'charging_low' : 'charging_high' };
  },
  loaded_V: (v, by) => ({ band: least(v, by.loadedWatch_V) ? 'ok' : least(v, by.loadedFail_V) ? 'watch' : 'fail', code: 'loaded_low' }),
  ripple_mV: (v, by) => ({ band: most(v, by.rippleWatch_mV) ? 'ok' : most(v, by.rippleFail_mV) ? 'watch' : 'fail', code: 'ripple_high_diode' }),
}; // prettier-ignore

const WORDS: Record<string, string> = {
  resting_low: 'The battery is low at rest.',
  surface_charge: 'The battery was charged just now: load it for a minute and measure again.',
  cranking_low: 'It falls too far while it cranks.',
  charging_low: 'It charges too little.',
  charging_high: 'It charges too much.',
  loaded_low: 'Under load it charges too little.',
  ripple_high_diode: 'The ripple is high: look at the diodes of the alternator.',
};

/** Judges the readings that were taken; at least one is needed. */
export function chargingTest(input: ChargingTestInput): ChargingTestResult {
  const allowed = limitsAt(input.limits, LIMITS);
  if (!READINGS.some((name) => isGiven(input[name])))
    throw new InputError('resting_V', 'missing', 'resting_V: at least one reading is needed');
  const bands: ChargingTestResult['bands'] = {};
  const reasons: Reason[] = [];
  for (const name of READINGS) {
    if (!isGiven(input[name])) continue;
    const value = numberAt(input[name], name, { least: 0, most: name === 'ripple_mV' ? 5000 : 18 });
    const { band, code } = BANDS[name](value, allowed);
    bands[name] = band;
    if (band !== 'ok') reasons.push({ code, level: band, text: WORDS[code]! });
  }
  return {
    bands,
    stateOfCharge_pct: isGiven(input.resting_V) ? chargeOf(input.resting_V!) : null,
    ...judged(reasons),
  };
}
