/** What was agreed at the start of a build and can be agreed anew: what it is to become, by when, and for how much. */
import type { Standard } from '../log/standards.ts';
import { formatMoney } from '../money/money.ts';
import { formatDay, type Day } from '../time/days.ts';

export interface Agreed {
  complaint: string;
  standard: Standard;
  /** The day it is promised for, and that of an event it must be ready for. */
  promised: Day | null;
  eventDay: Day | null;
  budgetMinor: number | null;
  /** What may be spent without asking. */
  discretionMinor: number;
  customerEmail: string;
  tellBy: string;
  tellEveryDays: number;
}

export interface AgreedChange {
  subject: string;
  /** What the logbook says of it. */
  text: string;
  /** Whether the customer is told of it in the next letter. */
  audience: 'customer' | 'shop';
}

interface Manner {
  currency: string;
  locale: string;
}

/** What is different, in the words of the logbook, one line for each thing; empty where nothing is. */
export function changesOfAgreed(before: Agreed, after: Agreed, { currency, locale }: Manner): AgreedChange[] {
  const money = (minor: number | null): string =>
    minor === null ? 'none' : formatMoney(minor, currency, locale);
  const day = (of: Day | null): string => (of === null ? 'none' : formatDay(of, locale));
  const rows: [AgreedChange['audience'], string, (of: Agreed) => string][] = [
    ['customer', 'standard of finish', (a) => a.standard],
    ['customer', 'promise', (a) => day(a.promised)],
    ['customer', 'event', (a) => day(a.eventDay)],
    ['customer', 'budget', (a) => money(a.budgetMinor)],
    ['customer', 'limit for spending without asking', (a) => money(a.discretionMinor)],
    ['shop', 'what they came with', (a) => `“${a.complaint}”`],
    ['shop', 'address for letters', (a) => a.customerEmail],
    ['shop', 'to be told', (a) => `by ${a.tellBy === 'both' ? 'mail and telephone' : a.tellBy}`],
    ['shop', 'to be told every', (a) => (a.tellEveryDays === 1 ? 'day' : `${a.tellEveryDays} days`)],
  ];
  return rows
    .filter(([, , say]) => say(before) !== say(after))
    .map(([audience, subject, say]) => ({
      audience,
      subject,
      text: `decided ${subject}: ${say(after)} (was ${say(before)})`,
    }));
}

/** Why the limit cannot be this low, or null: what was spent inside it is spent. */
export function whyNotDiscretion(
  discretionMinor: number,
  usedMinor: number,
  { currency, locale }: Manner,
): string | null {
  return discretionMinor >= usedMinor
    ? null
    : `${formatMoney(usedMinor, currency, locale)} of it is used already`;
}
