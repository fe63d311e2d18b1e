/**
 * Units of the bench, by quantity.
 *
 * Sources. All factors: NIST SP 811, appendix B; the inch and pound of 1959; UK pint and gallon: Units of Measurement Regulations 1995
 * (published).
 */
import { InputError, isGiven } from './input.ts';

export type Quantity = 'length' | 'torque' | 'pressure' | 'volume' | 'speed' | 'mass' | 'temperature';

/** To the base unit of each quantity, which is the first; temperatures have a zero of their own. */
export const UNITS: Record<Quantity, Readonly<Record<string, number>>> = {
  length: { mm: 1, um: 0.001, cm: 10, m: 1000, km: 1e6, in: 25.4, thou: 0.0254, ft: 304.8, mi: 1_609_344 },
  torque: { Nm: 1, lbft: 1.3558179483314004, lbin: 0.1129848290276167, kgfm: 9.80665 },
  pressure: { kPa: 1, Pa: 0.001, MPa: 1000, bar: 100, psi: 6.894757293168361 },
  volume: {
    ...{ L: 1, mL: 0.001, us_pt: 0.473176473, us_qt: 0.946352946, us_gal: 3.785411784 },
    ...{ uk_pt: 0.56826125, uk_qt: 1.1365225, uk_gal: 4.54609 },
  },
  speed: { 'km/h': 1, mph: 1.609344, 'm/s': 3.6 },
  mass: { kg: 1, g: 0.001, lb: 0.45359237, oz: 0.028349523125 },
  temperature: { C: 1, F: 5 / 9, K: 1 },
};
/** What is taken off before the factor. */
export const ZERO: Record<string, number> = { F: 32, K: 273.15 };

/** A unit that is known; throws InputError naming the field. */
export function unitAt(value: unknown, field: string): { unit: string; quantity: Quantity; factor: number } {
  if (!isGiven(value) || value === '') throw new InputError(field, 'missing', `${field} is missing`);
  for (const [quantity, units] of Object.entries(UNITS) as [Quantity, Readonly<Record<string, number>>][])
    if (typeof value === 'string' && Object.hasOwn(units, value))
      return { unit: value, quantity, factor: units[value]! };
  throw new InputError(field, 'format', `${field}: no unit that is known`);
}
