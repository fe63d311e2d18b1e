import { groupBy } from '#core/lists/groupBy.ts';
import type { BuildPhotoView, PhotoView } from '#contract/photos.ts';
import type { PhotoType } from '#core/photo/limits.ts';
import type { PhotoMark } from '#core/photo/marks.ts';
import { filesShown, type ShownFile, type ShownPicture } from '#core/photo/shown.ts';
import type { Tx } from '../../db/pool.ts';
import { together } from '../../db/together.ts';

export interface PhotoRow {
  id: string;
  build_id: string;
  entry_id: string;
  name: string;
  caption: string;
  original_hash: string;
  plain_hash: string;
  shown_hash: string;
  thumb_hash: string;
  type: PhotoType;
  bytes: number;
  width: number;
  height: number;
  taken_at: string | null;
  had_location: boolean;
  marks: PhotoMark[];
  before_id: string | null;
  version: number;
  person_id: string;
  recorded_at: string;
  removed_at: string | null;
}

/** Of a shown file’s hash, as `look`. */
export const LOOK_DIGITS = 12;

export const toPhoto = (r: PhotoRow): PhotoView => ({
  id: r.id,
  entryId: r.entry_id,
  name: r.name,
  caption: r.caption,
  width: r.width,
  height: r.height,
  takenAt: r.taken_at,
  marks: r.marks,
  before: r.before_id,
  version: r.version,
  look: r.shown_hash.slice(0, LOOK_DIGITS),
});

/** A photograph with the one that shows the same before the work. */
type PairRow = PhotoRow & { earlier: ShownFile | null };

const toShown = (r: PairRow): ShownPicture => ({
  id: r.id,
  hash: r.shown_hash,
  thumb: r.thumb_hash,
  width: r.width,
  height: r.height,
  caption: r.caption,
  ...(r.earlier ? { before: r.earlier } : {}),
});

/** The photograph wherever it belongs, taken away or not: an id is used once. */
export const photoById = (tx: Tx, id: string): Promise<PhotoRow | undefined> =>
  tx.one('select * from photos where shop_id = :shopId and id = :id', { id });

export const photoForUpdate = (tx: Tx, id: string): Promise<PhotoRow | undefined> =>
  tx.one('select * from photos where shop_id = :shopId and id = :id and removed_at is null for update', {
    id,
  });

/** The build of a photograph, held so that its numbers become visible in their order (as with entries). */
const HELD = `(select b.id from builds b join photos o on o.shop_id = b.shop_id and o.build_id = b.id
       where o.shop_id = :shopId and o.id = :id for no key update of b) held`;

export type NewPhoto = Omit<PhotoRow, 'caption' | 'marks' | 'before_id' | 'version' | 'removed_at'>;

export const insertPhoto = (tx: Tx, p: NewPhoto): Promise<number> =>
  tx.run(
    `insert into photos (shop_id, id, build_id, entry_id, seq, name, original_hash, plain_hash, shown_hash,
       thumb_hash, type, bytes, width, height, taken_at, had_location, person_id, recorded_at)
     select :shopId, :id, held.id, :entry_id, nextval('entry_numbers'), :name, :original_hash, :plain_hash, :shown_hash,
       :thumb_hash, :type, :bytes, :width, :height, :taken_at, :had_location, :person_id, :recorded_at
     from (select id from builds where shop_id = :shopId and id = :build_id for no key update) held`,
    { ...p },
  );

export const savePhoto = (
  tx: Tx,
  p: {
    id: string;
    caption: string;
    marks: readonly PhotoMark[];
    before: string | null;
    shown: string;
    thumb: string;
  },
): Promise<number> =>
  tx.run(
    `update photos set caption = :caption, marks = :marks::jsonb, shown_hash = :shown, thumb_hash = :thumb,
       before_id = :before, version = version + 1, seq = nextval('entry_numbers')
     from ${HELD} where photos.shop_id = :shopId and photos.id = :id`,
    { ...p, marks: JSON.stringify(p.marks) },
  );

