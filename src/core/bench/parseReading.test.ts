/**
 * Readings as they are typed and said. Nasty cases: nothing, a number without a unit, a comma that could be either, mils, quarts and pounds
 * of nobody knows what, nothing to divide by, less than nothing of a mass, colder than anything can be, a unit of another quantity.
 */
import { describe, expect, test } from '@jest/globals';
import { refusal } from '#tests/support/bench.ts';
import { parseReading, type ParseReadingInput } from './parseReading.ts';

const of = (text: string, more: Omit<ParseReadingInput, 'text'> = {}) => {
  const { status, value, unit, choices, reasons } = parseReading({ text, ...more });
  const said = reasons.map((r) => r.code).join();
  return status === 'value'
    ? `${+value!.toPrecision(10)} ${unit}${said && ` (${said})`}`
    : `${said}: ${choices.map((c) => `${+c.value.toPrecision(10)} ${c.unit}`).join(' | ')}`;
};

describe('typed', () => {
  test.each([
    ['0.8 mm', '0.8 mm'],
    ['0,8mm', '0.8 mm'],
    ['−1.5 mm', '-1.5 mm'],
    ['2½ thou', '2.5 thou'],
    ['2 and 1/2 thou', '2.5 thou'],
    ['-1 1/4"', '-1.25 in'],
    ['3/8″', '0.375 in'],
    ["6' ", '6 ft'],
    ['65 lb-ft', '65 lbft'],
    ['65 ft.lbs', '65 lbft'],
    ['120 in-lb', '120 lbin'],
    ['88 N·m', '88 Nm'],
    ['88Nm', '88 Nm'],
    ['9 kg m', '9 kgfm'],
    ['32 psi', '32 psi'],
    ['2.2 bar', '2.2 bar'],
    ['500 cc', '500 mL'],
    ['4.5 L', '4.5 L'],
    ['9 imperial pints', '9 uk_pt'],
    ['9 U.S. qts', '9 us_qt'],
    ['21 °C', '21 C'],
    ['70 deg F', '70 F'],
    ['100 km/h', '100 km/h'],
    ['25 µm', '25 um'],
    ['3 thousandths of an inch', '3 thou'],
    ['4 1/16 of an inch', '4.0625 in'],
  ])('%s', (text, want) => expect(of(text)).toBe(want));
});

describe('said', () => {
  test.each([
    ['one hundred and twenty psi', '120 psi'],
    ['twenty-five thou', '25 thou'],
    ['an inch and a half', '1.5 in'],
    ['two thou and a quarter', '2.25 thou'],
    ['three eighths of an inch', '0.375 in'],
    ['half an inch', '0.5 in'],
    ['three quarters inch', '0.75 in'],
    ['nought point eight mm', '0.8 mm'],
    ['point oh five mm', '0.05 mm'],
    ['minus two and a half mm', '-2.5 mm'],
    ['a hundred foot pounds', '100 lbft'],
    ['nine hundred and ninety-nine mm', '999 mm'],
    ['3 tenths of a mm', '0.3 mm'],
  ])('%s', (text, want) => expect(of(text)).toBe(want));
});

describe('asked, or said to be assumed', () => {
  test.each([
    ['1,250 mm', {}, 'comma_thousands_or_decimal: 1250 mm | 1.25 mm'],
    ['three tenths', {}, 'tenths_inch_or_mm: 0.3 thou | 0.3 mm'],
    ['8 mil', { region: 'us' }, 'mil_thou_or_mm: 8 thou | 8 mm'],
    ['9 gal', {}, 'us_or_uk_measure: 9 us_gal | 9 uk_gal'],
    ['9 gal', { region: 'uk' }, '9 uk_gal'],
    ['65 lb', { expected: 'torque' }, '65 lbft (pounds_read_as_lbft)'],
    ['65 pounds', { expected: 'pressure' }, '65 psi (pounds_read_as_psi)'],
    ['65 #', { expected: 'mass' }, '65 lb'],
    ['65 lbs', {}, 'pounds_of_what: 65 lb | 65 lbft | 65 psi'],
    ['70°', {}, 'celsius_or_fahrenheit: 70 C | 70 F'],
    ['.030', { defaultUnit: 'mm' }, '0.03 mm (assumed_default_unit)'],
    ['.030', { expected: 'length' }, '0.03 in (assumed_inches)'],
    ['30', { expected: 'length' }, 'no_unit: 30 mm | 30 in | 30 thou'],
    ['30', {}, 'no_unit: '],
    ['65', { expected: 'torque' }, 'no_unit: 65 Nm | 65 lbft'],
  ] as [string, Omit<ParseReadingInput, 'text'>, string][])('%s %p', (text, more, want) =>
    expect(of(text, more)).toBe(want)); // prettier-ignore
});

test.each([
  [{ text: '  ' }, 'text missing'],
  [{ text: '1'.repeat(81) }, 'text out_of_range'],
  [{ text: 'wide' }, 'text format'],
  [{ text: '12 furlongs' }, 'text format'],
  [{ text: '1.2.3' }, 'text format'],
  [{ text: '1,250 furlongs' }, 'text format'],
  [{ text: '<script>1</script>' }, 'text format'],
  [{ text: '1/0 in' }, 'text out_of_range'],
  [{ text: '-3 kg' }, 'text out_of_range'],
  [{ text: '-1 pint' }, 'text out_of_range'],
  [{ text: '-300 C' }, 'text out_of_range'],
  [{ text: '3 mm', expected: 'torque' }, 'text inconsistent'],
  [{ text: '3 pints', expected: 'length' }, 'text inconsistent'],
  [{ text: '3', expected: 'length', defaultUnit: 'Nm' }, 'defaultUnit inconsistent'],
  [{ text: '3', defaultUnit: 'furlong' }, 'defaultUnit format'],
  [{ text: '3', expected: 'luck' as never }, 'expected format'],
] as [ParseReadingInput, string][])('%p is refused: %s', (input, said) =>
  expect(refusal(() => parseReading(input))).toBe(said)); // prettier-ignore
