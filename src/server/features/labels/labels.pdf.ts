/** Labels: a code that a phone or a scanner reads, and beside it what a person reads. */
import type { LabelledThing } from '#contract/labels.ts';
import type { LabelShape } from '#core/codes/labels.ts';
import { bytesOf, openPaper, QUIET, saidOfMissing, write, type Doc, type Style } from '../../paper/paper.ts';
import { drawQr } from '../../paper/qr.ts';

const MM = 72 / 25.4;
const EDGE = 1.5 * MM;
const A4: [number, number] = [595.28, 841.89];

interface Box {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** What could not be printed, on a label of its own: there is no foot. */
const note = (doc: Doc, words: string, { x, y, w, h }: Box): number =>
  write(doc, words, x + EDGE, y + EDGE, { size: 8, width: w - 2 * EDGE, height: h - 2 * EDGE });

function draw(doc: Doc, thing: LabelledThing, address: string, box: Box): void {
  const qr = Math.min(box.h - 2 * EDGE, box.w * 0.45);
  drawQr(doc, address, box.x + EDGE, box.y + (box.h - qr) / 2, qr);
  const x = box.x + EDGE + qr + EDGE;
  const width = box.x + box.w - EDGE - x;
  const scale = Math.min(1.6, box.h / (36 * MM));
  // What is too long for its label ends at its edge, and never makes a page of its own.
  const bottom = box.y + box.h - EDGE - 12 * scale;
  let y = box.y + EDGE + 2;
  const line = (text: string, size: number, style: Style): void => {
    const height = bottom - y;
    if (text !== '' && height >= size) y = write(doc, text, x, y, { size, width, height, ...style }) + 1;
  };
  line(thing.what, 11 * scale, { weight: 'bold' });
  line(thing.number, 9 * scale, { weight: 'bold' });
  line(thing.whose, 8 * scale, { color: QUIET });
  write(doc, thing.code, x, bottom + 1, { size: 8 * scale, width, weight: 'bold', height: 11 * scale });
}

/** The labels’ bytes, one after the other, page by page; behind them one that names letters which no face has. */
export function labelsPdf(
  things: readonly (LabelledThing & { address: string })[],
  shape: LabelShape,
): Promise<Buffer> {
  const isRoll = shape.columns * shape.rows === 1;
  const [w, h] = [shape.width * MM, shape.height * MM];
  const page: [number, number] = isRoll ? [w, h] : A4;
  const doc = openPaper('Labels', page, 0);
  return bytesOf(doc, () => {
    const perPage = shape.columns * shape.rows;
    const boxAt = (i: number): Box => {
      if (i > 0 && i % perPage === 0) doc.addPage();
      const at = i % perPage;
      return {
        x: shape.left * MM + (at % shape.columns) * w,
        y: shape.top * MM + Math.floor(at / shape.columns) * h,
        w,
        h,
      };
    };
    for (const [i, thing] of things.entries()) draw(doc, thing, thing.address, boxAt(i));
    const missing = saidOfMissing(doc);
    if (missing !== '') note(doc, missing, boxAt(things.length));
  });
}
