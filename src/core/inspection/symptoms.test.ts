/** Nasty cases: nothing yet, only what it is not, a cause without proof, a proof without a cause. */
import { expect, test } from '@jest/globals';
import { whyNotExplained, whyNotRole, type SymptomLink } from './symptoms.ts';

const link = (role: SymptomLink['role'], hasPhotos = false, kind = 'found'): SymptomLink => ({
  entryId: role,
  role,
  kind,
  hasPhotos,
});

test.each([
  ['nothing', [], /not looked into/],
  ['only what it is not', [link('ruled out', true)], /no cause found/],
  ['a proof of nothing', [link('proof')], /no cause found/],
  ['a bare cause', [link('ruled out', true), link('cause')], /nothing shows it/],
])('%s does not explain it', (_, links, why) => {
  expect(whyNotExplained(links)).toMatch(why);
});

test('a cause with a picture of its own, or with a reading beside it, does', () => {
  expect(whyNotExplained([link('cause', true)])).toBeNull();
  expect(whyNotExplained([link('cause'), link('proof', false, 'reading')])).toBeNull();
});

test('only a finding is a cause; anything can prove or rule out', () => {
  expect(whyNotRole('cause', 'did')).toMatch(/only a finding/);
  expect(whyNotRole('cause', 'found')).toBeNull();
  expect(whyNotRole('proof', 'reading')).toBeNull();
});
