/** What every printed page shares: its faces, its ink, how a text is set. */
import PDFDocument from 'pdfkit';
import { FACES, NO_LETTER, runsOf, type Weight } from './faces.ts';

export const INK = '#1e1c19';
export const OXIDE = '#8e3420';
export const QUIET = '#565d63';
const RULE = '#c4c3bb';

/** Points: A4 is 595.28 by 841.89. */
export const MARGIN = 56;
export const WIDTH = 595.28 - 2 * MARGIN;
export const BOTTOM = 841.89 - MARGIN - 24;

export type Doc = InstanceType<typeof PDFDocument>;
export type { Weight } from './faces.ts';

/** Letters of a document that none of its faces has. */
const missingIn = new WeakMap<Doc, Set<string>>();

/** A document with the shop’s faces; A4 unless a size is given, in points. */
export function openPaper(title: string, size: [number, number] | 'A4' = 'A4', margin = MARGIN): Doc {
  const doc = new PDFDocument({ size, margin, bufferPages: true, info: { Title: title } });
  for (const { name, file } of [...FACES.regular, ...FACES.bold]) doc.registerFont(name, file);
  missingIn.set(doc, new Set());
  return doc;
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
  const { runs, missing } = runsOf(text, weight);
  for (const letter of missing) missingIn.get(doc)?.add(letter);
  doc.fontSize(size).fillColor(color);
  runs.forEach((run, i) => {
    doc.font(run.face);
    const options = { width, align, continued: i < runs.length - 1, lineGap: 1.5, ...within };
    if (i === 0) doc.text(run.text, x, y, options);
    else doc.text(run.text, options);
  });
  return runs.length === 0 ? y : doc.y;
}

export function heightOf(
  doc: Doc,
  text: string,
  { weight = 'regular', size = 10, width = WIDTH }: Style,
): number {
  if (text === '') return 0;
  const { runs } = runsOf(text, weight);
  // Where several faces set it, the widest of them says how high it may get.
  const faces = new Set(runs.map((r) => r.face));
  const whole = runs.map((r) => r.text).join('');
  doc.fontSize(size);
  return Math.max(
    0,
    ...[...faces].map((face) => doc.font(face).heightOfString(whole, { width, lineGap: 1.5 })),
  );
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

/** So many of the letters that are missing are named. */
const MOST_NAMED = 8;

/** What is said of letters that no face has; nothing where all were set. */
export function saidOfMissing(doc: Doc): string {
  const missing = [...(missingIn.get(doc) ?? [])];
  if (missing.length === 0) return '';
  const named = missing
    .slice(0, MOST_NAMED)
    .map((c) => `U+${c.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`);
  const more = missing.length > MOST_NAMED ? ' and others' : '';
  return `${NO_LETTER} stands for a letter that this paper cannot print: ${named.join(', ')}${more}`;
}

/** The same words at the foot of every page, with its number, and what could not be printed. */
export function feet(doc: Doc, words: string): void {
  const { count } = doc.bufferedPageRange();
  for (let i = 0; i < count; i += 1) {
    doc.switchToPage(i);
    // The foot lies in the margin, where text would begin a new page.
    doc.page.margins.bottom = 0;
    const page = [words, `page ${i + 1} of ${count}`, saidOfMissing(doc)].filter(Boolean).join(' · ');
    write(doc, page, MARGIN, 841.89 - MARGIN + 8, { size: 8, color: QUIET });
  }
}
