/** Nasty cases: nothing changed, a budget that comes or goes, a day taken back, a limit below what was used. */
import { expect, test } from '@jest/globals';
import { changesOfAgreed, whyNotDiscretion, type Agreed } from './agreed.ts';

const manner = { currency: 'GBP', locale: 'en-GB' };
const before: Agreed = {
  complaint: 'It smokes.',
  standard: 'driver',
  promised: '2026-05-01',
  eventDay: null,
  budgetMinor: 600_000,
  discretionMinor: 10_000,
  customerEmail: 'ilse@brandt.example',
  tellBy: 'mail',
  tellEveryDays: 14,
};
const said = (after: Partial<Agreed>): string[] =>
  changesOfAgreed(before, { ...before, ...after }, manner).map((c) => c.text);

test('only what is different is said, with what it was', () => {
  expect(said({})).toEqual([]);
  expect(said({ budgetMinor: 900_000 })).toEqual(['decided budget: £9,000.00 (was £6,000.00)']);
  expect(said({ budgetMinor: null, standard: 'show' })).toEqual([
    'decided standard of finish: show (was driver)',
    'decided budget: none (was £6,000.00)',
  ]);
  expect(said({ promised: null })).toEqual([expect.stringMatching(/^decided promise: none \(was .*1 May/)]);
  expect(said({ complaint: 'It smokes and pulls.' })).toEqual([
    'decided what they came with: “It smokes and pulls.” (was “It smokes.”)',
  ]);
});

test('money, days and finish are told to the customer; how to reach them stays in the shop', () => {
  const after = { ...before, budgetMinor: 1, tellBy: 'both', tellEveryDays: 1, customerEmail: 'i@b.example' };
  expect(changesOfAgreed(before, after, manner).map((c) => [c.audience, c.text])).toEqual([
    ['customer', 'decided budget: £0.01 (was £6,000.00)'],
    ['shop', 'decided address for letters: i@b.example (was ilse@brandt.example)'],
    ['shop', 'decided to be told: by mail and telephone (was by mail)'],
    ['shop', 'decided to be told every: day (was 14 days)'],
  ]);
});

test('the limit never falls below what was spent inside it', () => {
  expect(whyNotDiscretion(5000, 5000, manner)).toBeNull();
  expect(whyNotDiscretion(4999, 5000, manner)).toBe('£50.00 of it is used already');
});
