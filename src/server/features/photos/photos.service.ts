/** Photographs: taken in, looked at, drawn on, taken away. Each belongs to an entry of the logbook. */
import { rm } from 'node:fs/promises';
import type { Request } from 'express';
import { NAME_HEADER, type PhotoSize } from '#contract/photoFiles.ts';
import { type PhotoSaveDto, type PhotosView, type PhotoView } from '#contract/photos.ts';
import { canonical } from '#core/approval/canonical.ts';
import { MOST_PHOTOS } from '#core/photo/limits.ts';
import type { PhotoMark } from '#core/photo/marks.ts';
import { takenAt } from '#core/photo/taken.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { examine, markedSizes, sizesOf, type Sizes } from '../../media/picture.ts';
import { receive, type Received } from '../../media/receive.ts';
import { buildForUpdate } from '../builds/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './photos.queries.ts';

const NAME_LENGTH = 200;

/** The file's own name, without control characters; nothing else is read from it. */
export function nameOf(req: Request): string {
  try {
    const name = decodeURIComponent(req.get(NAME_HEADER) ?? '').replace(/\p{Cc}/gu, '');
    return name.trim().slice(0, NAME_LENGTH) || 'photograph';
  } catch {
    return 'photograph';
  }
}

export interface PhotoAt {
  buildId: string;
  entryId: string;
  id: string;
}

/** What may stand in the way before a byte is read. */
async function known(tx: Tx, { buildId, entryId, id }: PhotoAt): Promise<q.PhotoRow | undefined> {
  if (!(await q.isEntryOf(tx, buildId, entryId))) throw notFound('entry');
  const row = await q.photoById(tx, id);
  if (row && row.entry_id !== entryId)
    throw new Refusal('conflict', 'Another photograph was kept under this id already.');
  if (!row && (await q.countOfEntry(tx, entryId)) >= MOST_PHOTOS)
    throw new Refusal(
      'too-many',
      `At most ${MOST_PHOTOS} photographs with one entry. Log another one for more.`,
    );
  return row;
}

/** The same bytes again under the same id are the same photograph. */
function sameOr(row: q.PhotoRow, { hash }: Received): PhotoView {
  if (row.original_hash !== hash)
    throw new Refusal('conflict', 'Another photograph was kept under this id already.');
  return q.toPhoto(row);
}

async function insert(
  deps: Deps,
  who: SignedIn,
  at: PhotoAt,
  p: { name: string; received: Received; sizes: Sizes; about: Awaited<ReturnType<typeof examine>> },
): Promise<PhotoView> {
  const { received, sizes, about } = p;
  const plain = await deps.photos.keep(who.shopId, sizes.plain);
  const thumb = await deps.photos.keep(who.shopId, sizes.thumb);
  await deps.photos.take(who.shopId, received.hash, received.file);
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, at.buildId))) throw notFound('build');
    const meanwhile = await known(tx, at);
    if (meanwhile) return sameOr(meanwhile, received);
    const { timeZone } = await shopOf(tx);
    const now = deps.clock.now();
    await q.insertPhoto(tx, {
      id: at.id,
      build_id: at.buildId,
      entry_id: at.entryId,
      name: p.name,
      original_hash: received.hash,
      plain_hash: plain,
      shown_hash: plain,
      thumb_hash: thumb,
      type: about.type,
      bytes: received.bytes,
      width: sizes.width,
      height: sizes.height,
      taken_at: takenAt(about.takenLocal, about.offset, timeZone, now),
      had_location: about.hasLocation,
      person_id: who.personId,
      recorded_at: now,
    });
    return q.toPhoto((await q.photoById(tx, at.id))!);
  });
}

/** Takes a file that lies on the disk as a photograph of an entry. The file is gone afterwards. */
export async function takePhoto(
  deps: Deps,
  who: SignedIn,
  at: PhotoAt,
  name: string,
  received: Received,
): Promise<PhotoView> {
  const before = await inShop(deps.db, who.shopId, (tx) => known(tx, at));
  try {
    if (before) return sameOr(before, received);
    const about = await examine(received.file);
    return await insert(deps, who, at, { name, received, about, sizes: await sizesOf(received.file) });
  } finally {
    await rm(received.file, { force: true });
  }
}

