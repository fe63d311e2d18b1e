/** Where somebody cut a run of speech otherwise than it was understood: places in its text. */
import type { Cut } from './boundaries.ts';
import type { Word } from './words.ts';

export interface Marks {
  /** Here another thing begins. */
  cut: readonly number[];
  /** What begins here belongs to what stands before it. */
  joined: readonly number[];
}

export const NO_MARKS: Marks = { cut: [], joined: [] };

/** The runs as somebody wants them: what was cut or joined by hand is in no doubt. A mark at which no word begins does nothing. */
export function recut(words: readonly Word[], cuts: readonly Cut[], { cut, joined }: Marks): Cut[] {
  const runs: Cut[] = [];
  for (const run of cuts) {
    const before = runs.at(-1);
    if (before && joined.includes(words[run.from]!.start)) {
      before.next = run.next;
      before.probability = 1;
    } else runs.push({ ...run });
  }
  return runs.flatMap((run) => {
    const at = cut.flatMap((place) => {
      const i = words.findIndex((w) => w.start === place);
      return i > run.from && i < run.next ? [i] : [];
    });
    if (at.length === 0) return [run];
    const begins = [run.from, ...at.sort((a, b) => a - b)];
    return begins.map((from, i) => ({ from, next: begins[i + 1] ?? run.next, probability: 1 }));
  });
}

/** A cut and a join at one place undo each other. */
export const withCut = ({ cut, joined }: Marks, at: number): Marks =>
  joined.includes(at)
    ? { cut, joined: joined.filter((p) => p !== at) }
    : { cut: [...cut.filter((p) => p !== at), at], joined };

export const withJoin = ({ cut, joined }: Marks, at: number): Marks =>
  cut.includes(at)
    ? { cut: cut.filter((p) => p !== at), joined }
    : { cut, joined: [...joined.filter((p) => p !== at), at] };

/** Marks in a text that was changed: what stands before and behind the change keeps its own, what was changed loses them. */
export function moveMarks(marks: Marks, before: string, after: string): Marks {
  const shorter = Math.min(before.length, after.length);
  let head = 0;
  while (head < shorter && before[head] === after[head]) head += 1;
  let tail = 0;
  while (tail < shorter - head && before.at(-1 - tail) === after.at(-1 - tail)) tail += 1;
  const moved = (places: readonly number[]): number[] =>
    places.flatMap((p) =>
      p < head ? [p] : p >= before.length - tail ? [p + after.length - before.length] : [],
    );
  return { cut: moved(marks.cut), joined: moved(marks.joined) };
}
