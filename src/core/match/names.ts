/** The names of things as words that can be compared: what they are, and what only tells one from another. */
import { commonWord, isEither, joinPhrases } from './synonyms.ts';

/** Words that say nothing about which thing it is. */
const EMPTY = new Set(
  'the a an of for and or to on in from with at by its his her their my our all both set pair new some old'.split(
    ' ',
  ),
);
/** What follows these tells which one, not what it is: “seals for the door” are seals. */
const BEHIND = new Set(['for', 'of', 'from', 'on', 'in', 'with', 'at', 'to', 'off']);

/** Which of several it is, wherever it stands: “door glass left” is glass. */
const WHICH =
  /^(?:\d+|left|right|front|rear|upper|lower|inner|outer|top|bottom|near|off|nearside|offside|driver|passenger|lh|rh|ns|os|fr|rr)$/;

export interface Name {
  /** Every word that says something. */
  words: ReadonlySet<string>;
  /** The words that say what it is: the last of each thing that is listed (“brake booster and master cylinder”: two). */
  heads: ReadonlySet<string>;
  /** Words of `words` that were written as another that may mean something else. */
  either: ReadonlySet<string>;
}

/** One form for singular and plural of a common English noun. */
function singular(word: string): string {
  if (word.length <= 3 || /(?:ss|us|is)$/.test(word)) return word;
  if (/(?:ch|sh|x|z|ss)es$/.test(word)) return word.slice(0, -2);
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  return word.endsWith('s') ? word.slice(0, -1) : word;
}

/** A name's words. A text without any word that says something gives an empty name, which matches nothing. */
export function nameOf(text: string): Name {
  const words = new Set<string>();
  const heads = new Set<string>();
  const either = new Set<string>();
  let head: string | null = null;
  let isBehind = false;
  const close = (): void => {
    if (head !== null) heads.add(head);
    head = null;
    isBehind = false;
  };
  for (const [raw] of joinPhrases(text).matchAll(/[\p{L}\p{N}]+|[,;&+/]/gu)) {
    if (raw === 'and' || !/[\p{L}\p{N}]/u.test(raw)) close();
    else if (BEHIND.has(raw)) isBehind = head !== null;
    else if (!EMPTY.has(raw)) {
      const written = singular(raw);
      const word = commonWord(written);
      words.add(word);
      if (isEither(written)) either.add(word);
      if (!isBehind && !WHICH.test(word)) head = word;
    }
  }
  close();
  return { words, heads, either };
}

/** What is left of a likeness that rests on a word with two meanings: enough to be offered. Chosen. */
const UNSURE_WORD = 0.65;

const shareOf = (part: ReadonlySet<string>, whole: ReadonlySet<string>): number =>
  part.size === 0 ? 0 : [...part].filter((w) => whole.has(w)).length / part.size;

/** How far the words that are said must tell which thing it is, against how much of its name they are. Chosen; see `match.test`. */
const SAID_WEIGHT = 0.75;

/**
 * How well what is said names a thing, from 0 (not at all) to 1 (word for word). What it is must be the same: one word in common
 * (“door handles”, “door glass”) is none. Said words that are not in the name weigh more than words of the name left unsaid.
 */
export function likeness(said: Name, thing: Name): number {
  const sameHead = [...said.heads].filter((h) => thing.heads.has(h)).length;
  if (sameHead === 0) return 0;
  const isWhat = sameHead / said.heads.size;
  // The same word on both sides means the same; “hood” for “bonnet” may not.
  const isUnsure = [...said.words].some(
    (w) => thing.words.has(w) && said.either.has(w) !== thing.either.has(w),
  );
  return (
    (isUnsure ? UNSURE_WORD : 1) *
    isWhat *
    (SAID_WEIGHT * shareOf(said.words, thing.words) + (1 - SAID_WEIGHT) * shareOf(thing.words, said.words))
  );
}

/** From this likeness on a name is taken for the thing. Chosen; see `match.test`. */
export const SURE = 0.7;

/** Whether a name is plainly that of a thing. */
export const isNameOf = (said: string, thing: string): boolean =>
  likeness(nameOf(said), nameOf(thing)) >= SURE;

/** So many words that say something stand in both. */
export const wordsInCommon = (a: Name, b: Name): number => [...a.words].filter((w) => b.words.has(w)).length;
