/** What a stretch of words says, by itself: its kind, whether it is measured, and where it ends. */
import { readKind, type KindRead } from '../kindWords.ts';
import { findDurations, findMeasures } from '../quantities.ts';
import type { Token } from '../tokens.ts';
import { unsaidKind } from '../unsaid.ts';

/** A joint behind which another thing may begin. */
export const OPENS = /^(?:and|then|also|but|so|plus|oh|anyway|,)$/;

export const isStop = (tok: Token): boolean => /^[.!?;\n]$/.test(tok.text);

export const nothingBlocked = (): boolean => false;

/** What ends with how long, how much or how grave it is, is said; a word of another kind behind that begins anew. */
export const ENDS = /^(?:hours?|hrs?|h|minutes?|mins?|must|should|nice|safety|pounds|quid|half)$/;

export const CLASS = /^(?:must|should|nice|safety)$/;

/** The word right before token `i`, over a comma. */
export const wordBefore = (t: readonly Token[], i: number): string =>
  (t[i - 1]?.text === ',' ? t[i - 2] : t[i - 1])?.lower ?? '';

/** What the tokens from `from` to `next` say, if they say a kind and do not only go on with what was said before. */
export function kindSaid(t: readonly Token[], from: number, next: number): KindRead | null {
  const own = t.slice(from, next);
  if (own.length < 2) return null;
  const read = readKind(own, 0, nothingBlocked);
  if (read?.from === 0) return read;
  // “Joss set the handbrake up”: who did it stands before what was done.
  const done = own.length > 2 ? readKind(own.slice(1), 0, nothingBlocked) : null;
  if (done?.from === 0 && /^(?:did|fitted|found|ordered)$/.test(done.kind) && own[0]!.type === 'word')
    return { ...done, from: 1, next: done.next + 1 };
  return read ?? measured(own) ?? unsaid(own);
}

/** What no word of a kind tells: “the loom has been chopped about”, “bearing’s rough”. */
function unsaid(own: readonly Token[]): KindRead | null {
  const text = own.map((tok) => tok.text).join(' ');
  const kind = unsaidKind({ text, around: null, hasPrice: false, measures: 0 });
  return kind === null ? null : { kind, from: 0, next: 1, subject: 'before' };
}

/** Whether how long, how much or how grave it is was said: that is a whole thing, whatever it is. */
export const isMeasured = (t: readonly Token[], from: number, next: number): boolean =>
  findDurations(t.slice(from, next), '.').length > 0 ||
  findMeasures(t.slice(from, next), '.').length > 0 ||
  ENDS.test(wordBefore(t, next));

/** “End float is 3 thou” says what was measured, without a word for it. */
function measured(own: readonly Token[]): KindRead | null {
  const at = own.findIndex((tok) =>
    /^(?:is|are|was|were|at|draws|reads|shows|measures|charges|holds|pulls|gives|makes|runs|sits)$/.test(
      tok.lower,
    ),
  );
  const number = /^(?:at|about|around|only|just|on)$/.test(own[at + 1]?.lower ?? '') ? at + 2 : at + 1;
  if (at < 1 || at > 4 || !findMeasures(own, '.').some((m) => m.from === number)) return null;
  return { kind: 'reading', from: at, next: at + 1, subject: 'before' };
}

/** The next stop or joint behind `i`, or the end. */
export function endOf(t: readonly Token[], i: number, next: number): number {
  for (let at = i; at < next; at += 1)
    if (isStop(t[at]!) || (at > i && OPENS.test(t[at]!.text.toLowerCase()))) return at;
  return next;
}