export async function uploadPhoto(deps: Deps, who: SignedIn, at: PhotoAt, req: Request): Promise<PhotoView> {
  await inShop(deps.db, who.shopId, (tx) => known(tx, at));
  return takePhoto(deps, who, at, nameOf(req), await receive(req, await deps.photos.incoming()));
}

export const listPhotos = (deps: Deps, who: SignedIn, buildId: string): Promise<PhotosView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ photos: await q.photosOf(tx, buildId) }));

async function toChange(tx: Tx, id: string, version: number): Promise<q.PhotoRow> {
  const row = await q.photoForUpdate(tx, id);
  if (!row) throw notFound('photograph');
  if (row.version !== version)
    throw new Refusal('conflict', 'Somebody changed this photograph’s words or marks meanwhile.', {
      current: q.toPhoto(row),
    });
  return row;
}

/** The one before the work is another photograph of the same car. */
async function mayStandBefore(tx: Tx, photo: q.PhotoRow, earlierId: string): Promise<void> {
  const earlier = await q.photoById(tx, earlierId);
  const isThere = earlier?.build_id === photo.build_id && earlier.removed_at === null;
  if (!isThere || earlierId === photo.id) {
    const reason = 'another photograph of this car';
    throw new Refusal('invalid', `The picture before the work must be ${reason}.`, {
      fields: [{ field: 'before', reason }],
    });
  }
}

/** Keeps the caption, what was drawn and what it is the later picture of; the original stays as it came, the shown copy is made anew. */
export async function savePhoto(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: PhotoSaveDto,
): Promise<PhotoView> {
  const marks = dto.marks as PhotoMark[];
  const before = await inShop(deps.db, who.shopId, (tx) => toChange(tx, id, dto.version));
  const redrawn = canonical(before.marks) !== canonical(marks);
  const plain = deps.photos.pathOf(who.shopId, before.plain_hash);
  const made = redrawn ? await markedSizes(plain, marks, before) : null;
  const shown = made ? await deps.photos.keep(who.shopId, made.shown) : before.shown_hash;
  const thumb = made ? await deps.photos.keep(who.shopId, made.thumb) : before.thumb_hash;
  const earlier = dto.before ?? null;
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, before.build_id))) throw notFound('build');
    await toChange(tx, id, dto.version);
    if (earlier !== null) await mayStandBefore(tx, before, earlier);
    await q.savePhoto(tx, { id, caption: dto.caption.trim(), marks, before: earlier, shown, thumb });
    return q.toPhoto((await q.photoById(tx, id))!);
  });
}

/** Takes a photograph away from its entry. What a customer was sent stays on their page. */
export const removePhoto = (deps: Deps, who: SignedIn, id: string): Promise<{ removed: true }> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const row = await q.photoById(tx, id);
    if (!row) throw notFound('photograph');
    await buildForUpdate(tx, row.build_id);
    if (row.removed_at === null) await q.removePhoto(tx, id, deps.clock.now());
    return { removed: true as const };
  });

const hashAt: Record<PhotoSize, (r: q.PhotoRow) => string> = {
  thumb: (r) => r.thumb_hash,
  shown: (r) => r.shown_hash,
  plain: (r) => r.plain_hash,
  original: (r) => r.original_hash,
};

export interface PhotoFile {
  hash: string;
  type: string;
  name: string;
}

export const photoFile = (deps: Deps, who: SignedIn, id: string, size: PhotoSize): Promise<PhotoFile> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const row = await q.photoById(tx, id);
    if (!row || row.removed_at !== null) throw notFound('photograph');
    return { hash: hashAt[size](row), type: size === 'original' ? row.type : 'image/jpeg', name: row.name };
  });
