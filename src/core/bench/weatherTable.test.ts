/**
 * Hours of weather from a table. Nasty cases: nothing, only a head, no column of humidity, words, decimal commas, units behind values, rain that
 * was not measured, too many hours.
 */
import { expect, test } from '@jest/globals';
import { InputError } from './input.ts';
import { weatherOf } from './weatherTable.ts';

const said = (rows: string[][]): string => {
  try {
    weatherOf(rows);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
  return 'taken';
};
const HEAD = ['Hour', 'Temperature (°C)', 'Relative humidity', 'Rain'];

test('columns are found by their names, in any order and with others between', () => {
  expect(weatherOf([HEAD, ['0', '14.5', '90', '0'], ['1', '15', '88', '0.4']])).toEqual([
    { air_C: 14.5, rh_pct: 90, rain_mm: 0 },
    { air_C: 15, rh_pct: 88, rain_mm: 0.4 },
  ]);
  expect(weatherOf([['RH', 'wind', 'Air'], ['60', '3', '18']])).toEqual([{ air_C: 18, rh_pct: 60, rain_mm: 0 }]); // prettier-ignore
});

test('decimal commas and units behind values are read', () =>
  expect(weatherOf([HEAD, ['0', '−2,5 °C'.replace('−', '-'), '90 %', '0,2 mm']])).toEqual([
    { air_C: -2.5, rh_pct: 90, rain_mm: 0.2 },
  ]));

test('rain that was not measured is none', () =>
  expect(weatherOf([HEAD, ['0', '14', '90', ' ']])[0]!.rain_mm).toBe(0));

test.each([
  [[], 'The first line names no column of air.'],
  [[['hour', 'air']], 'The first line names no column of humidity.'],
  [[HEAD], 'There is no hour in it.'],
  [[HEAD, ['0', 'mild', '90', '0']], 'Line 2, Temperature (°C): “mild” is not a number.'],
  [[HEAD, ['0', '14', '90', '0'], ['1', '14']], 'Line 3, Relative humidity: “” is not a number.'],
  [[HEAD, ...Array.from({ length: 2401 }, () => ['0', '14', '90', '0'])], 'At most 2400 hours.'],
] as [string[][], string][])('what is no table of hours is said by its line: %#', (rows, want) =>
  expect(said(rows)).toBe(want),
);
