/** How long was worked, of all the durations that a line says: together, and without what was taken back as it was said. */
import { readNumber } from './numbers.ts';
import type { Found } from './quantities.ts';
import type { Token } from './tokens.ts';

/** “An hour, no, sorry, two hours”: what stands before was not meant. */
const NOT_MEANT = /^[,–—-]? ?(?:no|sorry|rather|i mean|make that|call it|actually|scratch that)\b/;

/** The words right before what was meant. */
const MEANT =
  /[,–—-] ?(?:no|sorry|i mean|make that|scratch that)(?: ?,? (?:no|sorry|make that|call it))* ?,?$/;

/** “Two hours, no, call it two and a half”: the unit is not said again. */
const ANEW = /^(?:no|sorry|call|it|make|that|say|,)$/;

/** Hours said anew behind a duration that was taken back, without their unit. */
function hoursAnew(t: readonly Token[], said: Found<number>, mark: '.' | ','): Found<number> | null {
  let i = said.next;
  let takesBack = false;
  for (; t[i] && ANEW.test(t[i]!.lower); i += 1) takesBack ||= /^(?:no|sorry|make|call)$/.test(t[i]!.lower);
  const n = takesBack ? readNumber(t, i, mark) : null;
  const ends = n && (t[n.next] === undefined || t[n.next]!.type === 'mark');
  return n && ends && said.value >= 60 && n.value <= 100
    ? { value: Math.round(n.value * 60), from: i, next: n.next }
    : null;
}

/** Minutes that were said, together; without what was taken back at once. */
function together(t: readonly Token[], durations: readonly Found<number>[]): number {
  return durations.reduce((sum, d, k) => {
    const before = durations[k - 1];
    const between = before
      ? t
          .slice(before.next, d.from)
          .map((tok) => tok.lower)
          .join(' ')
      : '';
    // “Four yesterday and two today, so six hours all told”.
    if (
      /^(?:all|in|altogether)$/.test(t[d.next]?.lower ?? '') &&
      /^(?:told|all|,|\.)?$/.test(t[d.next + 1]?.lower ?? '')
    )
      return d.value;
    // “Three hours on the arch, sorry, four hours”.
    return NOT_MEANT.test(between) || MEANT.test(between) ? sum - before!.value + d.value : sum + d.value;
  }, 0);
}

/** Minutes worked, null where none are said; and where hours were said anew without their unit. */
export function workedMinutes(
  t: readonly Token[],
  durations: readonly Found<number>[],
  mark: '.' | ',',
): { minutes: number | null; anew: Found<number> | null } {
  const last = durations.at(-1);
  if (!last) return { minutes: null, anew: null };
  const anew = hoursAnew(t, last, mark);
  const minutes = together(t, durations);
  return { minutes: anew ? minutes - last.value + anew.value : minutes, anew };
}
