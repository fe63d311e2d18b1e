/** Why a build needs a person now: what the owner would be sorry to have overlooked. */
import { shortened } from '../log/shortened.ts';
import { daysBetween, formatDay, type Day } from '../time/days.ts';
import type { Hold } from './binding.ts';

export interface Attention {
  /** All that holds it up. */
  holds: readonly Pick<Hold, 'what' | 'until'>[];
  promised: Day | null;
  /** The day the customer was last told something; the day of arrival before that. */
  toldOn: Day;
  tellEveryDays: number;
  /** What its customer asked and nobody has answered. */
  question: { name: string; text: string } | null;
}

/** A promise nearer than this, with something still waited for, is worth a word. Common practice: two weeks. */
const PROMISE_NEAR_DAYS = 14;

const SHOWN = 80;

/** Reasons in the order in which one would act on them; empty when nothing presses. */
export function reasonsNow(
  { holds, promised, toldOn, tellEveryDays, question }: Attention,
  today: Day,
  locale: string,
): string[] {
  const asked = question === null ? [] : [`${question.name} asks: “${shortened(question.text, SHOWN)}”`];
  const late = holds.flatMap(({ what, until }) => {
    if (until === null || until >= today) return [];
    const days = daysBetween(until, today);
    return [`late by ${days === 1 ? 'a day' : `${days} days`}: ${what}`];
  });
  const reasons = [...asked, ...late];
  if (promised !== null && promised < today)
    reasons.push(`promised for ${formatDay(promised, locale, today)}`);
  else if (promised !== null && holds.length > 0 && daysBetween(today, promised) <= PROMISE_NEAR_DAYS)
    reasons.push(`promised for ${formatDay(promised, locale, today)}, and still waiting`);
  const silent = daysBetween(toldOn, today);
  if (silent > tellEveryDays)
    reasons.push(`not told for ${silent} days, wants to hear every ${tellEveryDays}`);
  return reasons;
}
