import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';

/** Files are named by their content, so what has this address once has it always. */
const FOR_EVER = 'private, max-age=31536000, immutable';

/** Answers with a kept file. It is shown as what we know it to be and can do nothing else. */
export async function sendPhoto(
  deps: Deps,
  res: Response,
  shopId: string,
  {
    hash,
    type,
    saveAs,
    mayChange = false,
  }: { hash: string; type: string; saveAs?: string; mayChange?: boolean },
): Promise<void> {
  const kept = await deps.photos.read(shopId, hash);
  if (!kept) throw notFound('photograph');
  res.set('content-type', type);
  res.set('content-length', String(kept.bytes));
  res.set('cache-control', mayChange ? 'private, no-store' : FOR_EVER);
  res.set('content-security-policy', "default-src 'none'; sandbox");
  if (saveAs !== undefined) res.attachment(saveAs).set('content-type', type);
  await pipeline(kept.stream(), res).catch((error: NodeJS.ErrnoException) => {
    // Whoever looked has gone on: nothing to answer any more.
    if (error.code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  });
}
