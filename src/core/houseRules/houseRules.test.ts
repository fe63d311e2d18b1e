/**
 * House rules. Nasty cases: nothing known, a limit met to the year, a date code that is none, a rule without a limit, gas
 * where none is fitted, the standard of finish and whose car it is, safety that nothing moves.
 */
import { describe, expect, test } from '@jest/globals';
import { zonesFor } from '../inspection/checkpoints.ts';
import { BODIES } from '../inspection/zones.ts';
import { FIRST_RULES, proposalsFor, tyreYear, type HouseRule, type VehicleFacts } from './rules.ts';

const facts = (more: Partial<VehicleFacts> = {}): VehicleFacts => ({
  year: null,
  stoodSince: null,
  tyreCode: '',
  gas: false,
  highVoltage: false,
  standard: 'driver',
  ownCar: true,
  ...more,
});
const propose = (more: Partial<VehicleFacts>, rules = FIRST_RULES) => proposalsFor(rules, facts(more), 2026);
const ids = (more: Partial<VehicleFacts>): string[] => propose(more).map((p) => p.rule);
const rule = (more: Partial<HouseRule>): Record<string, HouseRule> => ({
  r: {
    finding: 'found x',
    zone: 'fuel',
    subject: 'works',
    class: 'should',
    why: 'Because.',
    off: false,
    ...more,
  },
});

describe('the rules a shop begins with', () => {
  test('propose nothing of a car of which nothing is known', () => expect(ids({})).toEqual([]));

  test('an old car that stood: rubber, seals, fuel, hoses, fluid, weatherstrip', () => {
    expect(ids({ year: 1961, stoodSince: 2018 })).toEqual([
      'rubber',
      'seals',
      'fuel',
      'hoses',
      'fluid',
      'weatherstrip',
    ]);
  });

  test('an old car that is driven: its hoses and weatherstrip; a young one that stood a year: its fuel', () => {
    expect(ids({ year: 1961 })).toEqual(['hoses', 'weatherstrip']);
    expect(ids({ year: 2020, stoodSince: 2025 })).toEqual(['fuel']);
  });

  test('a limit holds in the year it is reached', () => {
    expect(ids({ year: 2017 })).toEqual([]);
    expect(ids({ year: 2016 })).toEqual(['hoses']);
    expect(ids({ tyreCode: '3517' })).toEqual([]);
    expect(ids({ tyreCode: '3516' })).toEqual(['tyres']);
  });

  test('gas hoses only where gas is fitted', () => {
    expect(ids({ year: 1979, gas: true })).toContain('gas-hose');
    expect(ids({ year: 1979 })).not.toContain('gas-hose');
  });

  test('each is a finding, says why, and lies in a zone that is looked over', () => {
    const zones = BODIES.flatMap((body) => zonesFor({ body, gas: true, highVoltage: true })).map(
      (z) => z.zone,
    );
    for (const r of Object.values(FIRST_RULES)) {
      expect(r.finding).toMatch(/^found /);
      expect(r.why).toMatch(/\.$/);
      expect([...zones, 'underneath']).toContain(r.zone);
    }
  });
});

test('the reason has the facts, the why, and what the standard changed', () => {
  expect(propose({ year: 1961, stoodSince: 2018, ownCar: false })[0]).toEqual({
    rule: 'rubber',
    finding: FIRST_RULES.rubber!.finding,
    zone: 'underneath',
    class: 'must',
    reason:
      'The car is 65 years old and it has stood 8 years. Rubber that has aged and stood tears within the first months of driving, one piece after the other. Must, since it is a customer’s car.',
  });
});

describe('the class', () => {
  const held = (r: Partial<HouseRule>, more: Partial<VehicleFacts>): string =>
    propose({ year: 1960, ...more }, rule({ ageYears: 1, ...r }))[0]!.class;
  test.each<[Partial<HouseRule>, Partial<VehicleFacts>, string]>([
    [{ class: 'should' }, { ownCar: true }, 'should'],
    [{ class: 'should' }, { ownCar: false }, 'must'],
    [{ class: 'nice' }, { ownCar: false }, 'nice'],
    [{ class: 'should' }, { standard: 'race' }, 'must'],
    [{ class: 'nice', subject: 'looks' }, { standard: 'show' }, 'should'],
    [{ class: 'should', subject: 'looks' }, { standard: 'preserve', ownCar: false }, 'nice'],
    [{ class: 'should', subject: 'looks' }, { standard: 'driver', ownCar: false }, 'should'],
    [{ class: 'safety' }, { standard: 'race', ownCar: false }, 'safety'],
    [{ class: 'safety', subject: 'looks' }, { standard: 'preserve' }, 'safety'],
    [{ class: 'must' }, { standard: 'race' }, 'must'],
  ])('%j with %j is %s', (r, more, expected) => expect(held(r, more)).toBe(expected));
});

test('a rule that is off, or has no limit at all, proposes nothing', () => {
  expect(propose({ year: 1960 }, rule({ ageYears: 1, off: true }))).toEqual([]);
  expect(propose({ year: 1960 }, rule({}))).toEqual([]);
  expect(propose({ year: 1960, gas: true }, rule({ fitted: 'gas' }))).toHaveLength(1);
});

test.each([
  ['3514', 2014],
  [' 0126 ', 2026],
  ['5300', 2000],
  ['0014', null],
  ['5414', null],
  ['351', null],
  ['DOT 3514', null],
  ['', null],
])('date code "%s" is of %s', (code, year) => expect(tyreYear(code)).toBe(year));
