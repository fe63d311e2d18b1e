/** What goes with a batch: every piece, how many, its bag, its picture, which car and whose; ticked out and ticked in. */
import type { BatchPieceView, BatchView } from '#contract/outwork.ts';
import {
  BOTTOM,
  bytesOf,
  feet,
  INK,
  MARGIN,
  openPaper,
  OXIDE,
  QUIET,
  rule,
  WIDTH,
  write,
  type Doc,
} from '../../paper/paper.ts';
import { drawQr } from '../../paper/qr.ts';

export interface ManifestOf {
  shop: string;
  batch: BatchView;
  sent: string;
  promised: string;
  /** What its code opens. */
  address: string;
  /** The small pictures’ files, by the id of the piece; not all have one. */
  files: ReadonlyMap<string, string>;
}

const QR_SIZE = 84;
const ROW = 46;
const BOX = 13;
/** Columns: out, back, how many, picture, what, whose, code. */
const X = { out: 0, back: 30, count: 62, picture: 96, what: 160, whose: 330, code: 430 };

function head(doc: Doc, { shop, batch, sent, promised, address }: ManifestOf): number {
  doc.rect(0, 0, 595.28, 6).fill(OXIDE);
  const width = WIDTH - QR_SIZE - 16;
  drawQr(doc, address, MARGIN + WIDTH - QR_SIZE, MARGIN - 18, QR_SIZE);
  let y = write(doc, shop, MARGIN, MARGIN - 8, { weight: 'bold', size: 18, color: OXIDE, width });
  y = write(doc, `Manifest ${batch.number}: ${batch.treatment}`, MARGIN, y + 8, {
    weight: 'bold',
    size: 15,
    width,
  });
  y = write(doc, `To ${batch.vendor}. ${sent}${promised}`, MARGIN, y + 2, { color: QUIET, width });
  if (batch.note !== '') y = write(doc, batch.note, MARGIN, y + 6, { width });
  return Math.max(y, MARGIN + QR_SIZE - 14) + 10;
}

function headings(doc: Doc, y: number): number {
  const style = { size: 8, color: QUIET };
  const words: [number, string][] = [
    [X.out, 'out'],
    [X.back, 'back'],
    [X.count, 'how many'],
    [X.what, 'what, bag'],
    [X.whose, 'which car, whose'],
    [X.code, 'code'],
  ];
  for (const [x, text] of words) write(doc, text, MARGIN + x, y, style);
  return y + 14;
}

function row(doc: Doc, of: ManifestOf, piece: BatchPieceView, y: number): void {
  const at = (x: number): number => MARGIN + x;
  rule(doc, y);
  for (const x of [X.out, X.back])
    doc
      .rect(at(x), y + 10, BOX, BOX)
      .lineWidth(0.9)
      .strokeColor(INK)
      .stroke();
  write(doc, String(piece.sent), at(X.count), y + 8, { weight: 'bold', size: 13, width: 34 });
  const file = of.files.get(piece.id);
  if (file) doc.image(file, at(X.picture), y + 4, { fit: [56, ROW - 8] });
  const bag = piece.bag === '' ? '' : `bag ${piece.bag}`;
  const under = write(doc, piece.what, at(X.what), y + 6, { weight: 'bold', width: 164 });
  write(doc, [bag, piece.note].filter(Boolean).join(', '), at(X.what), under, {
    size: 8,
    color: QUIET,
    width: 164,
  });
  const whose = write(doc, piece.nickname, at(X.whose), y + 6, { width: 94 });
  write(doc, piece.customer, at(X.whose), whose, { size: 8, color: QUIET, width: 94 });
  write(doc, piece.code, at(X.code), y + 8, { size: 8, width: WIDTH - X.code });
}

/** The manifest’s bytes. */
export function manifestPdf(of: ManifestOf): Promise<Buffer> {
  const { batch, shop } = of;
  const doc = openPaper(`Manifest ${batch.number}, ${batch.vendor}`);
  return bytesOf(doc, () => {
    let y = headings(doc, head(doc, of));
    for (const piece of batch.pieces) {
      if (y + ROW > BOTTOM) {
        doc.addPage();
        y = headings(doc, MARGIN);
      }
      row(doc, of, piece, y);
      y += ROW;
    }
    if (y + 96 > BOTTOM) {
      doc.addPage();
      y = MARGIN;
    }
    rule(doc, y, INK, 1.2);
    const things = batch.pieces.reduce((sum, p) => sum + p.sent, 0);
    write(doc, `${batch.pieces.length} pieces on this list, ${things} things in all.`, MARGIN, y + 8, {
      weight: 'bold',
    });
    for (const [i, words] of ['handed over', 'received', 'back and counted'].entries()) {
      const x = MARGIN + i * (WIDTH / 3);
      doc
        .moveTo(x, y + 64)
        .lineTo(x + WIDTH / 3 - 16, y + 64)
        .lineWidth(0.7)
        .strokeColor(INK)
        .stroke();
      write(doc, `${words}: day and name`, x, y + 68, { size: 8, color: QUIET, width: WIDTH / 3 - 16 });
    }
    feet(doc, `${shop} · Manifest ${batch.number}`);
  });
}
