/** Rates from a day on. What was worked before keeps its price. */
import type { RatePutDto, RatesView } from '#contract/rates.ts';
import { whyNotDropRate, whyNotRate } from '#core/costs/rates.ts';
import { dayOf } from '#core/time/days.ts';
import { holdName } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidFields, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { shopOf } from '../session/index.ts';
import * as q from './rates.queries.ts';

export const todayOf = async (tx: Tx, deps: Deps): Promise<string> =>
  dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);

const viewOf = async (tx: Tx, deps: Deps): Promise<RatesView> => ({
  today: await todayOf(tx, deps),
  rates: await q.ratesOf(tx),
});

export const readRates = (deps: Deps, who: SignedIn): Promise<RatesView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps));

/** Keeps a rate. The same again changes nothing; one of the same person, work and day is changed until it holds. */
export const putRate = (deps: Deps, who: SignedIn, id: string, dto: RatePutDto): Promise<RatesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdName(tx, 'rates');
    const before = await viewOf(tx, deps);
    if (before.rates.some((r) => r.id === id)) return before;
    const { personId = null } = dto;
    if (personId !== null && !(await q.isPerson(tx, personId))) throw notFound('person');
    const rate = {
      personId,
      work: dto.work ?? null,
      from: dto.from,
      chargeMinor: dto.chargeMinor ?? null,
      costMinor: dto.costMinor ?? null,
    };
    const faults = whyNotRate(before.rates, rate, before.today);
    if (faults.length > 0) throw invalidFields(faults);
    await q.saveRate(tx, { id, ...rate });
    return viewOf(tx, deps);
  });

/** Takes a rate back that does not hold yet. */
export const dropRate = (deps: Deps, who: SignedIn, id: string): Promise<RatesView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const before = await viewOf(tx, deps);
    const rate = before.rates.find((r) => r.id === id);
    if (!rate) return before;
    const whyNot = whyNotDropRate(rate, before.today);
    if (whyNot !== null) throw new Refusal('forbidden', `It stays: ${whyNot}.`);
    await q.dropRate(tx, id);
    return viewOf(tx, deps);
  });
