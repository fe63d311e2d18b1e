/** Verbs in all their forms. Nasty cases: words that look like a form and are none, irregular ones, what nobody of a shop does. */
import { describe, expect, test } from '@jest/globals';
import type { Kind } from '../log/kinds.ts';
import { kindOfVerb, verbOf } from './verbs.ts';

describe('verbs', () => {
  test.each([
    ['hung', 'hang', 'past'],
    ['rehung', 'rehang', 'past'],
    ['rebuilt', 'rebuild', 'past'],
    ['stripped', 'strip', 'past'],
    ['filled', 'fill', 'past'],
    ['fitting', 'fit', 'ing'],
    ['measured', 'measur', 'past'],
  ] as const)('“%s” is of “%s”', (word, base, form) => {
    expect(verbOf(word)).toEqual({ base, form });
  });

  test.each(['bonnet', 'the', 'red', 'bed', 'ring', ''])('“%s” is no form of a verb', (word) => {
    expect(verbOf(word)).toBeNull();
  });

  test.each<[string, Kind | null]>([
    ['fitting', 'fitted'],
    ['rehung', 'fitted'],
    ['bought', 'spent'],
    ['measured', 'reading'],
    ['received', 'arrived'],
    ['gave', 'did'],
    ['decoked', 'did'],
    ['thought', null],
    ['wanted', null],
    ['left', null],
  ])('somebody of the shop who “%s” says %s', (word, kind) => {
    const verb = verbOf(word);
    expect(verb === null ? null : kindOfVerb(verb)).toBe(kind);
  });
});
