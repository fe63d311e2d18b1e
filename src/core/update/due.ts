/** Whether a customer is to be told now, and why. */
import { daysBetween, type Day } from '../time/days.ts';
import type { Hold } from '../waits/binding.ts';

export interface TellInput {
  /** When they were told last; the day of arrival before that. */
  toldOn: Day;
  tellEveryDays: number;
  binding: Hold | null;
  others: readonly Hold[];
  promised: Day | null;
  /** Entries for them since then. */
  news: number;
}

export interface TellNow {
  reasons: string[];
  /** Their word, or their money, holds the car up. */
  isWaitedFor: boolean;
  /** Days beyond how often they wish to hear; below nothing while there is time. */
  overdue: number;
}

const THEIRS: ReadonlySet<Hold['kind']> = new Set(['answer', 'payment']);

/** A need asks again only when they have been silent for so long after a letter. Common practice: three days. */
const PATIENCE_DAYS = 3;

const days = (n: number): string => (n === 1 ? 'a day' : `${n} days`);

/** Empty reasons: not now. A cadence of 7 means: at the latest on the seventh day after the last letter. */
export function whyTellNow(
  { toldOn, tellEveryDays, binding, others, promised, news }: TellInput,
  today: Day,
): TellNow {
  const silent = daysBetween(toldOn, today);
  const overdue = silent - tellEveryDays;
  const reasons: string[] = [];
  const theirs = [...(binding ? [binding] : []), ...others].find((h) => THEIRS.has(h.kind));
  const isWaitedFor = theirs !== undefined && silent >= PATIENCE_DAYS;
  if (isWaitedFor) reasons.push(`it waits for ${theirs.what}`);
  if (promised !== null && promised < today && promised >= toldOn) reasons.push('its promise has passed');
  if (overdue >= 0) reasons.push(`told ${days(silent)} ago, wants to hear every ${days(tellEveryDays)}`);
  if (reasons.length > 0 && news > 0)
    reasons.push(news === 1 ? 'one thing to tell' : `${news} things to tell`);
  return { reasons, isWaitedFor, overdue };
}
