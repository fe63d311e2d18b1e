/** Somebody's hours of a week, on cars and for the shop; and hours typed for the shop itself. */
import type { HoursQueryDto, HoursView, ShopHoursPutDto } from '#contract/work.ts';
import { addDays, dayOf, weekdayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { seesPrices } from '../entries/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './shopHours.queries.ts';

/** The Monday of a day's week. */
const mondayOf = (day: string): string => addDays(day, -((weekdayOf(day) + 6) % 7));

/** The desk sees everybody's, a technician their own. */
async function weekOf(tx: Tx, deps: Deps, who: SignedIn, asked: HoursQueryDto): Promise<HoursView> {
  const shop = await shopOf(tx);
  const today = dayOf(deps.clock.now(), shop.timeZone);
  const people = (await q.peopleHere(tx)).filter((p) => seesPrices(who) || p.id === who.personId);
  const personId = asked.personId ?? who.personId;
  if (personId !== who.personId && !seesPrices(who))
    throw new Refusal('forbidden', 'These are not your hours: ask the owner or the office.');
  const from = mondayOf(asked.from ?? today);
  const to = addDays(from, 6);
  const rows = await q.hoursOf(tx, { personId, from, to, timeZone: shop.timeZone });
  return { personId, people, today, from, to, rows };
}

export const readHours = (deps: Deps, who: SignedIn, asked: HoursQueryDto): Promise<HoursView> =>
  inShop(deps.db, who.shopId, (tx) => weekOf(tx, deps, who, asked));

/** Writes down one's own hours for the shop, or takes them back. The same again changes nothing. */
export const putShopHours = (
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: ShopHoursPutDto,
): Promise<HoursView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const today = dayOf(deps.clock.now(), (await shopOf(tx)).timeZone);
    if (dto.day > today) throw invalidAt('day', 'that day is still to come');
    const owner = await q.ownerOfHours(tx, id);
    if (owner !== undefined && owner !== who.personId) throw notFound('entry');
    const { isOff, ...kept } = dto;
    const removedAt = isOff ? deps.clock.now() : null;
    await q.saveHours(tx, { id, personId: who.personId, ...kept, removedAt, now: deps.clock.now() });
    return weekOf(tx, deps, who, { from: dto.day });
  });
