/**
 * What is said without a word for its kind, and verbs in all their forms. Invented sentences, as shops speak; which kind each is follows
 * common practice. Nasty cases: words that look like a fault and are none, hours of nothing, a need that is a wish, forms that are no verb.
 */
import { describe, expect, test } from '@jest/globals';
import type { Kind } from '../log/kinds.ts';
import { unsaidKind } from './unsaid.ts';
import { kindOfVerb, verbOf } from './verbs.ts';

const said = (text: string, hours?: string, measures = 0): Kind | null => {
  const at = hours === undefined ? -1 : text.indexOf(hours);
  const around =
    hours === undefined ? null : { before: text.slice(0, at), behind: text.slice(at + hours.length) };
  return unsaidKind({ text, around, hasPrice: false, measures });
};

test.each<[string, Kind | null]>([
  ['the wood under it is black', 'found'],
  ["rubber's gone hard", 'found'],
  ['got a run on the nearside door', 'found'],
  ["there's play in the box", 'found'],
  ['the door will not shut', 'found'],
  ['it lets water in', 'found'],
  ['wiring behind it is a dog’s breakfast', 'found'],
  ['needs a rebore', 'found'],
  ['that wants doing', 'found'],
  ['nothing on that till the glass turns up', 'waiting'],
  ['nothing from Skerry', 'waiting'],
  ['he said get two', 'decided'],
  ['Skerry wants 410 for the charger', 'asked'],
  ['used two bottles of compound, 46', 'spent'],
  ['the timber bill was 96.40', 'spent'],
  ['number one bore is 3.4385 at the top', 'reading'],
  ['Joss has the motor out', 'did'],
  ["that's the outer skin tacked on", 'did'],
  // No fault, no need, nothing done.
  ['the pedal is firm', null],
  ['gave it a run', null],
  ['he likes it', null],
  ['the van needs to be here by Friday', null],
  ['it looked finished', null],
  ['', null],
])('“%s” is %s', (text, kind) => {
  expect(said(text)).toBe(kind);
});

test.each<[string, string, Kind | null]>([
  ['curtain rail is up half an hour', 'half an hour', 'fitted'],
  ['got the tailgate hung, two hours', 'two hours', 'fitted'],
  ['had the window channels out, two hours', 'two hours', 'did'],
  ['the horn works now, forty minutes', 'forty minutes', 'did'],
  ['wee job, fixed the strap, twenty minutes', 'twenty minutes', 'did'],
  // Only hours: on what, by whom, how many in all.
  ['two hours on the rear arch', 'two hours', null],
  ["Petra's got six hours in it", 'six hours', null],
  ['about an hour', 'an hour', null],
  ['Joss, two hours on the hood', 'two hours', null],
])('“%s” with %s is %s', (text, hours, kind) => {
  expect(said(text, hours)).toBe(kind);
});

test('a measure is a reading, whatever it says of how the thing is; a price and hours are of something found', () => {
  expect(said('the pad looks thin, 2 mm', undefined, 1)).toBeNull();
  expect(unsaidKind({ text: "new relay's 14 and an hour", around: null, hasPrice: true, measures: 0 })).toBe(
    'found',
  );
});

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
