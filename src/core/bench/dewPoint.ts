/**
 * Dew point: at what temperature the air begins to wet what it touches.
 *
 * Sources. Magnus form and its constants, for −40 to 50 °C: Alduchov & Eskridge 1996, J. Appl. Meteor. 35, 601–609 (published).
 */
import { judged, numberAt, type Judged } from './input.ts';

export interface DewPointInput {
  air_C: number;
  rh_pct: number;
}

export interface DewPointResult extends Judged {
  dewPoint_C: number;
  saturationPressure_hPa: number;
  vapourPressure_hPa: number;
  spread_K: number;
}

const MAGNUS_A = 17.625;
/** °C */
const MAGNUS_B = 243.04;
/** hPa */
const MAGNUS_E0 = 6.1094;

export const airAt = (value: unknown, field: string): number =>
  numberAt(value, field, { least: -40, most: 50 });
export const humidityAt = (value: unknown, field: string): number =>
  numberAt(value, field, { above: 0, most: 100 });

/** Dew point in °C of air at a temperature and relative humidity that were looked at. */
export function dewPointOf(air_C: number, rh_pct: number): number {
  const g = Math.log(rh_pct / 100) + (MAGNUS_A * air_C) / (MAGNUS_B + air_C);
  return (MAGNUS_B * g) / (MAGNUS_A - g);
}

/** Dew point of air and how far off it is. */
export function dewPoint(input: DewPointInput): DewPointResult {
  const air = airAt(input.air_C, 'air_C');
  const rh = humidityAt(input.rh_pct, 'rh_pct');
  const saturation = MAGNUS_E0 * Math.exp((MAGNUS_A * air) / (MAGNUS_B + air));
  const dew = dewPointOf(air, rh);
  return {
    dewPoint_C: dew,
    saturationPressure_hPa: saturation,
    vapourPressure_hPa: (saturation * rh) / 100,
    spread_K: air - dew,
    ...judged([]),
  };
}
