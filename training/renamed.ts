/** A text of the corpus with all its names changed: what is read of it must stay the same. */
import { randomFrom } from './crf.ts';
import type { CorpusText } from './markup.ts';

const SYLLABLES = 'bra dol fen gri hast jor kel lum mor nat pell quor rind sull tarn ven wick yarr'.split(
  ' ',
);

/** Words in names that are no names. */
const KEPT = /^(?:the|and|for|van|car|truck|mr|mrs|ms|dr|family|brothers|sons|engine|one|two)$/;

/** The same word is always renamed to the same word that nobody knows, with its capital. */
function renamer(names: readonly string[], seed: number): (text: string) => string {
  const random = randomFrom(seed);
  const words = [...new Set(names.flatMap((n) => n.toLowerCase().split(/[^\p{L}]+/u)))];
  const to = new Map(
    words
      .filter((w) => w.length > 2 && !KEPT.test(w))
      .map((w) => [
        w,
        Array.from({ length: 3 }, () => SYLLABLES[Math.floor(random() * SYLLABLES.length)]).join(''),
      ]),
  );
  return (text) =>
    text.replaceAll(/\p{L}+/gu, (word) => {
      const own = to.get(word.toLowerCase());
      const bare = to.get(word.toLowerCase().replace(/s$/, ''));
      const other = own ?? (bare === undefined ? undefined : `${bare}s`);
      if (other === undefined) return word;
      return /^\p{Lu}/u.test(word) ? other[0]!.toUpperCase() + other.slice(1) : other;
    });
}

/** Cars, customers, people, vendors and places renamed, in the text and in what the shop knows; every mark stands where it stood. */
export function renamed(text: CorpusText, seed: number): CorpusText {
  const { builds, people, vendors, places } = text;
  const names = [...builds.flatMap((b) => [b.name, b.customer ?? '']), ...people, ...vendors, ...places];
  const rename = renamer(names, seed);
  const marks = [...new Set([...text.things, ...text.turns].flatMap((m) => [m.start, m.end]))].sort(
    (a, b) => a - b,
  );
  const moved = new Map<number, number>();
  let said = '';
  let at = 0;
  for (const mark of [...marks, text.text.length]) {
    said += rename(text.text.slice(at, mark));
    moved.set(mark, said.length);
    at = mark;
  }
  const move = <T extends { start: number; end: number }>(m: T): T => ({
    ...m,
    start: moved.get(m.start)!,
    end: moved.get(m.end)!,
  });
  return {
    ...text,
    text: said,
    things: text.things.map(move),
    turns: text.turns.map(move),
    builds: builds.map((b) => ({
      ...b,
      name: rename(b.name),
      ...(b.customer === undefined ? {} : { customer: rename(b.customer) }),
    })),
    ...{ people: people.map(rename), vendors: vendors.map(rename), places: places.map(rename) },
  };
}
