/** A run of speech as it is looked over before it is kept: what becomes an entry, what is next for a car, what is set aside. */
import { parseLine, type Named, type ParsedLine } from '../capture/index.ts';
import { answersOf, type Answers, type Asked } from './doubt.ts';
import { entryKindOf } from './entryKinds.ts';
import { captureOf, read, type ReaderContext } from './index.ts';
import { NO_MARKS, type Marks } from './marks.ts';

export interface Dictated extends Answers {
  /** In the text: `text.slice(start, end)`. */
  start: number;
  end: number;
  /** What the logbook would say. */
  text: string;
  car: (Named & { id: string }) | null;
  /** Whether its car was named in it, or right before it. */
  turns: boolean;
  is: 'entry' | 'next' | 'chatter';
  /** As a line of its kind. */
  line: ParsedLine;
  asks: Asked[];
  because: string[];
}

/** “Next is the hood”, “what's next is the wiring”, “the doors on next”: what a car is to have next. */
const NEXT_FIRST =
  /^(?:(?:and|so|then) )*(?:(?:the )?next(?: up| job| thing| step)?(?:,? (?:is|are|comes?))?|what(?:'s|’s| is) next is),? (?!to\b|week\b|month\b|year\b|(?:mon|tues|wednes|thurs|fri|satur|sun)day\b)(?=\S)/i;
const NEXT_LAST = /^(.{4,60}?),? next$/i;

const NEXT_BEFORE = /\bnext(?: up| job| thing| step)?(?:,? (?:is|are|comes?|we (?:want|need)))?,?\s*$/i;
/** Right behind these words only what is next can stand, however it reads by itself: “next we want … the doors on”. */
const ONLY_NEXT = /\bnext(?: up| job| thing| step)?,? (?:is|are|we (?:want|need)),?\s*$/i;

/** What is next, without the words that say so; null where they do not. `before` stands in front of it, and in no piece. */
function nextIn(text: string, before: string): string | null {
  const first = NEXT_FIRST.exec(text);
  if (first) return text.slice(first[0].length);
  return NEXT_LAST.exec(text)?.[1] ?? (NEXT_BEFORE.test(before) ? text : null);
}

/**
 * As one would write it: it begins with a capital, “i” is “I”, and what one says while thinking is left out. Words that begin so are
 * never numbers or names, and none that says anything is changed.
 */
function written(words: string): string {
  const said = words
    .replaceAll(/(?:^|\s)(?:um+|uh+|er+m?|ah+)(?=\s|$)/giu, '')
    .replaceAll(/(?<![\p{L}\p{N}'’])i(?=['’]|\s|$)/gu, 'I')
    .trim();
  return said === '' ? words : said[0]!.toUpperCase() + said.slice(1);
}

/** Words that are set aside without a word: they join what is said, or only name a car. */
const SHORT = 3;

/**
 * Reads a dictation, in the order in which it was spoken.
 *
 * @param text what was spoken, any length
 * @param context what the shop knows, and the car whose page is open
 * @param marks where somebody cut it otherwise
 */
export function dictated(text: string, context: ReaderContext, marks: Marks = NO_MARKS): Dictated[] {
  const { pieces, chatter } = read(text, context, marks);
  const carOf = (id: string | null): Dictated['car'] => {
    const build = context.builds.find((b) => b.id === id);
    return build ? { id: build.id, name: build.name } : null;
  };
  const said = pieces.map((p, i): Dictated => {
    const words = text.slice(p.start, p.end);
    const kind = entryKindOf(p.kind, p.tense);
    const before = text.slice(pieces[i - 1]?.end ?? 0, p.start);
    const next = kind === 'planned' || ONLY_NEXT.test(before) ? nextIn(words, before) : null;
    return {
      ...{ start: p.start, end: p.end, text: written(next ?? words), car: carOf(p.buildId), line: p.line },
      ...{ turns: p.carBy === 'named' || p.carBy === 'inferred', is: next === null ? 'entry' : 'next' },
      ...{
        asks: next === null ? p.asks : p.asks.filter((a) => a === 'car'),
        because: p.because,
      },
      ...answersOf(p),
    };
  });
  const aside = chatter.flatMap(({ start, end }): Dictated[] => {
    const words = text.slice(start, end);
    if (words.split(/\s+/).length < SHORT) return [];
    const before = said.findLast((s) => s.start < start) ?? said[0];
    return [
      {
        ...{ start, end, text: words, car: before?.car ?? carOf(context.at), turns: false, is: 'chatter' },
        line: parseLine(words, captureOf(context), 'note'),
        ...{ asks: [], because: [], orElse: 'note', ifHappened: 'did', ifNot: 'planned' },
      },
    ];
  });
  return [...said, ...aside].sort((a, b) => a.start - b.start);
}
