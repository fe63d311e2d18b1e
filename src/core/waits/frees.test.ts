/** Typed waits by their words, and what an act frees. Nasty cases: names inside other words, nobody held, all by one act. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { HOLD_KINDS, type Hold } from './binding.ts';
import { freeingActs, rankByFreeing, type HeldBuild, type Helped } from './frees.ts';
import { saidHold } from './said.ts';

const names = {
  customer: 'Ruan Teague',
  people: ['Petra Vosk', 'Milo Tarrant'],
  cars: ['hearse', 'milk float'],
};

test.each([
  ['money from Ruan', undefined, 'payment', 'ask Ruan Teague for it'],
  ['the second instalment', undefined, 'payment', 'ask Ruan Teague for it'],
  ['Ruan to say yes', undefined, 'answer', 'ring Ruan Teague'],
  ['glass', 'Marram Glass', 'vendor', 'ring Marram Glass'],
  ['the hearse to leave the blast room', undefined, 'other build', 'see to the hearse first'],
  ['a dry day for the float test', undefined, 'weather', 'keep the first fit day free for it'],
  ['rain to stop', undefined, 'weather', 'keep the first fit day free for it'],
  ['Petra back from leave', undefined, 'person', 'give Petra Vosk the time for it'],
  ['filler to harden', undefined, 'cure', 'let it rest'],
  ['owner at sea until March', undefined, 'said', 'ask how it stands'],
  // Names inside other words, and words inside names, are not they.
  ['the hearses’ club to answer', undefined, 'said', 'ask how it stands'],
  ['petrapoxy resin', undefined, 'said', 'ask how it stands'],
  ['sunroof seal', undefined, 'said', 'ask how it stands'],
])('“%s” (%s) is %s: %s', (subject, vendor, kind, act) => {
  const wait = vendor === undefined ? { subject } : { subject, vendor };
  expect(saidHold(wait, names)).toEqual({ kind, act });
});

test('a person that the line named is waited for, whatever else it says', () => {
  const wait = { subject: 'finish the milk float', person: 'Petra Vosk' };
  expect(saidHold(wait, names)).toEqual({ kind: 'person', act: 'give Petra Vosk the time for it' });
});

const hold = (act: string, until: string | null = null): Hold => ({
  kind: 'part',
  what: act,
  since: '2026-03-01',
  until,
  act,
});
/** Without tasks: everything that holds it has to end. */
const build = (
  nickname: string,
  binding: Hold | null,
  others: Hold[] = [],
  ways?: number[][],
): HeldBuild => ({
  buildId: nickname,
  nickname,
  binding,
  others,
  ways: binding === null ? [] : (ways ?? [[...others.keys(), others.length]]),
});
const names2 = (of: Helped[]): string[] => of.map((h) => h.build.nickname);

describe('what one act frees', () => {
  test('the same act for several cars is one; a car with something else in its way is only brought on', () => {
    const acts = freeingActs(
      [
        build('hearse', hold('ring Halcyon', '2026-03-20')),
        build('estate', hold('ring Marram', '2026-03-02')),
        build('drophead', hold('ring Halcyon'), [hold('ring Halcyon', '2026-03-05')]),
        build('rally car', hold('ring Halcyon'), [hold('ask Anselm')]),
        build('camper', null),
      ],
      '2026-03-11',
    );
    expect(acts.map((a) => [a.act, names2(a.frees), names2(a.bringsOn)])).toEqual([
      ['ring Halcyon', ['hearse', 'drophead'], ['rally car']],
      ['ring Marram', ['estate'], []],
    ]);
    expect([...rankByFreeing(acts)]).toEqual([
      ['hearse', 0],
      ['drophead', 0],
      ['rally car', 0],
      ['estate', 1],
    ]);
  });

  test('of acts that free as many, what is overdue comes first, then what nobody knows the end of', () => {
    const acts = freeingActs(
      [
        build('a', hold('soon', '2026-03-20')),
        build('b', hold('some day')),
        build('c', hold('late', '2026-03-02')),
      ],
      '2026-03-11',
    );
    expect(acts.map((a) => a.act)).toEqual(['late', 'some day', 'soon']);
  });

  test('a car is freed by what holds one of its tasks, not by what only ends last', () => {
    const sign = { ...hold('sign it'), kind: 'gate' as const };
    const acts = freeingActs([build('pump', hold('ask Anselm'), [sign], [[1]])], '2026-03-11');
    expect(acts.map((a) => [a.act, names2(a.frees), names2(a.bringsOn)])).toEqual([
      ['sign it', ['pump'], []],
      ['ask Anselm', [], ['pump']],
    ]);
  });

  test('one car out of the only bay lets one in, the one that presses most; the others are brought on', () => {
    const bay = (until: string | null): Hold => ({ ...hold('move the hearse', until), kind: 'place' });
    const acts = freeingActs(
      [build('a', bay(null)), build('b', bay('2026-03-02')), build('c', bay(null))],
      '2026-03-11',
    );
    expect(acts.map((a) => [names2(a.frees), names2(a.bringsOn)])).toEqual([[['b'], ['a', 'c']]]);
  });

  test('an act that would only show the next hold frees nothing', () => {
    const booth = { ...hold('move the hearse'), kind: 'place' as const };
    const painter = { ...hold('find another painter'), kind: 'person' as const };
    const [act] = freeingActs([build('estate', booth, [painter], [[0, 1]])], '2026-03-11');
    expect([act!.act, act!.frees, names2(act!.bringsOn)]).toEqual(['move the hearse', [], ['estate']]);
  });

  test('time alone ends a cure: nobody does it', () => {
    const cure = { ...hold('let it rest', '2026-03-12'), kind: 'cure' as const };
    expect(freeingActs([build('tricycle', cure)], '2026-03-11')).toEqual([]);
  });

  test('each car that an act helps is in one, and no order of the cars changes the acts (seed 5)', () => {
    const holds = fc.record({
      kind: fc.constantFrom(...HOLD_KINDS),
      what: fc.string({ maxLength: 3 }),
      since: fc.constant('2026-03-01'),
      until: fc.constantFrom(null, '2026-03-02', '2026-03-30'),
      act: fc.constantFrom('a', 'b', 'c'),
    });
    const builds = fc.uniqueArray(
      fc.record({
        buildId: fc.string({ minLength: 1, maxLength: 4 }),
        nickname: fc.string(),
        binding: fc.option(holds),
        others: fc.array(holds, { maxLength: 3 }),
        ways: fc.constant([]),
      }),
      { selector: (b) => b.buildId, maxLength: 12 },
    );
    fc.assert(
      fc.property(builds, (given) => {
        const acts = freeingActs(given, '2026-03-11');
        const all = acts.flatMap((a) => [...a.frees, ...a.bringsOn]).map((h) => h.build.buildId);
        expect([...all].sort()).toEqual(
          given
            .filter((b) => b.binding && b.binding.kind !== 'cure')
            .map((b) => b.buildId)
            .sort(),
        );
        expect(freeingActs([...given].reverse(), '2026-03-11').map((a) => a.act)).toEqual(
          acts.map((a) => a.act),
        );
      }),
      { seed: 5, numRuns: 200 },
    );
  });
});
