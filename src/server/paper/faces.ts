/**
 * Which face sets which letter. The shop's own face comes in cuts by alphabet; what none of them has is set in DejaVu Sans, which
 * has signs of measure, Greek, Cyrillic and more; what that lacks too is shown as a mark that nobody takes for a letter.
 */
import { createRequire } from 'node:module';
import { openSync, type Font } from 'fontkit';

export type Weight = 'regular' | 'bold';

const require = createRequire(import.meta.url);

/** In the order in which they are asked; the files by the name under which a document knows them. */
export const FACES: Record<Weight, readonly { name: string; file: string }[]> = {
  regular: [
    { name: 'regular', file: require.resolve('@fontsource/archivo/files/archivo-latin-400-normal.woff') },
    {
      name: 'regular-more',
      file: require.resolve('@fontsource/archivo/files/archivo-latin-ext-400-normal.woff'),
    },
    { name: 'regular-all', file: require.resolve('dejavu-fonts-ttf/ttf/DejaVuSans.ttf') },
  ],
  bold: [
    { name: 'bold', file: require.resolve('@fontsource/archivo/files/archivo-latin-700-normal.woff') },
    {
      name: 'bold-more',
      file: require.resolve('@fontsource/archivo/files/archivo-latin-ext-700-normal.woff'),
    },
    { name: 'bold-all', file: require.resolve('dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf') },
  ],
};

/** Stands for a letter that no face has: an empty box. */
export const NO_LETTER = '▯';

/** Ends of lines and tabs are no letters, and have no glyph. */
const LAYOUT = /^[\n\r\t]$/;
/** Joiners, direction marks, soft hyphens, variation selectors: they are not seen, and no face needs to have them. */
const UNSEEN = /[\p{Cf}\p{Cc}\ufe00-\ufe0f]/gu;

const opened = new Map<string, Font>();
function fontOf(file: string): Font {
  let font = opened.get(file);
  // A file of one face; a collection would have no glyphs of its own.
  if (font === undefined) opened.set(file, (font = openSync(file) as Font));
  return font;
}

const known: Record<Weight, Map<string, string | null>> = { regular: new Map(), bold: new Map() };

/** The name of the first face that has a letter; null where none has. */
function faceOf(char: string, weight: Weight): string | null {
  const of = known[weight];
  let face = of.get(char);
  if (face === undefined) {
    const point = char.codePointAt(0)!;
    face = FACES[weight].find(({ file }) => fontOf(file).hasGlyphForCodePoint(point))?.name ?? null;
    of.set(char, face);
  }
  return face;
}

export interface Run {
  text: string;
  face: string;
}

/** A text in runs of one face each, and the letters of it that no face has: in their place stands `NO_LETTER`. */
export function runsOf(text: string, weight: Weight): { runs: Run[]; missing: string[] } {
  const runs: Run[] = [];
  const missing: string[] = [];
  const put = (char: string, face: string): void => {
    const last = runs.at(-1);
    if (last?.face === face) last.text += char;
    else runs.push({ text: char, face });
  };
  const first = FACES[weight][0]!.name;
  // Composed where there is such a letter: a face has é more often than a mark that joins an e.
  for (const char of text.normalize('NFC').replace(UNSEEN, (c) => (LAYOUT.test(c) ? c : ''))) {
    const face = LAYOUT.test(char) ? (runs.at(-1)?.face ?? first) : faceOf(char, weight);
    if (face === null) missing.push(char);
    put(face === null ? NO_LETTER : char, face ?? faceOf(NO_LETTER, weight)!);
  }
  return { runs, missing };
}
