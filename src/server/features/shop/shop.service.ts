/** Who works in the shop, where cars can stand, and whom work and parts come from. */
import type { KnownView } from '#contract/builds.ts';
import {
  MOST_NAMES,
  type PersonPutDto,
  type PlacePutDto,
  type ShopListsView,
  type VendorPutDto,
} from '#contract/shop.ts';
import { canonical } from '#core/approval/canonical.ts';
import { whyNotSpot } from '#core/plan/floorPlan.ts';
import { whyNotStand } from '#core/shop/people.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { hashPassword, insertPerson, isPassword } from '../session/index.ts';
import * as q from './shop.queries.ts';

const listsOf = async (tx: Tx): Promise<ShopListsView> => ({
  people: await q.people(tx),
  places: await q.places(tx),
  vendors: await q.vendors(tx),
});

export const readLists = (deps: Deps, who: SignedIn): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, listsOf);

/** The names that the log line knows. */
export const readKnown = (deps: Deps, who: SignedIn): Promise<KnownView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { people, places, vendors } = await listsOf(tx);
    const named = ({ id, name }: { id: string; name: string }) => ({ id, name });
    return {
      builds: await q.knownBuilds(tx),
      people: people.filter((p) => !p.hasLeft).map(named),
      vendors: vendors.map(named),
      places: places.filter((p) => !p.closed).map(named),
    };
  });

const faulty = (field: string, reason: string): Refusal =>
  new Refusal('invalid', `${field}: ${reason}.`, { fields: [{ field, reason }] });

/**
 * What every put of a named row asks first: that it is still the version that was changed, that the list is not full, and
 * that no other row has the name. Answers the row as it stands, or undefined for a new one.
 */
function standing<R extends { id: string; name: string; version: number }>(
  rows: readonly R[],
  id: string,
  dto: { version: number; name: string },
  lists: ShopListsView,
): R | undefined {
  const known = rows.find((r) => r.id === id);
  if ((known?.version ?? 0) !== dto.version) throw changedMeanwhile('this', lists);
  if (!known && rows.length >= MOST_NAMES) throw new Refusal('too-many', `At most ${MOST_NAMES} of these.`);
  if (rows.some((r) => r.id !== id && r.name.toLowerCase() === dto.name.toLowerCase()))
    throw faulty('name', 'there is one of that name already');
  return known;
}

const same = (known: object | undefined, after: object): boolean =>
  known !== undefined && canonical({ ...known, version: 0 }) === canonical({ ...after, version: 0 });

/** Adds or changes a person. Another role, another password or leaving signs them out everywhere. */
export const putPerson = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { password, ...dto }: PersonPutDto,
): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await q.lockShop(tx);
    const lists = await listsOf(tx);
    const after = { ...dto, id, name: dto.name.trim(), email: dto.email.trim().toLowerCase() };
    const oldHash = await q.passwordHashOf(tx, id);
    const newPassword =
      password !== undefined && !(oldHash && (await isPassword(oldHash, password))) ? password : undefined;
    if (
      same(
        lists.people.find((p) => p.id === id),
        after,
      ) &&
      newPassword === undefined
    )
      return lists;
    const before = standing(lists.people, id, after, lists);
    if (lists.people.some((p) => p.id !== id && p.email === after.email))
      throw faulty('email', 'somebody here signs in with that address already');
    const whyNot = whyNotStand(lists.people, after);
    if (whyNot) throw faulty(dto.hasLeft ? 'hasLeft' : 'role', whyNot);
    if (!oldHash && newPassword === undefined)
      throw faulty('password', 'a new person needs one to begin with');
    const passwordHash = newPassword === undefined ? oldHash! : await hashPassword(newPassword);
    if (!before) await insertPerson(tx, { ...after, passwordHash });
    else await q.updatePerson(tx, { ...after, passwordHash });
    if (before && (before.role !== after.role || after.hasLeft || newPassword !== undefined))
      await q.endSessions(tx, id);
    return listsOf(tx);
  });

/** Adds or changes a place. One where a car stands is not closed. */
export const putPlace = (deps: Deps, who: SignedIn, id: string, dto: PlacePutDto): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await q.lockShop(tx);
    const lists = await listsOf(tx);
    const after = { ...dto, id, name: dto.name.trim() };
    if (
      same(
        lists.places.find((p) => p.id === id),
        after,
      )
    )
      return lists;
    standing(lists.places, id, after, lists);
    const others = lists.places
      .filter((p) => p.id !== id && !p.closed)
      .map((p) => ({ name: p.name, spot: p.spot ?? null }));
    const misplaced = dto.spot && !dto.closed ? whyNotSpot(dto.spot, others) : null;
    if (misplaced !== null) throw faulty('spot', misplaced);
    const car = dto.closed ? await q.carAt(tx, id) : undefined;
    if (car !== undefined) throw faulty('closed', `the ${car} stands there: move it first`);
    await q.savePlace(tx, after);
    return listsOf(tx);
  });

export const putVendor = (deps: Deps, who: SignedIn, id: string, dto: VendorPutDto): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await q.lockShop(tx);
    const lists = await listsOf(tx);
    const after = { ...dto, id, name: dto.name.trim() };
    if (
      same(
        lists.vendors.find((v) => v.id === id),
        after,
      )
    )
      return lists;
    standing(lists.vendors, id, after, lists);
    await q.saveVendor(tx, after);
    return listsOf(tx);
  });
