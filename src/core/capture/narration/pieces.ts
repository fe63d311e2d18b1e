/** Where one thing said ends and the next begins, with punctuation or without. */
import { readKind, type KindRead } from '../kindWords.ts';
import type { Token } from '../tokens.ts';

/** A run of tokens that says one thing. */
export interface Run {
  from: number;
  /** Where what is said begins, behind the words that turn to a car; `from` when absent. */
  says?: number;
  next: number;
}

/** Words that join two things said, and say nothing by themselves. */
const JOINTS = new Set(['and', 'then', 'also', 'but', 'so', 'plus', 'oh', 'after', 'that', 'next', 'anyway', 'right', 'okay', 'ok', 'well', 'um', 'er', 'uh', 'yeah', 'yes', 'now', 'we', 'i', 'we\'ve', 'i\'ve', 'have', 'just', 'again', 'too', 'as', 'still']); // prettier-ignore

/** A joint behind which another thing may begin. */
const OPENS = /^(?:and|then|also|but|so|plus|oh|anyway|,)$/;

const isStop = (tok: Token): boolean => /^[.!?;\n]$/.test(tok.text);

const nothingBlocked = (): boolean => false;

/** What the tokens from `from` to `next` say, if they say a kind and do not only go on with what was said before. */
function kindSaid(t: readonly Token[], from: number, next: number): KindRead | null {
  const own = t.slice(from, next);
  return own.length >= 2 ? readKind(own, 0, nothingBlocked) : null;
}

/** Words that stand for what was said before them. */
const STANDS_FOR = /^(?:it|that|them|this|those|,)$/;

/** “Cleaned and painted the arms” is one thing: what is done stands behind the second word. */
const hasObject = (
  t: readonly Token[],
  from: number,
  next: number,
  { next: end, subject }: KindRead,
): boolean => subject === 'before' || t.slice(from + end, next).some((tok) => tok.text !== ',');

/** “… so waiting on that” only says again what stands before it. */
const saysItAgain = (t: readonly Token[], from: number, next: number, { next: end }: KindRead): boolean =>
  from + end < next && t.slice(from + end, next).every((tok) => STANDS_FOR.test(tok.lower));

/** Whether two things stand on both sides of a joint: each says a kind of its own, of a thing of its own. */
function areTwo(t: readonly Token[], says: number, joint: number, behind: number, next: number): boolean {
  // “…, that is 60 pounds”, “… and that was six hours” belong to what was said.
  if (t[joint + 1]?.lower === 'that' && /^(?:is|was|took|makes|comes)$/.test(t[joint + 2]?.lower ?? ''))
    return false;
  const end = endOf(t, behind, next);
  const [left, right] = [kindSaid(t, says, joint), kindSaid(t, behind, end)];
  if (left === null || right === null) return false;
  if (!hasObject(t, says, joint, left) || saysItAgain(t, behind, end, right)) return false;
  // “Found the bearings shot and the synchro worn out”: one look, one price.
  return !(left.kind === 'found' && right.kind === 'found' && right.subject === 'before');
}

/** “…, next is the rear rail” begins what comes next. */
const nextAt = (t: readonly Token[], i: number): boolean =>
  t[i]!.lower === 'next' &&
  t[i - 1]?.text === ',' &&
  /^(?:is|we|i|up|job|thing)$/.test(t[i + 1]?.lower ?? '');

/** “Still waiting on …” begins a thing of its own, without a joint before it. */
function waitsAt(t: readonly Token[], i: number): boolean {
  const [word, behind] = [t[i]!.lower, t[i + 1]?.lower ?? ''];
  if (word === 'still') return behind === 'waiting' || behind === 'no';
  const before = t[i - 1]?.lower ?? '';
  return (
    word === 'waiting' &&
    /^(?:on|for)$/.test(behind) &&
    !/^(?:is|are|was|still|stuck|up|been|hold|while)$/.test(before)
  );
}

/** The next stop or joint behind `i`, or the end. */
function endOf(t: readonly Token[], i: number, next: number): number {
  for (let at = i; at < next; at += 1)
    if (isStop(t[at]!) || (at > i && OPENS.test(t[at]!.text.toLowerCase()))) return at;
  return next;
}

/**
 * Cuts a run at its stops, and at joints where both sides say a kind of their own: “did the hinges and ordered two lamps” are
 * two, “60 and four hours” is one.
 */
export function cut(t: readonly Token[], run: Run): Run[] {
  const runs: Run[] = [];
  let from = run.from;
  let says = run.says ?? run.from;
  for (let i = says; i < run.next; i += 1) {
    if (isStop(t[i]!)) {
      if (i > from) runs.push({ from, next: i });
      from = says = i + 1;
      continue;
    }
    if ((i > says + 1 && waitsAt(t, i)) || (i > says + 1 && nextAt(t, i))) {
      runs.push({ from, next: i });
      from = says = i;
      continue;
    }
    if (i === says || !OPENS.test(t[i]!.lower)) continue;
    const behind = skipJoints(t, i, run.next);
    if (areTwo(t, says, i, behind, run.next)) {
      runs.push({ from, next: i });
      from = i;
      says = behind;
      i = behind - 1;
    }
  }
  if (from < run.next) runs.push({ from, next: run.next });
  return runs;
}

/** The first token behind the joints at `i` that says something. */
export function skipJoints(t: readonly Token[], i: number, next: number): number {
  let at = i;
  while (at < next && (JOINTS.has(t[at]!.lower) || /^[,:–—-]$/.test(t[at]!.text))) at += 1;
  return at;
}
