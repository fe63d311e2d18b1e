/**
 * Units, converted.
 *
 * Sources. As in units.ts (published).
 */
import { inconsistent, InputError, judged, numberAt, SLACK, type Judged } from './input.ts';
import { UNITS, unitAt, ZERO, type Quantity } from './units.ts';

const ABSOLUTE_ZERO_C = -273.15;

export interface ConvertInput {
  value: number;
  from: string;
  to: string;
}

export interface ConvertResult extends Judged {
  value: number;
  unit: string;
  quantity: Quantity;
  siValue: number;
  siUnit: string;
}

/** Converts a value from one unit of a quantity to another. */
export function convert(input: ConvertInput): ConvertResult {
  const value = numberAt(input.value, 'value', { least: -1e15, most: 1e15 });
  const [from, to] = [unitAt(input.from, 'from'), unitAt(input.to, 'to')];
  if (from.quantity !== to.quantity) throw inconsistent('to', `${to.unit} is no unit of ${from.quantity}`);
  const siValue = (value - (ZERO[from.unit] ?? 0)) * from.factor;
  if (from.quantity === 'temperature' && siValue < ABSOLUTE_ZERO_C - SLACK)
    throw new InputError('value', 'out_of_range', 'value is below absolute zero');
  return {
    value: siValue / to.factor + (ZERO[to.unit] ?? 0),
    unit: to.unit,
    quantity: from.quantity,
    siValue,
    siUnit: Object.keys(UNITS[from.quantity])[0]!,
    ...judged([]),
  };
}
