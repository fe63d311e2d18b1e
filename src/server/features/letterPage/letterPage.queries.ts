import type { ShownPicture } from '#core/photo/shown.ts';
import type { Letter } from '#core/update/letter.ts';
import type { Tx } from '../../db/pool.ts';

export interface PageHead {
  shop: string;
  locale: string;
  time_zone: string;
  vehicle: string;
  year: number | null;
  number: string;
  customer: string;
}

export const pageHead = (tx: Tx, buildId: string): Promise<PageHead | undefined> =>
  tx.one(
    `select s.name as shop, s.locale, s.time_zone, v.name as vehicle, v.year, b.number, c.name as customer from builds b
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     join shops s on s.id = b.shop_id
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     where b.shop_id = :shopId and b.id = :buildId`,
    { buildId },
  );

export const sentLetters = (
  tx: Tx,
  buildId: string,
): Promise<{ id: string; content: Letter; pictures: ShownPicture[]; sent_at: string }[]> =>
  tx.rows(
    `select id, content, pictures, sent_at from letters
     where shop_id = :shopId and build_id = :buildId and state = 'sent' order by sent_at desc, id desc`,
    { buildId },
  );

export const noteOpened = (tx: Tx, linkId: string, now: string): Promise<number> =>
  tx.run('update customer_links set last_opened_at = :now where shop_id = :shopId and id = :linkId', {
    linkId,
    now,
  });
