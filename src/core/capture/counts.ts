/** How many: "2 window winders", "three off", "x4", "a pair of", "half a dozen". */
import type { Kind } from '../log/kinds.ts';
import type { KindRead } from './kindWords.ts';
import { readNumber, startsNumber } from './numbers.ts';
import type { Found } from './quantities.ts';
import type { Reading } from './reading.ts';
import type { Token } from './tokens.ts';

const COUNTED: ReadonlySet<Kind> = new Set<Kind>([
  'ordered',
  'arrived',
  'fitted',
  'did',
  'spent',
  'found',
  'waiting',
  'asked',
  'note',
  'resumed',
  'decided',
  'moved',
]);
const SETS: Record<string, number> = { pair: 2, couple: 2, dozen: 12 };

/** Reads how many, where this kind of entry counts things. */
export function readCount(r: Reading, kind: KindRead | null): void {
  const { t, result } = r;
  if (!COUNTED.has(result.kind)) return;
  for (let i = r.start; i < t.length; i += 1) {
    if (r.blocked(i) || !canCount(t[i]!)) continue;
    const count =
      offAt(r, i) ?? ofAt(r, i) ?? setAt(r, i) ?? (startsSubject(r, i, kind) ? plainCount(r, i) : null);
    if (!count) continue;
    result.quantity = count.value;
    r.take('quantity', count);
    return;
  }
}

const canCount = ({ type, lower }: Token): boolean =>
  type === 'number' ||
  lower === 'x' ||
  lower === 'a' ||
  lower === 'set' ||
  startsNumber(lower) ||
  lower === 'half';

/** "2 of 4", "two of the four", "2 of the": some of what there is. */
function ofAt(r: Reading, i: number): Found<number> | null {
  const n = whole(r, i);
  if (!n || r.t[n.next]?.lower !== 'of') return null;
  const behind = n.next + 1;
  const all = whole(r, r.t[behind]?.lower === 'the' ? behind + 1 : behind);
  const next = all?.next ?? (r.t[behind]?.lower === 'the' ? behind + 1 : null);
  return next === null || r.t[next]?.type !== 'word' ? null : { value: n.value, from: i, next };
}

/** "three off", "3 off", "x4", "4 x". */
function offAt(r: Reading, i: number): Found<number> | null {
  const { t, known } = r;
  if (t[i]!.lower === 'x' && t[i + 1]?.type === 'number' && !t[i]!.glued) {
    const n = readNumber(t, i + 1, known.mark);
    return n && n.form === 'plain' ? { value: n.value, from: i, next: n.next } : null;
  }
  const n = whole(r, i);
  if (!n) return null;
  const behind = t[n.next];
  const off = behind?.lower === 'off' && !/^(?:the|it|its|a|with|to)$/.test(t[n.next + 1]?.lower ?? '');
  return off || behind?.lower === 'x' || behind?.text === '×'
    ? { value: n.value, from: i, next: n.next + 1 }
    : null;
}

function setAt(r: Reading, i: number): Found<number> | null {
  const w = (k: number): string => r.t[i + k]?.lower ?? '';
  const of = (k: number): number => (w(k) === 'of' ? k + 1 : k);
  if (w(0) === 'half' && w(1) === 'a' && w(2) === 'dozen') return { value: 6, from: i, next: i + 3 };
  if ((w(0) === 'a' || w(0) === 'one') && SETS[w(1)] !== undefined && (w(2) === 'of' || w(1) === 'dozen'))
    return { value: SETS[w(1)]!, from: i, next: i + of(2) };
  if (w(0) === 'set' && w(1) === 'of') {
    const n = whole(r, i + 2);
    return n ? { value: n.value, from: i, next: n.next } : null;
  }
  const n = whole(r, i);
  if (n && w(n.next - i) === 'dozen') return { value: n.value * 12, from: i, next: n.next + 1 };
  return null;
}

/** A whole number below 10,000 that is not a year, a size or part of a name (M8). */
function whole(r: Reading, i: number): { value: number; next: number } | null {
  const { t, known } = r;
  if (r.blocked(i) || (t[i]?.glued && i > 0 && t[i - 1]!.type === 'word') || t[i - 1]?.text === '/')
    return null;
  const n = readNumber(t, i, known.mark);
  if (!n || !Number.isInteger(n.value) || n.value < 1 || n.value > 9999 || n.form === 'fraction') return null;
  if (t[i]!.type === 'number' && /^(?:18|19|20)\d\d$/.test(t[i]!.text)) return null;
  if (/^0\d/.test(t[i]!.text)) return null;
  for (let k = i; k < n.next; k += 1) if (r.blocked(k)) return null;
  return { value: n.value, next: n.next };
}

/** The subject begins at this token: right behind the kind's words, or the line's first token where it stands before. */
function startsSubject(r: Reading, i: number, kind: KindRead | null): boolean {
  const at = kind && kind.subject === 'after' ? kind.next : r.start;
  let first = at;
  while (
    first < r.t.length &&
    (r.blocked(first) ||
      /^(?:the|another|on|for|about|all|some|our|of|only|me|us|by|in|and|,|:)$/.test(r.t[first]!.lower))
  )
    first += 1;
  return i === first;
}

function plainCount(r: Reading, i: number): Found<number> | null {
  if (r.t[i - 1]?.lower === 'the') return null; // "the 40" names a thing
  const n = whole(r, i);
  const noun = n && r.t[n.next];
  if (!n || !noun || noun.type !== 'word' || (r.blocked(n.next) && r.part?.from !== n.next)) return null;
  if (
    noun.glued ||
    /^(?:on|for|to|and|at|from|or|of|th|st|nd|rd|in|with|by|is|was|then|an|a|the|per|each|pack|speed|stroke|cylinder|door|volt|pot|o'clock|oclock|way|ton|tonne|piece|pin|core|part|percent|degrees?)$/.test(
      noun.lower,
    )
  )
    return null;
  return { value: n.value, from: i, next: n.next };
}
