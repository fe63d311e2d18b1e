/**
 * How a result is told, what a path is called, and what a played instrument reads. Nasty cases: nothing to tell, long lists, a finding of many
 * reasons, a path that is none, an instrument where it measures nothing.
 */
import { describe, expect, test } from '@jest/globals';
import { labelOf } from './form.ts';
import { CALCULATORS, calculatorNamed } from './index.ts';
import { INSTRUMENTS, plausibleAt } from './plausible.ts';
import { linesOf, readingInWords, toldOf, type Told } from './told.ts';

const of = (name: string, input?: object): Told => {
  const c = calculatorNamed(name)!;
  const given = input ?? c.example;
  return toldOf(c, given, c.work(given));
};

describe('a reading in words', () => {
  test('what, when, the verdict, its first numbers, and why', () =>
    expect(readingInWords(of('cornerWeights'), { moment: 'before', what: 'with driver' })).toBe(
      'Corner weights, with driver before the work: not good. Together 1400 kg; front 57.1 %; left 50.7 %. Cross is 47.9 %; 50 % are wanted.',
    ));
  test('one that is in order says no reason', () =>
    expect(readingInWords(of('tyreSize'), { moment: '', what: ' ' })).toBe(
      'Tyre size: ok. Diameter 631.9 mm; or 24.88 in; sidewall 112.8 mm.',
    ));
  test('what is only good to know is no reason', () => {
    const told = of('driveline', {
      trans_deg: 4,
      shaft_deg: 6,
      pinion_deg: 4,
      shaftMax_rpm: 2500,
      wrap_deg: 0.2,
    });
    expect(told.reasons.map((r) => r.level)).toEqual(['info']);
    expect(readingInWords(told, { moment: '', what: '' })).not.toContain('neglected');
  });
});

describe('values', () => {
  const line = (name: string, label: string, input?: object): string | undefined =>
    of(name, input).lines.find((l) => l.label === label)?.text;
  test('each with its unit, a list with strokes, words spelled out, yes and no', () => {
    expect(line('driveline', 'Joints, at rest')).toBe('0.2 / 4.2°');
    expect(line('componentDate', 'It is')).toBe('later replacement likely');
    expect(line('boreSurvey', 'Bore now')).toBe('yes');
    expect(line('cylinderTests', 'Low, side by side')).toBe('3 and 5');
    expect(line('contactorSequence', 'Done')).toBe('negative closed / pre-charge closed / bus measured / positive closed / pre-charge opened'); // prettier-ignore
    expect(line('earnedValue', 'It ends at, going on so')).toBe('12500');
  });
  test('what could not be worked out stays away', () => {
    expect(line('linePressure', 'With the new one', { pedalForce_N: 300, pedalRatio: 6, masterBore_mm: 25.4 })).toBeUndefined(); // prettier-ignore
    expect(linesOf(calculatorNamed('vinCheck')!, calculatorNamed('vinCheck')!.work({ vin: 'SHORT' })).map((l) => l.label)).toEqual(['Read as']); // prettier-ignore
  });
  test('every example is told without a word of a program in it', () => {
    for (const c of CALCULATORS)
      for (const l of of(c.name).lines) expect(l.text).not.toMatch(/_|\b[a-z]{3,}[A-Z]|null|undefined/);
  });
});

test.each([
  ['boreSurvey', 'nominal_in', 'Bore when new'],
  ['boreSurvey', 'cylinders[1].top.thrust_in', 'Cylinder 2, Top, across the crank'],
  ['boreSurvey', 'pistonClearance_in.min', 'Piston clearance from'],
  ['tapSurvey', 'readings_V[95]', 'Tap 96'],
  ['driveline', 'solve.wedgeStock_deg', 'Wedges that are in stock'],
  ['brakeBias', 'front.pistonBore_mm', 'Piston'],
  ['boreSurvey', 'cylinders', 'Cylinders'],
  ['boreSurvey', 'elsewhere', 'elsewhere'],
])('%s: %s is called “%s”', (name, path, label) =>
  expect(labelOf(calculatorNamed(name)!.fields, path)).toBe(label),
);

describe('a played instrument', () => {
  const middle = () => 0.5;
  test('reads near the example, with noise in its last place', () => {
    const bores = calculatorNamed('boreSurvey')!;
    expect(plausibleAt(bores, 'cylinders[0].top.thrust_in', middle)).toBe(4.0082);
    expect(plausibleAt(bores, 'cylinders[0].top.thrust_in', () => 1)).toBe(4.0083);
    // There are two in the example; the third reads as the first.
    expect(plausibleAt(bores, 'cylinders[2].top.thrust_in', middle)).toBe(4.0082);
  });
  test('of a pack gives tap after tap', () => {
    const taps = calculatorNamed('tapSurvey')!;
    expect([0, 1, 95].map((i) => plausibleAt(taps, `readings_V[${i}]`, middle))).toEqual([3.7, 7.4, 355.2]);
  });
  test('reads nothing where it measures nothing', () => {
    expect(plausibleAt(calculatorNamed('boreSurvey')!, 'oversizes_in', middle)).toBeNull();
    expect(plausibleAt(calculatorNamed('vinCheck')!, 'vin', middle)).toBeNull();
    for (const name of Object.keys(INSTRUMENTS)) expect(calculatorNamed(name)).toBeDefined();
  });
});
