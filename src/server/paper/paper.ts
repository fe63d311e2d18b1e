/** What every printed page shares: its faces, its ink, how a text is set. */
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

export const INK = '#1e1c19';
export const OXIDE = '#8e3420';
export const QUIET = '#565d63';
const RULE = '#c4c3bb';

/** Points: A4 is 595.28 by 841.89. */
export const MARGIN = 56;
export const WIDTH = 595.28 - 2 * MARGIN;
export const BOTTOM = 841.89 - MARGIN - 24;

export type Doc = InstanceType<typeof PDFDocument>;
export type Weight = 'regular' | 'bold';

const require = createRequire(import.meta.url);
const CUTS = {
  regular: require.resolve('@fontsource/archivo/files/archivo-latin-400-normal.woff'),
  'regular-more': require.resolve('@fontsource/archivo/files/archivo-latin-ext-400-normal.woff'),
  bold: require.resolve('@fontsource/archivo/files/archivo-latin-700-normal.woff'),
  'bold-more': require.resolve('@fontsource/archivo/files/archivo-latin-ext-700-normal.woff'),
};

/** The registry ships a face in cuts by alphabet; this is what its first cut holds (unicode-range of its own style sheet). */
const FIRST_CUT =
  /^[\u0000-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2191\u2193\u2212\u2215]$/;

/** A document with the shop’s faces; A4 unless a size is given, in points. */
export function openPaper(title: string, size: [number, number] | 'A4' = 'A4', margin = MARGIN): Doc {
  const doc = new PDFDocument({ size, margin, bufferPages: true, info: { Title: title } });
  for (const [name, file] of Object.entries(CUTS)) doc.registerFont(name, file);
  return doc;
}

/** A text in runs of one cut each. */
function runsOf(text: string): { text: string; more: boolean }[] {
  const runs: { text: string; more: boolean }[] = [];
  for (const char of text) {
    const more = !FIRST_CUT.test(char);
    const last = runs.at(-1);
    if (last?.more === more) last.text += char;
    else runs.push({ text: char, more });
  }
  return runs;
}

export interface Style {
  weight?: Weight;
  size?: number;
  color?: string;
  width?: number;
  align?: 'left' | 'right';
  /** What does not fit into this height is left out, with a sign that it was. */
  height?: number;
}

/** Writes at a place and answers how far down it went. */
export function write(doc: Doc, text: string, x: number, y: number, style: Style = {}): number {
  const { weight = 'regular', size = 10, color = INK, width = WIDTH, align = 'left', height } = style;
  const within = height === undefined ? {} : { height, ellipsis: true };
  const runs = runsOf(text);
  doc.fontSize(size).fillColor(color);
  runs.forEach((run, i) => {
    doc.font(run.more ? `${weight}-more` : weight);
    const options = { width, align, continued: i < runs.length - 1, lineGap: 1.5, ...within };
    if (i === 0) doc.text(run.text, x, y, options);
    else doc.text(run.text, options);
  });
  return text === '' ? y : doc.y;
}

export function heightOf(
  doc: Doc,
  text: string,
  { weight = 'regular', size = 10, width = WIDTH }: Style,
): number {
  if (text === '') return 0;
  return doc.font(weight).fontSize(size).heightOfString(text, { width, lineGap: 1.5 });
}

export const rule = (doc: Doc, y: number, color = RULE, thick = 0.7): void =>
  void doc
    .moveTo(MARGIN, y)
    .lineTo(MARGIN + WIDTH, y)
    .lineWidth(thick)
    .strokeColor(color)
    .stroke();

/** The bytes of what is drawn; ends the paper. */
export function bytesOf(doc: Doc, draw: () => void): Promise<Buffer> {
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
  draw();
  doc.end();
  return done;
}

/** The same words at the foot of every page, with its number. */
export function feet(doc: Doc, words: string): void {
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i += 1) {
    doc.switchToPage(i);
    // The foot lies in the margin, where text would begin a new page.
    doc.page.margins.bottom = 0;
    const page = `${words} · page ${i + 1} of ${count}`;
    write(doc, page, MARGIN, 841.89 - MARGIN + 8, { size: 8, color: QUIET });
  }
}
