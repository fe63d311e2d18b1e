/**
 * What must hold of every calculator on the bench, and what is typed into it. Nasty cases: readings in another unit than the field's, a comma
 * that could be either, pounds of nobody knows what, empty rows, a part that was never opened, words where numbers belong.
 */
import { describe, expect, test } from '@jest/globals';
import * as bench from '../index.ts';
import { emptyForm, formOf, readForm, specPathsOf, usualPathsOf, workOut } from './form.ts';
import { CALCULATORS, calculatorNamed } from './index.ts';
import * as limits from './limits.ts';
import { linesOf, readingInWords, toldOf } from './told.ts';
import { CAUTIONS, GROUPS, PICTURES, type Calculator, type Field } from './types.ts';

const every = CALCULATORS.map((c) => [c.name, c] as const);
const leaves = (fields: readonly Field[]): Field[] =>
  fields.flatMap((f) => ('fields' in f ? leaves(f.fields) : [f]));

test('every function of the bench stands on it once, under its own name', () => {
  expect(CALCULATORS.map((c) => c.name).sort()).toEqual(Object.keys(bench).sort());
  for (const [name, c] of every) expect((bench as Record<string, unknown>)[name]).toBe(c.work);
  expect(CALCULATORS.length).toBe(46);
});

describe.each(every)('%s', (_name, c: Calculator) => {
  test('has a title, a group, and sources with their marks', () => {
    expect(c.title).toMatch(/^[A-Z]/);
    expect(Object.keys(GROUPS)).toContain(c.group);
    expect(c.sources.length).toBeGreaterThan(0);
    for (const source of c.sources) {
      expect(['published', 'derived', 'common practice', 'from memory']).toContain(source.mark);
      expect(source.text.length).toBeGreaterThan(10);
    }
  });

  test('has a unit for every number, and a mark for every limit that may be changed', () => {
    for (const field of leaves(c.fields)) {
      if (field.type !== 'number') continue;
      // Money by the hour is in the shop's own currency; a ratio and a logarithm have no unit.
      if (/_[a-zA-Z0-9]+$/.test(field.name) && !/(rate_per_h|_ratio|_ln)$/.test(field.name))
        expect([field.name, field.unit]).not.toEqual([field.name, '']);
      if (field.otherwise !== undefined && field.mark !== undefined)
        expect(['published', 'derived', 'common practice', 'from memory']).toContain(field.mark);
    }
  });

  test('has cautions where its group demands them, and a picture or a reason for none', () => {
    for (const caution of c.cautions) expect(Object.keys(CAUTIONS)).toContain(caution);
    if (c.group === 'highVoltage') expect(c.cautions).toContain('highVoltage');
    if (c.group === 'finish') expect(c.cautions).toContain('paint');
    if (typeof c.picture === 'string') expect(PICTURES).toContain(c.picture);
    else expect(c.picture.none.length).toBeGreaterThan(10);
  });

  test('works its example out, typed as it would be, and tells it', () => {
    const form = formOf(c.fields, c.example);
    const { input, isRead, said } = readForm(c.fields, form);
    expect([said, isRead]).toEqual([{}, true]);
    expect(input).toEqual(JSON.parse(JSON.stringify(c.example)));
    const { result, refused } = workOut(c, input);
    expect(refused).toBeNull();
    const told = toldOf(c, input, result!);
    expect(told.lines.length).toBeGreaterThan(0);
    for (const line of [...told.sum, ...told.right, ...told.lines.map((l) => l.text)])
      expect(line).not.toMatch(/NaN|undefined|Infinity|\[object/);
    expect(readingInWords(told, { moment: 'after', what: '' })).toContain(c.title);
  });

  test('says once for a vehicle only what it has fields for', () => {
    const names = c.fields.map((f) => f.name);
    for (const name of c.spec) expect(names).toContain(name);
    expect(specPathsOf(c)).toEqual(expect.arrayContaining(usualPathsOf(c)));
  });

  test('asks for its first field when nothing is typed', () => {
    const { input } = readForm(c.fields, emptyForm(c.fields));
    const { result, refused } = workOut(c, input);
    if (!result) expect(['missing', 'out_of_range', 'inconsistent']).toContain(refused!.code);
  });
});

/** A value put at a path, into a copy. */
function withAt(input: object, path: string, value: number): object {
  const copy = structuredClone(input) as Record<string, unknown>;
  const steps = path.split('.');
  let at = copy;
  for (const step of steps.slice(0, -1)) at = (at[step] ??= {}) as Record<string, unknown>;
  at[steps.at(-1)!] = value;
  return copy;
}
const usuals = (fields: readonly Field[], before = ''): [string, number][] =>
  fields.flatMap((f): [string, number][] => {
    if (f.type === 'part') return usuals(f.fields, `${before}${f.name}.`);
    return f.type === 'number' && f.otherwise !== undefined ? [[before + f.name, f.otherwise]] : [];
  });

test.each(
  every.flatMap(([name, c]) => usuals(c.fields).map(([path, value]) => [name, path, value] as const)),
)('%s: what is said to be usual at %s is what is taken where nothing is typed', (name, path, value) => {
  const c = calculatorNamed(name)!;
  const at = path.split('.').slice(0, -1).join('.');
  const { result } = workOut(c, withAt(c.example, path, value));
  // A part that the example has not needs more than its limits: nothing to compare.
  if (result === null) return expect(at).not.toBe('');
  const own = path.split('.').reduce<unknown>((of, step) => (of as Record<string, unknown> | undefined)?.[step], c.example); // prettier-ignore
  if (own === undefined) expect(result).toEqual(c.work(c.example));
});

describe('limits of the shop’s own', () => {
  const all = Object.entries(limits).map(([name, of]) => [name, of as Record<string, number>] as const);
  test.each(all)(
    '%s: every one stands on its screen; as usual they change nothing; a wrong one is named',
    (name, of) => {
      const c = calculatorNamed(name)!;
      expect(usualPathsOf(c)).toEqual(expect.arrayContaining(Object.keys(of).map((key) => `limits.${key}`)));
      expect(c.work({ ...c.example, limits: of })).toEqual(c.work(c.example));
      const [first] = Object.keys(of);
      expect(workOut(c, { ...c.example, limits: { [first!]: 'wide' } }).refused).toMatchObject({ field: `limits.${first}`, code: 'not_a_number' }); // prettier-ignore
      expect(workOut(c, { ...c.example, limits: { [first!]: -1 } }).refused!.code).toBe('out_of_range');
    },
  );
  test('they are what is judged by', () => {
    const change = { fitted: 'P215/75R15', proposed: 'P235/75R15' };
    expect(bench.tyreChange(change).verdict).toBe('fail');
    expect(bench.tyreChange({ ...change, limits: { watch_pct: 5, fail_pct: 6 } }).reasons.map((r) => r.code)).toEqual(['speedo_under_reads']); // prettier-ignore
    expect(bench.parasiticDrain({ drain_mA: 80, capacity_Ah: 60, limits: { raised_mA: 100 } }).verdict).toBe(
      'ok',
    );
    expect(bench.chargingTest({ resting_V: 12.3, limits: { restingWatch_V: 12.2 } }).verdict).toBe('ok');
    expect(bench.blastToPrime({ hoursSinceBlast_h: 5, rh_pct: 70, limits: { damp_h: 8 } }).limit_h).toBe(8);
  });
});

describe('typed into a field', () => {
  const bores = calculatorNamed('boreSurvey')!;
  const read = (
    name: string,
    typed: string,
    region: 'us' | 'uk' | null = null,
    of = bores,
    units: 'metric' | 'imperial' = 'imperial',
  ) => {
    const { input, said, isRead } = readForm(of.fields, { [name]: typed }, { region, units });
    return { value: input[name], said: said[name], isRead };
  };
  test.each([
    ['4', 4, undefined],
    ['4.0082', 4.0082, undefined],
    ['4"', 4, undefined],
    ['3-15/16', 3.9375, undefined],
    ['101.6 mm', 4, '= 4 in'],
    ['30 thou', 0.03, '= 0.03 in'],
    ['.030', 0.03, undefined],
  ])('%s is %s in', (typed, value, understood) => {
    const { value: got, said } = read('nominal_in', typed);
    expect(got).toBeCloseTo(value, 9);
    expect(said?.understood).toBe(understood);
  });
  test('shop notation is inches in a field of millimetres too, and is said to be', () => {
    const wheel = calculatorNamed('wheelFit')!;
    expect(read('innerClearance_mm', '.030', null, wheel)).toEqual({ value: expect.closeTo(0.762, 12), said: { understood: '= 0.762 mm' }, isRead: true }); // prettier-ignore
    expect(read('innerClearance_mm', '12', null, wheel)).toEqual({
      value: 12,
      said: undefined,
      isRead: true,
    });
  });
  test('it is shown back in the shop’s units too, where the field has others', () => {
    expect(read('nominal_in', '4 1/64"', null, bores, 'metric').said).toBeUndefined();
    expect(read('nominal_in', '30 thou', null, bores, 'metric').said!.understood).toBe(
      '= 0.03 in = 0.762 mm',
    );
    const wheel = calculatorNamed('wheelFit')!;
    expect(read('innerClearance_mm', '1 cm', null, wheel, 'imperial').said!.understood).toBe(
      '= 10 mm = 0.3937 in',
    );
  });
  test('so it is in cells: a piston in millimetres, a pressure in bar', () => {
    const { input } = readForm(bores.fields, {
      'newPistons_in#': '2',
      'newPistons_in[0]': '101.6 mm',
      'newPistons_in[1]': '4.001',
    });
    expect(input.newPistons_in).toEqual([expect.closeTo(4, 9), 4.001]);
    const cylinders = calculatorNamed('cylinderTests')!;
    const dry = readForm(cylinders.fields, { 'dry_psi#': '1', 'dry_psi[0]': '10 bar' }).input
      .dry_psi as number[];
    expect(dry[0]).toBeCloseTo(145.04, 2);
  });
  test('a torque is read in whatever the wrench shows', () => {
    const bolts = calculatorNamed('fastener')!;
    const { input } = readForm(bolts.fields, { 'applied?': 'open', 'applied.value': '65 ft lb' });
    expect(input.applied).toEqual({ unit: 'Nm', value: expect.closeTo(88.128, 3) });
  });
  test('a comma that could be either is asked, and each answer leaves nothing open', () => {
    const { said, isRead, value } = read('nominal_in', '4,125');
    expect([value, isRead]).toEqual([undefined, false]);
    expect(said!.choices!.map((c) => read('nominal_in', c.text).value)).toEqual([4125, 4.125]);
  });
  test('quarts are asked, unless the shop stands where they are known', () => {
    const fluids = calculatorNamed('fluidBalance')!;
    const { said } = read('drained_l', '9 quarts', null, fluids);
    expect(said!.choices!.map((c) => read('drained_l', c.text, null, fluids).value)).toEqual([expect.closeTo(8.517176514, 9), expect.closeTo(10.2287025, 9)]); // prettier-ignore
    expect(read('drained_l', '9 quarts', 'us', fluids).value).toBeCloseTo(8.517, 3);
  });
  test('what is no number, or of another quantity, is said at its field', () => {
    expect(read('nominal_in', 'wide').said!.fault).toContain('no number');
    expect(read('nominal_in', '3 kg').said!.fault).toContain('length is wanted');
    const line = calculatorNamed('driveline')!;
    expect(read('trans_deg', '3°', null, line).value).toBe(3);
    expect(read('trans_deg', '-2 1/2 degrees', null, line).value).toBe(-2.5);
    expect(read('trans_deg', '3 mm', null, line).said!.fault).toContain('not in mm');
    expect(read('trans_deg', 'steep', null, line).said!.fault).toBe('is not a number');
  });
  test('what is asked only beside something else is read only then', () => {
    const isolation = calculatorNamed('isolation')!;
    const form = { method: 'direct', rPos_ohm: '1000', vNeg_V: '3' };
    expect(readForm(isolation.fields, form).input).toEqual({ method: 'direct', rPos_ohm: 1000 });
    expect(readForm(isolation.fields, { ...form, method: 'voltmeter' }).input).toEqual({ method: 'voltmeter', vNeg_V: 3 }); // prettier-ignore
  });
  test('rows that nobody typed in are none; one in the middle is asked for by its path', () => {
    const form = { 'edgeA#': '3', 'edgeA[0].gap_mm': '4', 'edgeA[2].gap_mm': '5', targetGap_mm: '4' };
    const gaps = calculatorNamed('panelGaps')!;
    const { input } = readForm(gaps.fields, { ...form, 'edgeA#': '9' });
    expect((input.edgeA as unknown[]).length).toBe(3);
    expect(workOut(gaps, input).refused).toMatchObject({ field: 'edgeA[1].gap_mm', code: 'missing' });
  });
  test('a list in one line names the word that is no number', () => {
    const { said, isRead } = readForm(bores.fields, { oversizes_in: '0.020 big 0.040' });
    expect(said.oversizes_in?.fault).toMatch(/^“0\.020 big” /);
    expect(isRead).toBe(false);
  });
});

test('lists that are long are cut, and say so', () => {
  const taps = calculatorNamed('tapSurvey')!;
  const readings_V = Array.from({ length: 40 }, (_, i) => (i % 2 ? 3 : -1));
  const lines = linesOf(taps, taps.work({ kind: 'cells', readings_V }));
  expect(lines.find((l) => l.label === 'Taps at fault')!.text).toMatch(/ and 4 more$/);
});

describe('several numbers in one field', () => {
  const bores = calculatorNamed('boreSurvey')!;
  const driveline = calculatorNamed('driveline')!;
  const read = (text: string) => readForm(bores.fields, { oversizes_in: text });

  test.each([
    ['0.020 0.030 0.040', [0.02, 0.03, 0.04]],
    ['.020, .030; .040', [0.02, 0.03, 0.04]],
    ['20 thou, 30 thou', [0.02, 0.03]],
    // What stands behind the last is meant of all.
    ['20 30 40 thou', [0.02, 0.03, 0.04]],
    ['1/64 1/32 in', [1 / 64, 1 / 32]],
    ['1 1/2 2', [1.5, 2]],
    ['0.5 mm 0.030 in', [0.5 / 25.4, 0.03]],
    ['', undefined],
  ])('“%s”', (text, wanted) => {
    const { input, isRead } = read(text);
    const got = input.oversizes_in as number[] | undefined;
    expect(isRead).toBe(true);
    expect(got?.map((v) => +v.toFixed(9))).toEqual(wanted?.map((v) => +v.toFixed(9)));
  });

  test('what is read in another unit is shown back; what is none is named', () => {
    expect(read('20 30 thou').said.oversizes_in?.understood).toBe('= 0.02, 0.03 in');
    const { said, isRead } = read('0.020 lots');
    expect(isRead).toBe(false);
    expect(said.oversizes_in?.fault).toMatch(/^“0\.020 lots”/);
    expect(read('20 psi').said.oversizes_in?.fault).toMatch(/^“20 psi”/);
  });

  test('degrees, in a part that is opened', () => {
    const path = driveline.fields.find(
      (f) => f.type === 'part' && f.fields.some((g) => g.type === 'numbers'),
    )!;
    const { input } = readForm([path], {
      [`${path.name}?`]: 'open',
      [`${path.name}.wedgeStock_deg`]: '1 2 deg',
    });
    expect(JSON.stringify(input)).toContain('[1,2]');
  });
});

describe('a limit that the car or the shop keeps', () => {
  const withLimit = CALCULATORS.find((c) => usualPathsOf(c).some((p) => p.includes('.')))!;
  const path = usualPathsOf(withLimit).find((p) => p.includes('.'))!;
  const at = (input: object): unknown =>
    path.split('.').reduce<unknown>((of, step) => (of as Record<string, unknown> | undefined)?.[step], input);

  test('holds where its field is cleared, and where its part is closed; what is typed wins', () => {
    const standing = { [path]: '7' };
    const cleared = readForm(withLimit.fields, { [path]: '' }, undefined, standing);
    expect(at(cleared.input)).toBe(7);
    expect(cleared.said[path]?.understood).toContain('as is kept');
    expect(
      at(
        readForm(withLimit.fields, { [path]: '8', [`${path.split('.')[0]!}?`]: 'open' }, undefined, standing)
          .input,
      ),
    ).toBe(8);
    expect(at(readForm(withLimit.fields, {}).input)).toBeUndefined();
  });
});