export const removePhoto = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run(
    `update photos set removed_at = :now, version = version + 1, seq = nextval('entry_numbers')
     from ${HELD} where photos.shop_id = :shopId and photos.id = :id`,
    { id, now },
  );

export const countOfEntry = async (tx: Tx, entryId: string): Promise<number> =>
  (await tx.one<{ n: number }>(
    'select count(*) as n from photos where shop_id = :shopId and entry_id = :entryId and removed_at is null',
    { entryId },
  ))!.n;

export const isEntryOf = async (tx: Tx, buildId: string, entryId: string): Promise<boolean> =>
  (await tx.one(
    `select 1 from entries where shop_id = :shopId and build_id = :buildId and id = :entryId
       and kind <> 'correction'`,
    { buildId, entryId },
  )) !== undefined;

interface BuildPhotoRow extends PhotoRow {
  entry_text: string;
  entry_at: string;
  person: string;
}

/** All photographs of a build, by the time of their entry, newest first; of one entry in the order they were taken. */
export const photosOf = async (tx: Tx, buildId: string): Promise<BuildPhotoView[]> => {
  const rows = await tx.rows<BuildPhotoRow>(
    `select p.*, e.text as entry_text, e.at as entry_at, o.name as person from photos p
     join entries_now e on e.shop_id = p.shop_id and e.id = p.entry_id
     join people o on o.shop_id = p.shop_id and o.id = p.person_id
     where p.shop_id = :shopId and p.build_id = :buildId and p.removed_at is null
     order by e.at desc, e.seq desc, coalesce(p.taken_at, p.recorded_at), p.id`,
    { buildId },
  );
  return rows.map((r) => ({ ...toPhoto(r), entryText: r.entry_text, at: r.entry_at, person: r.person }));
};

/** Photographs of these entries, as a customer would be shown them, by entry. */
export const shownOf = (
  tx: Tx,
  buildId: string,
  entryIds: readonly string[],
): Promise<Map<string, ShownPicture[]>> => shownTogether(tx, { buildId, entryIds });

const shownTogether = together(
  async (tx: Tx, asked: readonly { buildId: string; entryIds: readonly string[] }[]) => {
    const rows = await tx.rows<PairRow>(
      `select p.*, case when b.id is not null then json_build_object('hash', b.shown_hash, 'thumb', b.thumb_hash,
         'width', b.width, 'height', b.height, 'caption', b.caption) end as earlier
     from photos p
     left join photos b on b.shop_id = p.shop_id and b.id = p.before_id and b.removed_at is null
     where p.shop_id = :shopId and p.build_id = any(:buildIds::uuid[]) and p.entry_id = any(:entryIds::uuid[])
       and p.removed_at is null
     order by coalesce(p.taken_at, p.recorded_at), p.id`,
      { buildIds: asked.map((a) => a.buildId), entryIds: asked.flatMap((a) => a.entryIds) },
    );
    return asked.map(({ buildId, entryIds }) => {
      const own = rows.filter((r) => r.build_id === buildId && entryIds.includes(r.entry_id));
      return new Map([...groupBy(own, (r) => r.entry_id)].map(([id, of]) => [id, of.map(toShown)]));
    });
  },
);

/** From now on the customer's page gives these files out. */
export async function showPictures(
  tx: Tx,
  buildId: string,
  pictures: readonly ShownPicture[],
): Promise<void> {
  for (const hash of filesShown(pictures))
    await tx.run(
      `insert into shown_pictures (shop_id, build_id, hash) values (:shopId, :buildId, :hash)
       on conflict do nothing`,
      { buildId, hash },
    );
}

export const wasShown = async (tx: Tx, buildId: string, hash: string): Promise<boolean> =>
  (await tx.one(
    'select 1 from shown_pictures where shop_id = :shopId and build_id = :buildId and hash = :hash',
    { buildId, hash },
  )) !== undefined;
