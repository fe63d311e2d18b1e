/** Where the bytes of photographs are kept: by the hash of their content, apart for each shop, outside the database. */
import { createHash } from 'node:crypto';
import { createReadStream, type ReadStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat, unlink, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';

/** A store in files stands behind this; one that speaks to an object store would stand behind the same. */
export interface PhotoStore {
  /** A new path for bytes on their way in, on the store's own disk. */
  incoming(): Promise<string>;
  /** Takes over a file whose SHA-256 is `hash`; the file is gone from `from` afterwards. */
  take(shopId: string, hash: string, from: string): Promise<void>;
  /** Keeps bytes; answers their SHA-256 in hex. The same bytes twice are one file. */
  keep(shopId: string, bytes: Buffer): Promise<string>;
  /** Where an image library may read a kept file. */
  pathOf(shopId: string, hash: string): string;
  /** The bytes, and how many; null when there are none under this hash. */
  read(shopId: string, hash: string): Promise<{ bytes: number; stream: () => ReadStream } | null>;
}

const HASH = /^[0-9a-f]{64}$/;
const SHOP = /^[0-9a-f-]{36}$/;

const exists = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );

/** Waits until a file's bytes are on the disk: the database must not know of a photograph that a crash would lose. */
async function settle(file: string): Promise<void> {
  const handle = await open(file, 'r');
  await handle.sync();
  await handle.close();
}

/** Longer than any upload may take: a file that has been on its way in for so long belongs to nobody any more. */
const ABANDONED_MS = 3600_000;

/** Takes away what was on its way in when a server was killed. `now` in milliseconds since 1970. */
export async function sweepIncoming(folder: string, now: number): Promise<void> {
  const waiting = path.join(folder, 'incoming');
  for (const name of await readdir(waiting).catch(() => [])) {
    const file = path.join(waiting, name);
    const { mtimeMs } = await stat(file).catch(() => ({ mtimeMs: now }));
    if (now - mtimeMs > ABANDONED_MS) await rm(file, { force: true });
  }
}

/** Photographs as files under `folder`: `<shop>/<first two of the hash>/<hash>`. */
export function photosIn(folder: string): PhotoStore {
  const pathOf = (shopId: string, hash: string): string => {
    if (!HASH.test(hash) || !SHOP.test(shopId)) throw new Error('not the address of a photograph');
    return path.join(folder, shopId, hash.slice(0, 2), hash);
  };
  const incoming = async (): Promise<string> => {
    const waiting = path.join(folder, 'incoming');
    await mkdir(waiting, { recursive: true, mode: 0o700 });
    return path.join(waiting, uuidv7());
  };
  const take = async (shopId: string, hash: string, from: string): Promise<void> => {
    const file = pathOf(shopId, hash);
    if (await exists(file)) return unlink(from);
    await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
    await settle(from);
    await rename(from, file);
  };
  return {
    incoming,
    take,
    pathOf,
    keep: async (shopId, bytes) => {
      const hash = createHash('sha256').update(bytes).digest('hex');
      if (await exists(pathOf(shopId, hash))) return hash;
      const from = await incoming();
      await writeFile(from, bytes, { mode: 0o600 });
      await take(shopId, hash, from);
      return hash;
    },
    read: async (shopId, hash) => {
      const file = pathOf(shopId, hash);
      const known = await stat(file).catch(() => null);
      return known && { bytes: known.size, stream: () => createReadStream(file) };
    },
  };
}
