/**
 * A resistor in series, for a device of a lower voltage.
 *
 * Source. E24: IEC 60063 (published). Twice the power as rating: common practice.
 */
import { inconsistent, isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface SeriesResistorInput {
  supply_V: number;
  device_V: number;
  device_A: number;
  resistorRating_W?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface SeriesResistorResult extends Judged {
  resistance_ohm: number;
  /** The next of the series, upwards. */
  standard_ohm: number;
  power_W: number;
  recommendedRating_W: number;
  currentWithStandard_A: number;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { hot: 0.5, over: 2 };

const E24 = [
  1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2,
  9.1,
];

function standardAbove(ohms: number): number {
  const decade = 10 ** Math.floor(Math.log10(ohms) + SLACK);
  const value = E24.find((e) => e * decade >= ohms - SLACK);
  return value === undefined ? 10 * decade : Number((value * decade).toPrecision(3));
}

/** Works out the resistor that a device needs at a supply. */
export function seriesResistor(input: SeriesResistorInput): SeriesResistorResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const supply = numberAt(input.supply_V, 'supply_V', { above: 0, most: 1000 });
  const device = numberAt(input.device_V, 'device_V', { above: 0, most: 1000 });
  const current = numberAt(input.device_A, 'device_A', { above: 0, most: 1000 });
  const rating = isGiven(input.resistorRating_W)
    ? numberAt(input.resistorRating_W, 'resistorRating_W', { above: 0, most: 100_000 })
    : null;
  if (device >= supply) throw inconsistent('device_V', 'not below the supply');
  const over = supply - device;
  const [resistance, power] = [over / current, over * current];
  const standard = standardAbove(resistance);
  const reasons: Reason[] = [];
  const text = `It makes ${power.toFixed(1)} W of heat.`;
  if (rating !== null && power > rating + SLACK)
    reasons.push({ code: 'resistor_overloaded', level: 'fail', text });
  else if (rating !== null && power > allowed.hot * rating + SLACK)
    reasons.push({ code: 'resistor_runs_hot', level: 'watch', text });
  return {
    resistance_ohm: resistance,
    standard_ohm: standard,
    power_W: power,
    recommendedRating_W: allowed.over * power,
    currentWithStandard_A: over / standard,
    ...judged(reasons),
  };
}
