import type { LetterWriter } from '#contract/letters.ts';
import type { Tx } from '../../db/pool.ts';

export const versionOf = async (tx: Tx, letterId: string): Promise<number | undefined> =>
  (
    await tx.one<{ version: number }>(
      'select version from letters where shop_id = :shopId and id = :letterId',
      { letterId },
    )
  )?.version;

/** Says that a page is there; pages of the letter that are gone are forgotten. */
export async function putWriter(
  tx: Tx,
  w: { letterId: string; pageId: string; personId: string; place: string; now: string; gone: string },
): Promise<void> {
  await tx.run(
    'delete from letter_writers where shop_id = :shopId and letter_id = :letterId and seen_at < :gone',
    { letterId: w.letterId, gone: w.gone },
  );
  await tx.run(
    `insert into letter_writers (shop_id, letter_id, page_id, person_id, place, seen_at)
     values (:shopId, :letterId, :pageId, :personId, :place, :now)
     on conflict (shop_id, letter_id, page_id)
       do update set place = excluded.place, seen_at = excluded.seen_at, person_id = excluded.person_id`,
    { letterId: w.letterId, pageId: w.pageId, personId: w.personId, place: w.place, now: w.now },
  );
}

export const dropWriter = (tx: Tx, letterId: string, pageId: string): Promise<number> =>
  tx.run(
    'delete from letter_writers where shop_id = :shopId and letter_id = :letterId and page_id = :pageId',
    {
      letterId,
      pageId,
    },
  );

export const writersOf = (
  tx: Tx,
  w: { letterId: string; pageId: string; gone: string },
): Promise<LetterWriter[]> =>
  tx.rows(
    `select p.name, w.place from letter_writers w join people p on p.shop_id = w.shop_id and p.id = w.person_id
     where w.shop_id = :shopId and w.letter_id = :letterId and w.page_id <> :pageId and w.seen_at >= :gone
     order by p.name, w.page_id`,
    w,
  );
