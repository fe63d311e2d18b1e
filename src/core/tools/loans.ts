/** Tools of the shop that somebody has taken with them: which are overdue, in which order they are listed, what cannot be said. */
import type { Day } from '../time/days.ts';

export interface Loan {
  what: string;
  lentTo: string;
  lentOn: Day;
  /** Null where nobody named a day. */
  due: Day | null;
  /** Null while it is out. */
  backOn: Day | null;
}

/** Out, and its day is past. */
export const isOverdue = ({ due, backOn }: Pick<Loan, 'due' | 'backOn'>, today: Day): boolean =>
  backOn === null && due !== null && due < today;

/** After every day of the calendar. */
const NEVER = '9999-12-31';

/** What is out, by when it is due, without a day last; then what is back, the latest first. */
export function inOrder<L extends Loan>(loans: readonly L[]): L[] {
  const key = ({ due, lentOn }: L): string => `${due ?? NEVER} ${lentOn}`;
  const out = loans.filter((l) => l.backOn === null).sort((a, b) => (key(a) < key(b) ? -1 : 1));
  const back = loans.filter((l) => l.backOn !== null).sort((a, b) => (a.backOn! > b.backOn! ? -1 : 1));
  return [...out, ...back];
}

/** Why a loan cannot be as it is said, by field; empty where it can. */
export function whyNotLoan(
  { lentOn, due, backOn }: Pick<Loan, 'lentOn' | 'due' | 'backOn'>,
  today: Day,
): { field: 'lentOn' | 'due' | 'backOn'; reason: string }[] {
  const faults: ReturnType<typeof whyNotLoan> = [];
  if (lentOn > today) faults.push({ field: 'lentOn', reason: 'that day is still to come' });
  if (due !== null && due < lentOn)
    faults.push({ field: 'due', reason: 'before the day on which it was lent' });
  if (backOn !== null && backOn < lentOn)
    faults.push({ field: 'backOn', reason: 'before the day on which it was lent' });
  if (backOn !== null && backOn > today)
    faults.push({ field: 'backOn', reason: 'that day is still to come' });
  return faults;
}
