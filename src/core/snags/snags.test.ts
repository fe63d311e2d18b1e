/** Snags and trial fits. Nasty cases: ended twice, left without a reason, several at one station. */
import { expect, test } from '@jest/globals';
import { inWalkOrder, trialInWords, whyNotEnd } from './snags.ts';

test('they are listed in the order of the walk, those of one place as they were seen', () => {
  const seen = [
    { station: 'underneath', what: 'drip' },
    { station: 'front', what: 'badge' },
    { station: 'rear', what: 'lamp' },
    { station: 'front', what: 'grille' },
  ] as const;
  expect(inWalkOrder(seen).map((s) => s.what)).toEqual(['badge', 'grille', 'lamp', 'drip']);
});

test('a trial says that it fits, or everything that was in the way', () => {
  expect(trialInWords('the bonnet', [])).toBe('tried the bonnet in place: it fits');
  expect(trialInWords('the bonnet', ['left hinge', 'filler cap'])).toBe(
    'tried the bonnet in place, in the way: left hinge; filler cap',
  );
});

test('what is left as it is needs its reason; what is ended stays ended', () => {
  expect(whyNotEnd('open', { state: 'right', said: '' })).toEqual([]);
  expect(whyNotEnd('open', { state: 'left', said: ' ' }).map((f) => f.field)).toEqual(['said']);
  expect(whyNotEnd('right', { state: 'right', said: '' }).map((f) => f.field)).toEqual(['state']);
});
