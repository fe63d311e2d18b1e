/** Words of a text folded for comparing: case, accents, hidden characters and the kind of quote make no difference. */

export interface Word {
  /** Lower case, without accents. */
  folded: string;
  /** Where it stands in the text. */
  start: number;
  end: number;
}

/** Characters that are not seen: soft hyphen, joiners, direction marks, byte-order mark. */
const HIDDEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060\ufeff]/;
/** Letters of other scripts that look like Latin ones: what is written to be misread is read as it looks. */
const LOOKS_LIKE: Readonly<Record<string, string>> = {
  а: 'a',
  в: 'b',
  е: 'e',
  к: 'k',
  м: 'm',
  н: 'h',
  о: 'o',
  р: 'p',
  с: 'c',
  т: 't',
  у: 'y',
  х: 'x',
  і: 'i',
  ј: 'j',
  ѕ: 's',
  α: 'a',
  ο: 'o',
  ρ: 'p',
  ν: 'v',
  ι: 'i',
  κ: 'k',
  τ: 't',
};

/** Texts use few characters, over and over; one of every script there is would fill the memory. */
const FOLDED = new Map<string, string>();
const MOST_FOLDED = 5000;

function foldChar(c: string): string {
  let folded = FOLDED.get(c);
  if (folded === undefined) {
    if (FOLDED.size >= MOST_FOLDED) FOLDED.clear();
    FOLDED.set(c, (folded = foldOne(c)));
  }
  return folded;
}

const foldOne = (c: string): string =>
  [...c.normalize('NFKD').toLowerCase()]
    .filter((k) => !/\p{M}/u.test(k))
    .map((k) => LOOKS_LIKE[k] ?? k)
    .join('');

/** The words of a text with where they stand; a possessive ’s is no part of its word. */
export function wordsIn(text: string): Word[] {
  const words: Word[] = [];
  let open: Word | null = null;
  let at = 0;
  for (const c of text) {
    const end = at + c.length;
    if (HIDDEN.test(c) && open) open.end = end;
    else if (/[\p{L}\p{N}\p{M}]/u.test(c)) {
      if (open) {
        open.folded += foldChar(c);
        open.end = end;
      } else words.push((open = { folded: foldChar(c), start: at, end }));
    } else open = null;
    at = end;
  }
  return words.filter((_, i) => !isPossessive(text, words, i));
}

const isPossessive = (text: string, words: readonly Word[], at: number): boolean =>
  words[at]!.folded === 's' && at > 0 && /^['’]$/.test(text.slice(words[at - 1]!.end, words[at]!.start));

export const foldedWords = (text: string): string[] => wordsIn(text).map((w) => w.folded);

/** Where these words follow one another. */
export function runsOf(words: readonly Word[], phrase: readonly string[]): { start: number; end: number }[] {
  if (phrase.length === 0) return [];
  const runs = [];
  for (let i = 0; i + phrase.length <= words.length; i += 1)
    if (phrase.every((p, k) => words[i + k]!.folded === p))
      runs.push({ start: words[i]!.start, end: words[i + phrase.length - 1]!.end });
  return runs;
}

/** Where a number or code, folded and joined, stands however it is spaced: “B-0107”, “b 01 07”. */
export function codeRuns(words: readonly Word[], wanted: string): { start: number; end: number }[] {
  if (wanted === '') return [];
  const runs = [];
  for (let from = 0; from < words.length; from += 1) {
    let joined = '';
    for (let to = from; to < words.length && joined.length < wanted.length; to += 1) {
      joined += words[to]!.folded;
      if (joined === wanted) runs.push({ start: words[from]!.start, end: words[to]!.end });
    }
  }
  return runs;
}

/** Sentences of a text: a full stop before a digit ends none. */
export const SENTENCE = /[^.!?\n]+(?:[.!?\n](?=\d)[^.!?\n]+)*[.!?\n]?/g;
