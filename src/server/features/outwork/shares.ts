/** What a batch costs, over the pieces that went with it. */
import { allocate } from '#core/money/money.ts';
import type * as q from './outwork.queries.ts';

/** Shares a batch's price over its pieces, by the number of things; answers the share of each. */
export async function shareOut(
  batch: Pick<q.BatchRow, 'id' | 'price_minor'>,
  pieces: readonly q.PieceRow[],
  keep: (p: { batchId: string; pieceId: string; priceMinor: number | null; sent: number }) => Promise<number>,
): Promise<Map<string, number>> {
  const shares =
    batch.price_minor === null
      ? null
      : allocate(
          batch.price_minor,
          pieces.map((p) => p.content.count),
        );
  for (const [i, p] of pieces.entries())
    await keep({
      batchId: batch.id,
      pieceId: p.id,
      sent: p.content.count,
      priceMinor: shares ? shares[i]! : null,
    });
  return new Map(pieces.map((p, i) => [p.id, shares?.[i] ?? 0]));
}
