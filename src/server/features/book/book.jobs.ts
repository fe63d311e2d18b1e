/** The making of books, in the background: bound from a logbook, or read from an archive. */
import { rm, stat } from 'node:fs/promises';
import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { picturesOf, type Book, type BookPicture } from '#core/book/book.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { BookJob } from '../../jobs/queue.ts';
import { examine, paperSize, sizesIfBare, sizesOf } from '../../media/picture.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { BadArchive, openArchive, writeArchive, type OpenArchive } from './archive.ts';
import { printBook } from './book.pdf.ts';
import * as q from './book.queries.ts';
import { bringIn, type KeptPicture } from './bringIn.ts';
import { contentOf } from './content.ts';

/** Progress is written down once in so many pictures. */
const TELL_EVERY = 10;

interface MadeFile {
  hash: string;
  bytes: number;
}

async function hashOf(file: string): Promise<string> {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
}

/** Takes a file that was made into the store. */
async function keepFile(deps: Deps, shopId: string, file: string): Promise<MadeFile> {
  const [hash, { size }] = [await hashOf(file), await stat(file)];
  await deps.photos.take(shopId, hash, file);
  return { hash, bytes: size };
}

/** Makes a file and takes it in; nothing is left of it where that fails. */
async function madeFile<T>(
  deps: Deps,
  shopId: string,
  make: (file: string) => Promise<T>,
): Promise<MadeFile & { made: T }> {
  const file = await deps.photos.incoming();
  try {
    const made = await make(file);
    return { ...(await keepFile(deps, shopId, file)), made };
  } finally {
    await rm(file, { force: true });
  }
}

type Telling = (done: number) => Promise<void>;

const telling =
  (deps: Deps, { shopId, bookId }: BookJob, of: number, from = 0): Telling =>
  async (done) => {
    if (done % TELL_EVERY === 0)
      await inShop(deps.db, shopId, (tx) => q.saveProgress(tx, { id: bookId, done: from + done, of }));
  };

async function paper(
  deps: Deps,
  shopId: string,
  book: Book,
  fileOf: (p: BookPicture) => string,
  tell: Telling,
): Promise<MadeFile & { pages: number }> {
  const print = (file: string): Promise<number> => printBook(book, file, (p) => paperSize(fileOf(p)), tell);
  const { made: pages, hash, bytes } = await madeFile(deps, shopId, print);
  return { pages, hash, bytes };
}

/** Says at the book why it could not be made; a fault of the machine is tried once more before that. */
async function orSayWhy(
  deps: Deps,
  { shopId, bookId }: BookJob,
  isLast: boolean,
  make: () => Promise<void>,
): Promise<void> {
  const fail = (why: string): Promise<number> =>
    inShop(deps.db, shopId, (tx) => q.saveFailed(tx, bookId, why));
  try {
    await make();
  } catch (error) {
    if (error instanceof BadArchive) {
      await fail(error.message);
      return;
    }
    deps.log.error({ err: error, bookId }, 'a book could not be made');
    if (isLast) await fail('Something broke while it was made. Nothing is lost; try again.');
    throw error;
  }
}

/** What it is bound of is settled once; a second try binds the same. */
async function settled(tx: Tx, deps: Deps, row: q.BookRow): Promise<Book> {
  if (row.content !== null) return row.content;
  const { book, leftOut } = await contentOf(tx, deps, row.build_id!, {
    withCosts: row.with_costs,
    meant: row.meant,
  });
  await q.saveContent(tx, { id: row.id, content: book, leftOut, of: picturesOf(book).length });
  // As the database keeps it, so that a second try writes the same bytes.
  return (await q.bookWhole(tx, row.id))!.content!;
}

