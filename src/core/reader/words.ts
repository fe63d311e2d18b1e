/** The words of a text, with their places in it and what stands between them. */

export interface Word {
  start: number;
  end: number;
  /** Lower case, apostrophes straight; every number is `#`, written in digits or in words. */
  norm: string;
  /** What stands between this word and the one before: nothing, a comma, a stop, a new line or another mark. */
  before: '' | ',' | '.' | '\n' | '-';
}

const WORD = /[\p{L}\p{M}]+(?:['’][\p{L}\p{M}]+)*|\d+(?:[.,:/]\d+)*|\p{N}/gu;
const NUMBERS = new Set(
  (
    'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen ' +
    'nineteen twenty thirty forty fourty fifty sixty seventy eighty ninety hundred thousand'
  ).split(' '),
);

const markIn = (between: string): Word['before'] => {
  if (/[.!?;]/.test(between)) return '.';
  if (between.includes('\n')) return '\n';
  if (between.includes(',')) return ',';
  return /\S/.test(between) ? '-' : '';
};

const normOf = (raw: string): string => {
  const lower = raw.toLowerCase().replaceAll('’', "'");
  return /^\d/.test(lower) || NUMBERS.has(lower) ? '#' : lower;
};

/** All words of a text, in their order; marks and spaces are in none. */
export function wordsOf(text: string): Word[] {
  const words: Word[] = [];
  let last = 0;
  for (const m of text.matchAll(WORD)) {
    words.push({
      ...{ start: m.index, end: m.index + m[0].length, norm: normOf(m[0]) },
      before: words.length === 0 ? '' : markIn(text.slice(last, m.index)),
    });
    last = m.index + m[0].length;
  }
  return words;
}
