/** A batch's manifest on paper. */
import { codeOf } from '#core/codes/codes.ts';
import { formatDay } from '#core/time/days.ts';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { OutFile } from '../../http/outFile.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { addressOfCode } from '../labels/index.ts';
import { shownOf } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import type { ManifestOf } from './manifest.pdf.ts';
import { batchNow } from './outworkNow.ts';

export async function printManifest(deps: Deps, who: SignedIn, batchId: string): Promise<OutFile> {
  const of = await inShop(deps.db, who.shopId, async (tx): Promise<ManifestOf> => {
    const batch = await batchNow(tx, who, batchId);
    if (!batch) throw notFound('batch');
    const { name: shop, locale } = await shopOf(tx);
    const files = new Map<string, string>();
    for (const buildId of new Set(batch.pieces.map((p) => p.buildId))) {
      const own = batch.pieces.filter((p) => p.buildId === buildId);
      const shown = await shownOf(
        tx,
        buildId,
        own.map((p) => p.entryId),
      );
      for (const p of own) {
        const [picture] = shown.get(p.entryId) ?? [];
        if (picture) files.set(p.id, deps.photos.pathOf(who.shopId, picture.thumb));
      }
    }
    return {
      shop,
      batch,
      sent: batch.sentOn ? `Sent ${formatDay(batch.sentOn, locale)}.` : 'Not sent yet.',
      promised: batch.promised ? ` Promised back ${formatDay(batch.promised, locale)}.` : '',
      address: addressOfCode(deps, codeOf(batch.id)),
      files,
    };
  });
  const name = `${of.batch.number}-${of.batch.vendor.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.pdf`;
  return { name, type: 'application/pdf', body: Buffer.from(await deps.compute.run('manifestPaper', of)) };
}
