/** Loans. Nasty cases: due today, no day, the same day, back on the day it was lent, days the wrong way round, a thousand. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addDays } from '../time/days.ts';
import { inOrder, isOverdue, whyNotLoan, type Loan } from './loans.ts';

const TODAY = '2026-03-11';
const loan = (more: Partial<Loan> = {}): Loan => ({
  what: 'torque wrench',
  lentTo: 'Ruan Teague',
  lentOn: '2026-03-02',
  due: null,
  backOn: null,
  ...more,
});

test.each<[string, Partial<Loan>, boolean]>([
  ['due yesterday', { due: '2026-03-10' }, true],
  ['due today', { due: TODAY }, false],
  ['without a day', {}, false],
  ['back, though late', { due: '2026-03-05', backOn: '2026-03-09' }, false],
])('%s', (_, more, late) => {
  expect(isOverdue(loan(more), TODAY)).toBe(late);
});

test('what is out stands first, by its day; without one last; then what is back', () => {
  const days = (loans: readonly Loan[]) => loans.map((l) => l.backOn ?? l.due ?? 'no day');
  const all = [
    loan({ backOn: '2026-03-03' }),
    loan(),
    loan({ due: '2026-04-01' }),
    loan({ backOn: '2026-03-08' }),
    loan({ due: '2026-03-05' }),
  ];
  expect(days(inOrder(all))).toEqual(['2026-03-05', '2026-04-01', 'no day', '2026-03-08', '2026-03-03']);
});

test('every loan is listed once, and nothing overdue behind what is not', () => {
  const day = fc.option(
    fc.integer({ min: -40, max: 40 }).map((n) => addDays(TODAY, n)),
    { nil: null },
  );
  fc.assert(
    fc.property(fc.array(fc.record({ due: day, backOn: day }), { maxLength: 1000 }), (given) => {
      const loans = given.map(loan);
      const listed = inOrder(loans);
      expect(new Set(listed)).toEqual(new Set(loans));
      const late = listed.map((l) => isOverdue(l, TODAY));
      expect(late.lastIndexOf(true)).toBe(late.filter(Boolean).length - 1);
    }),
  );
});

test('days the wrong way round are refused with their field', () => {
  expect(whyNotLoan(loan({ due: '2026-03-02', backOn: '2026-03-02' }), TODAY)).toEqual([]);
  expect(whyNotLoan(loan({ lentOn: '2026-03-12', due: '2026-03-11', backOn: '2026-03-13' }), TODAY)).toEqual([
    { field: 'lentOn', reason: 'that day is still to come' },
    { field: 'due', reason: 'before the day on which it was lent' },
    { field: 'backOn', reason: 'that day is still to come' },
  ]);
  expect(whyNotLoan(loan({ backOn: '2026-03-01' }), TODAY)).toMatchObject([{ field: 'backOn' }]);
});
