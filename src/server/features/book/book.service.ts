/** Books as they are asked for, brought in, given and fetched. */
import { rm } from 'node:fs/promises';
import type { Request } from 'express';
import { MOST_ARCHIVE_BYTES, type BookAskDto, type BookView } from '#contract/book.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queueBook } from '../../jobs/queue.ts';
import { receive, type Limit } from '../../media/receive.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { ensureLink } from '../links/index.ts';
import { noteEvent } from '../session/index.ts';
import * as q from './book.queries.ts';

const OF_AN_ARCHIVE: Limit = {
  most: MOST_ARCHIVE_BYTES,
  whyNot: (bytes) => {
    if (bytes === 0) return 'The file is empty.';
    const mb = (b: number): number => Math.ceil(b / 1024 / 1024);
    return bytes > MOST_ARCHIVE_BYTES
      ? `It is ${mb(bytes)} MB; at most ${mb(MOST_ARCHIVE_BYTES)} MB are taken.`
      : null;
  },
};

export const booksOf = (deps: Deps, who: SignedIn, buildId: string): Promise<{ books: BookView[] }> =>
  inShop(deps.db, who.shopId, async (tx) => ({ books: (await q.booksOf(tx, buildId)).map(q.toBook) }));

async function bookIn(tx: Tx, id: string): Promise<q.LightRow> {
  const row = await q.bookById(tx, id);
  if (!row) throw notFound('book');
  return row;
}

export const readBookRow = (deps: Deps, who: SignedIn, id: string): Promise<BookView> =>
  inShop(deps.db, who.shopId, async (tx) => q.toBook(await bookIn(tx, id)));

/** Asks for a book to be bound; the same id again is the same book. */
export async function askBook(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: BookAskDto,
): Promise<BookView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const known = await q.bookById(tx, dto.id);
    if (known && known.build_id !== buildId)
      throw new Refusal('conflict', 'Another book was asked for under this id already.');
    if (!known) {
      const { id, withCosts, meant } = dto;
      const now = deps.clock.now();
      const text = `The book of the ${build.nickname} was bound${withCosts ? ', with costs' : ''}.`;
      await noteEvent(tx, now, { kind: 'export', text, byId: who.personId });
      await q.insertBook(tx, {
        id,
        origin: 'bound',
        buildId,
        withCosts,
        meant,
        zip: null,
        by: who.personId,
        now,
      });
      await queueBook(tx, 'bind-book', { shopId: who.shopId, bookId: id });
    }
    return q.toBook(await bookIn(tx, dto.id));
  });
}

/** Looks into an archive before it is taken, so that a wrong file is told at once. */
async function refuseBad(deps: Deps, file: string): Promise<void> {
  const fault = await deps.compute.run('archiveFault', file);
  if (fault !== null)
    throw new Refusal('invalid', `${fault} Nothing was kept.`, {
      fields: [{ field: 'archive', reason: fault }],
    });
}

/** Takes an archive in, to be read in the background. */
export async function bringInBook(deps: Deps, who: SignedIn, id: string, req: Request): Promise<BookView> {
  const before = await inShop(deps.db, who.shopId, (tx) => q.bookById(tx, id));
  const { file, hash } = await receive(req, await deps.photos.incoming(), OF_AN_ARCHIVE);
  try {
    if (before) {
      if (before.zip_hash === hash) return q.toBook(before);
      throw new Refusal('conflict', 'Another archive was brought in under this id already.');
    }
    await refuseBad(deps, file);
    await deps.photos.take(who.shopId, hash, file);
    return await inShop(deps.db, who.shopId, async (tx) => {
      const now = deps.clock.now();
      const asked = { buildId: null, withCosts: true, meant: [], zip: hash, by: who.personId, now };
      await q.insertBook(tx, { id, origin: 'read', ...asked });
      await queueBook(tx, 'read-book', { shopId: who.shopId, bookId: id });
      return q.toBook(await bookIn(tx, id));
    });
  } finally {
    await rm(file, { force: true });
  }
}

/** From now on the customer finds it on their page. */
export async function giveBook(deps: Deps, who: SignedIn, id: string): Promise<BookView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const row = await bookIn(tx, id);
    if (row.state !== 'ready' || row.build_id === null)
      throw new Refusal('conflict', 'It is not made yet. Give it when it is.');
    const build = (await buildForUpdate(tx, row.build_id))!;
    const now = deps.clock.now();
    if ((await q.saveGiven(tx, id, now)) === 1) {
      await ensureLink(tx, deps, build.id, now);
      await logIn(tx, deps, build, {
        kind: 'note',
        text: 'Its book is on the customer’s page',
        personId: who.personId,
      });
    }
    return q.toBook(await bookIn(tx, id));
  });
}

export interface BookFile {
  hash: string;
  type: string;
  saveAs: string;
}

/** The paper or the archive of a book that is made. */
export function fileOf(row: q.LightRow, name: string): BookFile {
  const [hash, type] =
    name === 'book.pdf' ? [row.pdf_hash, 'application/pdf'] : [row.zip_hash, 'application/zip'];
  if (!['book.pdf', 'book.zip'].includes(name) || row.state !== 'ready' || hash === null)
    throw notFound('book');
  return { hash, type, saveAs: `The book of the ${row.vehicle ?? 'car'}${name.slice(4)}` };
}

export const bookFile = (deps: Deps, who: SignedIn, id: string, name: string): Promise<BookFile> =>
  inShop(deps.db, who.shopId, async (tx) => fileOf(await bookIn(tx, id), name));
