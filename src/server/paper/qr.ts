/** A QR code drawn on paper, as squares: sharp at any size, and no picture to load. */
import encodeQR from 'qr';
import { INK, type Doc } from './paper.ts';

/** Quiet zone around a code: four modules (ISO/IEC 18004:2024, 5.3.8). */
const QUIET_MODULES = 4;

/** Draws a text as a code into a square of this size in points, its quiet zone included. */
export function drawQr(doc: Doc, text: string, x: number, y: number, size: number): void {
  const modules = encodeQR(text, 'raw', { ecc: 'medium', border: QUIET_MODULES });
  const step = size / modules.length;
  for (const [row, cells] of modules.entries())
    for (const [column, isDark] of cells.entries())
      if (isDark) doc.rect(x + column * step, y + row * step, step, step);
  doc.fill(INK);
}
