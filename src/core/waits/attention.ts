/** Why a build needs a person now: what the owner would be sorry to have overlooked. */
import { fromVendor } from '../log/sentences.ts';
import { daysBetween, formatDay, type Day } from '../time/days.ts';
import type { Wait } from './waits.ts';

export interface Attention {
  waits: readonly Wait[];
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
const shortened = (text: string): string =>
  text.length > SHOWN ? `${text.slice(0, SHOWN - 2).trimEnd()} …` : text;

/** Reasons in the order in which one would act on them; empty when nothing presses. */
export function reasonsNow(
  { waits, promised, toldOn, tellEveryDays, question }: Attention,
  today: Day,
  locale: string,
): string[] {
  const asked = question === null ? [] : [`${question.name} asks: “${shortened(question.text)}”`];
  const late = waits
    .filter((w) => w.due !== undefined && w.due < today)
    .map((w) => {
      const late = daysBetween(w.due!, today);
      return `late by ${late === 1 ? 'a day' : `${late} days`}: ${w.subject}${fromVendor(w.vendor)}`;
    });
  const reasons = [...asked, ...late];
  if (promised !== null && promised < today)
    reasons.push(`promised for ${formatDay(promised, locale, today)}`);
  else if (promised !== null && waits.length > 0 && daysBetween(today, promised) <= PROMISE_NEAR_DAYS)
    reasons.push(`promised for ${formatDay(promised, locale, today)}, and still waiting`);
  const silent = daysBetween(toldOn, today);
  if (silent > tellEveryDays)
    reasons.push(`not told for ${silent} days, wants to hear every ${tellEveryDays}`);
  return reasons;
}
