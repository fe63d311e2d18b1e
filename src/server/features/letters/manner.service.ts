/** How a customer likes to be told: how much, in which words, units and currency. */
import type { LetterWordsDto, MannerPutDto, MannerView } from '#contract/letters.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { shopOf } from '../session/index.ts';
import * as q from './manner.queries.ts';

const MILLION = 1_000_000;

/** Whether text messages go out: the stand-in takes those of the demo shop only. */
export const textsGo = (deps: Deps, shop: { isDemo: boolean }): boolean => deps.texts !== null && shop.isDemo;

async function viewOf(tx: Tx, deps: Deps, buildId: string): Promise<MannerView> {
  const customer = await q.customerOf(tx, buildId);
  const row = customer && (await q.mannerOf(tx, customer.id));
  if (!row) throw notFound('build');
  return {
    customer: row.name,
    version: row.manner_version,
    detail: row.detail,
    greeting: row.greeting,
    closing: row.closing,
    textTo: row.text_to,
    textsGo: textsGo(deps, await shopOf(tx)),
    ...(row.metric === null ? {} : { metric: row.metric }),
    ...(row.also_currency === null
      ? {}
      : {
          alsoCurrency: row.also_currency,
          alsoRate: row.also_rate! / MILLION,
          alsoRateOn: row.also_rate_on!,
        }),
    shopGreeting: row.shop_greeting,
    shopClosing: row.shop_closing,
  };
}

export const readManner = (deps: Deps, who: SignedIn, buildId: string): Promise<MannerView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, buildId));

export const putManner = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: MannerPutDto,
): Promise<MannerView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const customer = await q.customerOf(tx, buildId);
    if (!customer) throw notFound('build');
    const kept = await q.saveManner(tx, {
      customerId: customer.id,
      version: dto.version,
      detail: dto.detail,
      greeting: dto.greeting.trim(),
      closing: dto.closing.trim(),
      metric: dto.metric ?? null,
      alsoCurrency: dto.alsoCurrency ?? null,
      alsoRate: dto.alsoRate === undefined ? null : Math.round(dto.alsoRate * MILLION),
      alsoRateOn: dto.alsoRateOn ?? null,
      textTo: dto.textTo.trim(),
    });
    if (!kept) throw changedMeanwhile('how they are told', await viewOf(tx, deps, buildId));
    return viewOf(tx, deps, buildId);
  });

/** The words that letters of the shop begin and end with. */
export const saveWords = (deps: Deps, who: SignedIn, dto: LetterWordsDto): Promise<{ kept: true }> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await q.saveShopWords(tx, { greeting: dto.greeting.trim(), closing: dto.closing.trim() });
    return { kept: true as const };
  });
