import type { Detail } from '#core/update/letter.ts';
import type { Tx } from '../../db/pool.ts';

export interface MannerRow {
  customer_id: string;
  name: string;
  detail: Detail;
  greeting: string;
  closing: string;
  metric: boolean | null;
  also_currency: string | null;
  also_rate: number | null;
  also_rate_on: string | null;
  text_to: string;
  manner_version: number;
  shop_greeting: string;
  shop_closing: string;
}

/** How a customer likes to be told, and the shop's own words. */
export const mannerOf = (tx: Tx, customerId: string): Promise<MannerRow | undefined> =>
  tx.one(
    `select c.id as customer_id, c.name, c.detail, c.greeting, c.closing, c.metric, c.also_currency, c.also_rate,
       c.also_rate_on, c.text_to, c.manner_version, s.letter_greeting as shop_greeting, s.letter_closing as shop_closing
     from customers c join shops s on s.id = c.shop_id
     where c.shop_id = :shopId and c.id = :customerId`,
    { customerId },
  );

export const customerOf = (tx: Tx, buildId: string): Promise<{ id: string } | undefined> =>
  tx.one('select customer_id as id from builds where shop_id = :shopId and id = :buildId', { buildId });

export interface MannerSaved {
  customerId: string;
  version: number;
  detail: Detail;
  greeting: string;
  closing: string;
  metric: boolean | null;
  alsoCurrency: string | null;
  alsoRate: number | null;
  alsoRateOn: string | null;
  textTo: string;
}

/** Answers whether it was still at this version. */
export const saveManner = async (tx: Tx, m: MannerSaved): Promise<boolean> =>
  (await tx.run(
    `update customers set detail = :detail, greeting = :greeting, closing = :closing, metric = :metric,
       also_currency = :alsoCurrency, also_rate = :alsoRate, also_rate_on = :alsoRateOn, text_to = :textTo,
       manner_version = manner_version + 1
     where shop_id = :shopId and id = :customerId and manner_version = :version`,
    { ...m },
  )) === 1;

export const saveShopWords = (tx: Tx, w: { greeting: string; closing: string }): Promise<number> =>
  tx.run('update shops set letter_greeting = :greeting, letter_closing = :closing where id = :shopId', w);

export const shopWords = async (tx: Tx): Promise<{ greeting: string; closing: string }> =>
  (await tx.one<{ greeting: string; closing: string }>(
    'select letter_greeting as greeting, letter_closing as closing from shops where id = :shopId',
  ))!;
