/** Takes a file off the wire onto the disk, counting and hashing as it goes; never holds it in memory. */
import { createHash } from 'node:crypto';
import { open, rm } from 'node:fs/promises';
import type { Request } from 'express';
import { MOST_BYTES, whyNotSize } from '#core/photo/limits.ts';
import { Refusal } from '../http/refusal.ts';

export interface Received {
  file: string;
  hash: string;
  bytes: number;
}

/** How much is taken, in bytes, and why more, or nothing, is not. */
export interface Limit {
  most: number;
  whyNot: (bytes: number) => string | null;
}
const OF_A_PHOTO: Limit = { most: MOST_BYTES, whyNot: whyNotSize };

const tooLarge = (bytes: number, { whyNot }: Limit): Refusal =>
  new Refusal('too-large', `${whyNot(bytes)!} Nothing was kept.`);

/** Lets the rest of a refused body run out unread, so that its sender hears the refusal; up to as much again. */
async function letRunOut(req: Request, { most }: Limit): Promise<void> {
  let left = most;
  for await (const chunk of req.iterator({ destroyOnReturn: false })) {
    left -= (chunk as Buffer).length;
    if (left < 0) return;
  }
}

/** The request's body in `file`. Refuses an empty one, and one over the limit, whatever its headers said. */
export async function receive(req: Request, file: string, limit = OF_A_PHOTO): Promise<Received> {
  const announced = Number(req.get('content-length') ?? 0);
  const hash = createHash('sha256');
  let bytes = 0;
  const handle = await open(file, 'wx', 0o600);
  try {
    if (announced <= limit.most)
      for await (const chunk of req.iterator({ destroyOnReturn: false })) {
        bytes += (chunk as Buffer).length;
        if (bytes > limit.most) break;
        hash.update(chunk as Buffer);
        await handle.write(chunk as Buffer);
      }
    const size = Math.max(bytes, announced);
    if (size > limit.most) {
      await letRunOut(req, limit);
      throw tooLarge(size, limit);
    }
    if (bytes === 0) throw new Refusal('invalid', `${limit.whyNot(0)!} Nothing was kept.`);
    return { file, hash: hash.digest('hex'), bytes };
  } catch (error) {
    await rm(file, { force: true });
    if (req.destroyed && !(error instanceof Refusal)) throw new Refusal('invalid', 'The upload broke off.');
    throw error;
  } finally {
    await handle.close();
  }
}
