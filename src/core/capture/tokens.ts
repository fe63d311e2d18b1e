/** Splits a line into words, numbers and marks, each with its place in the text. */

export interface Token {
  type: 'word' | 'number' | 'mark';
  text: string;
  /** Lower case, curly apostrophes made straight. */
  lower: string;
  start: number;
  end: number;
  /** True when nothing stands between this token and the one before. */
  glued: boolean;
}

// Letters and digits glued together (M8, H4, OS3) are one word, but not 1h30 or x4.
// A number may carry separators inside, and may start with a decimal point (.030) when no digit goes before.
const TOKEN =
  /(\d+(?:[.,:’'](?=\d)\d+)*|(?<![\p{L}\p{N}])\.\d+)|((?<![\p{N}])(?!x\d)\p{L}{1,3}\d{1,3}(?![\p{L}\p{N}.,]\d)|\p{L}[\p{L}\p{M}]*(?:['’-]\p{L}+)*)|([^\s])/gu;

export function tokenize(text: string): Token[] {
  const tokens: Token[] = [];
  let last = -1;
  for (const m of text.matchAll(TOKEN)) {
    const raw = m[0];
    const start = m.index;
    tokens.push({
      type: m[1] !== undefined ? 'number' : m[2] !== undefined ? 'word' : 'mark',
      text: raw,
      lower: raw.toLowerCase().replaceAll('’', "'"),
      start,
      end: start + raw.length,
      glued: start === last,
    });
    last = start + raw.length;
  }
  return tokens;
}