export async function bindBook(deps: Deps, job: BookJob, isLast: boolean): Promise<void> {
  const { shopId, bookId } = job;
  await orSayWhy(deps, job, isLast, async () => {
    const book = await inShop(deps.db, shopId, async (tx) => {
      const row = await q.bookWhole(tx, bookId);
      return row && row.state !== 'ready' ? settled(tx, deps, row) : null;
    });
    if (book === null) return;
    const fileOf = (p: BookPicture): string => deps.photos.pathOf(shopId, p.sha256);
    const tell = telling(deps, job, picturesOf(book).length);
    const pdf = await paper(deps, shopId, book, fileOf, tell);
    const zip = await madeFile(deps, shopId, (file) => writeArchive(book, file, fileOf));
    await inShop(deps.db, shopId, async (tx) => {
      const row = (await q.bookById(tx, bookId))!;
      const build = (await buildForUpdate(tx, row.build_id!))!;
      const now = deps.clock.now();
      if ((await q.saveMade(tx, { id: bookId, buildId: build.id, now, pages: pdf.pages, pdf, zip })) === 0)
        return;
      await logIn(tx, deps, build, {
        kind: 'note',
        text: `Its book is bound: ${pdf.pages} pages, ${picturesOf(book).length} pictures, ${row.with_costs ? 'with' : 'without'} costs`,
        personId: row.asked_by,
      });
    });
  });
}

/** A picture of an archive: held against its hash, looked at as any picture, and without what its camera said. */
async function takePicture(
  deps: Deps,
  shopId: string,
  archive: OpenArchive,
  picture: BookPicture,
): Promise<KeptPicture> {
  const file = await deps.photos.incoming();
  try {
    await archive.picture(picture, file);
    const about = await examine(file).catch(() => {
      throw new BadArchive(`${picture.file} is no photograph that can be shown.`);
    });
    const damaged = (): never => {
      throw new BadArchive(`${picture.file} is damaged.`);
    };
    const bare = await sizesIfBare(file).catch(damaged);
    const full = bare ? null : await sizesOf(file).catch(damaged);
    const { thumb, width, height } = (bare ?? full)!;
    const { size: bytes } = await stat(file);
    const plain = full ? await deps.photos.keep(shopId, full.plain) : picture.sha256;
    if (bare) await deps.photos.take(shopId, picture.sha256, file);
    const small = await deps.photos.keep(shopId, thumb);
    return { original: plain, plain, thumb: small, bytes, width, height, hadLocation: about.hasLocation };
  } finally {
    await rm(file, { force: true });
  }
}

export async function readBook(deps: Deps, job: BookJob, isLast: boolean): Promise<void> {
  const { shopId, bookId } = job;
  await orSayWhy(deps, job, isLast, async () => {
    const row = await inShop(deps.db, shopId, (tx) => q.bookWhole(tx, bookId));
    if (!row || row.state === 'ready') return;
    const zipFile = deps.photos.pathOf(shopId, row.zip_hash!);
    const archive = await openArchive(zipFile);
    try {
      const { book } = archive;
      const all = picturesOf(book);
      const tell = telling(deps, job, 2 * all.length);
      const kept = new Map<string, KeptPicture>();
      for (const picture of all) {
        kept.set(picture.file, await takePicture(deps, shopId, archive, picture));
        await tell(kept.size);
      }
      const fileOf = (p: BookPicture): string => deps.photos.pathOf(shopId, kept.get(p.file)!.plain);
      const pdf = await paper(deps, shopId, book, fileOf, telling(deps, job, 2 * all.length, all.length));
      const zip = { hash: row.zip_hash!, bytes: (await stat(zipFile)).size };
      await inShop(deps.db, shopId, async (tx) => {
        const buildId = await bringIn(tx, deps, book, kept, row.asked_by);
        await q.saveContent(tx, { id: bookId, content: book, leftOut: [], of: 2 * all.length });
        await q.saveMade(tx, { id: bookId, buildId, now: deps.clock.now(), pages: pdf.pages, pdf, zip });
      });
    } finally {
      archive.close();
    }
  });
}
