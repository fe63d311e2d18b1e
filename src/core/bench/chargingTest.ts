/**
 * Battery and charging: readings at rest, cranking, charging, under load, and the ripple of the alternator.
 *
 * Sources. 9.6 V cranking: SAE J537 in idea (published; applied here as common practice). State of charge: BCI values for flooded
 * lead-acid at 27 °C (from memory). Bands of charging, load and ripple: common practice.
 */
import { InputError, isGiven, judged, numberAt, SLACK, type Judged, type Reason } from './input.ts';

const READINGS = ['resting_V', 'cranking_V', 'charging_V', 'loaded_V', 'ripple_mV'] as const;
type ReadingName = (typeof READINGS)[number];
type Band = 'ok' | 'watch' | 'fail';

export type ChargingTestInput = Partial<Record<ReadingName, number | null>>;

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

/** The band of a reading, and the code where it is not in order. */
const BANDS: Record<ReadingName, (value: number) => { band: Band; code: string }> = {
  resting_V: (v) =>
    !least(v, 12.06)
      ? { band: 'fail', code: 'resting_low' }
      : !least(v, 12.4)
        ? { band: 'watch', code: 'resting_low' }
        : { band: most(v, 12.9) ? 'ok' : 'watch', code: 'surface_charge' },
  cranking_V: (v) => ({ band: least(v, 9.6) ? 'ok' : least(v, 9) ? 'watch' : 'fail', code: 'cranking_low' }),
  charging_V: (v) => {
    const band = least(v, 13.8) && most(v, 14.8) ? 'ok' : least(v, 13.2) && most(v, 15) ? 'watch' : 'fail';
    return { band, code: v < 14.3 ? 'charging_low' : 'charging_high' };
  },
  loaded_V: (v) => ({ band: least(v, 13.2) ? 'ok' : least(v, 12.8) ? 'watch' : 'fail', code: 'loaded_low' }),
  ripple_mV: (v) => ({
    band: most(v, 100) ? 'ok' : most(v, 500) ? 'watch' : 'fail',
    code: 'ripple_high_diode',
  }),
};

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
  if (!READINGS.some((name) => isGiven(input[name])))
    throw new InputError('resting_V', 'missing', 'resting_V: at least one reading is needed');
  const bands: ChargingTestResult['bands'] = {};
  const reasons: Reason[] = [];
  for (const name of READINGS) {
    if (!isGiven(input[name])) continue;
    const value = numberAt(input[name], name, { least: 0, most: name === 'ripple_mV' ? 5000 : 18 });
    const { band, code } = BANDS[name](value);
    bands[name] = band;
    if (band !== 'ok') reasons.push({ code, level: band, text: WORDS[code]! });
  }
  return {
    bands,
    stateOfCharge_pct: isGiven(input.resting_V) ? chargeOf(input.resting_V!) : null,
    ...judged(reasons),
  };
}
