/** Who works in the shop, where cars can stand, and whom work and parts come from. */
import type { KnownView } from '#contract/builds.ts';
import {
  MOST_NAMES,
  type AbsencePutDto,
  type InvitationView,
  type PersonPutDto,
  type PersonView,
  type PlacePutDto,
  type ShopListsView,
  type VendorPutDto,
} from '#contract/shop.ts';
import { canonical } from '#core/approval/canonical.ts';
import { whyNotSpot } from '#core/plan/floorPlan.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { dayOf } from '#core/time/days.ts';
import { whyNotStand } from '#core/shop/people.ts';
import { holdShop } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queuePasswordMail } from '../../jobs/queue.ts';
import { mailServerOf, whyNoMail } from '../../mail/post.ts';
import {
  endSessions,
  hashPassword,
  insertPerson,
  INVITATION_MS,
  passwordUrl,
  isPassword,
  noPassword,
  noteEvent,
  refuseWeakPassword,
  shopOf,
} from '../session/index.ts';
import * as q from './shop.queries.ts';

const listsOf = async (tx: Tx, deps: Deps): Promise<ShopListsView> => ({
  people: await q.people(tx),
  places: await q.places(tx),
  vendors: await q.vendors(tx),
  absences: await q.absencesFrom(tx, dayOf(deps.clock.now(), (await shopOf(tx)).timeZone)),
});

export const readLists = (deps: Deps, who: SignedIn): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, (tx) => listsOf(tx, deps));

/** The names that the log line knows. */
export const readKnown = (deps: Deps, who: SignedIn): Promise<KnownView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { people, places, vendors } = await listsOf(tx, deps);
    const named = ({ id, name }: { id: string; name: string }) => ({ id, name });
    return {
      builds: await q.knownBuilds(tx),
      people: people.filter((p) => !p.hasLeft).map(named),
      vendors: vendors.map(named),
      places: places.filter((p) => !p.closed).map(named),
    };
  });

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
    throw invalidAt('name', 'there is one of that name already');
  return known;
}

const same = (known: object | undefined, after: object): boolean =>
  known !== undefined && canonical({ ...known, version: 0 }) === canonical({ ...after, version: 0 });

/** Adds or changes a person. Another role, another password or leaving signs them out everywhere. */
export const putPerson = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { password, skills, ...dto }: PersonPutDto,
): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdShop(tx);
    const lists = await listsOf(tx, deps);
    const known = lists.people.find((p) => p.id === id);
    const invited = known?.invited ?? password === undefined;
    const kept = known?.skills ?? [];
    const after = {
      invited,
      ...dto,
      id,
      name: dto.name.trim(),
      email: dto.email.trim().toLowerCase(),
      skills: skills ? WORKS.filter((w) => skills.includes(w)) : kept,
    };
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
      throw invalidAt('email', 'somebody here signs in with that address already');
    const whyNot = whyNotStand(lists.people, after);
    if (whyNot) throw invalidAt(dto.hasLeft ? 'hasLeft' : 'role', whyNot);
    if (newPassword !== undefined)
      await refuseWeakPassword(newPassword, { ...after, shopName: (await shopOf(tx)).name });
    const passwordHash =
      newPassword === undefined ? (oldHash ?? (await noPassword())) : await hashPassword(newPassword);
    if (!before) await insertPerson(tx, { ...after, passwordHash });
    if (!before && newPassword === undefined) await q.noteInvited(tx, id, deps.clock.now());
    await noteChange(tx, deps, who, before, after, newPassword !== undefined);
    if (before || after.skills.length > 0) await q.updatePerson(tx, { ...after, passwordHash });
    if (before && (before.role !== after.role || after.hasLeft || newPassword !== undefined))
      await endSessions(tx, id);
    return listsOf(tx, deps);
  });

/** For the owner to read later: who joined, whose role, address or password changed, who left. */
async function noteChange(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  before: PersonView | undefined,
  after: Omit<PersonView, 'version' | 'invited'>,
  hasNewPassword: boolean,
): Promise<void> {
  const words = !before
    ? [`Joined as ${after.role}`]
    : [
        before.role === after.role ? '' : `${before.role} became ${after.role}`,
        before.email === after.email ? '' : `signs in with ${after.email} instead of ${before.email}`,
        before.hasLeft === after.hasLeft ? '' : after.hasLeft ? 'left' : 'came back',
        hasNewPassword ? 'got a new password from the owner' : '',
      ];
  const text = words.filter((w) => w !== '').join('; ');
  if (text !== '')
    await noteEvent(tx, deps.clock.now(), {
      kind: 'person changed',
      text,
      personId: after.id,
      byId: who.personId,
    });
}

/** A link by which a person sets their password, for the owner to hand over; it goes by mail too where mail goes. */
export const invitePerson = (deps: Deps, who: SignedIn, personId: string): Promise<InvitationView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const person = (await listsOf(tx, deps)).people.find((p) => p.id === personId && !p.hasLeft);
    if (!person) throw notFound('person');
    const passwordHash = (await q.passwordHashOf(tx, personId))!;
    const now = deps.clock.now();
    await noteEvent(tx, now, {
      kind: 'invited',
      text: 'A link to set a password was made; it holds for a week.',
      personId,
      byId: who.personId,
    });
    await queuePasswordMail(tx, { shopId: who.shopId, personId, why: 'invitation' });
    const whyNot = whyNoMail(deps, await shopOf(tx), await mailServerOf(tx));
    const holder = { shopId: who.shopId, personId, passwordHash };
    return { url: passwordUrl(deps, holder, Date.parse(now) + INVITATION_MS), mailed: whyNot === null };
  });

/** Adds or changes a place. One where a car stands is not closed. */
export const putPlace = (deps: Deps, who: SignedIn, id: string, dto: PlacePutDto): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdShop(tx);
    const lists = await listsOf(tx, deps);
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
    if (misplaced !== null) throw invalidAt('spot', misplaced);
    const car = dto.closed ? await q.carAt(tx, id) : undefined;
    if (car !== undefined) throw invalidAt('closed', `the ${car} stands there: move it first`);
    await q.savePlace(tx, after);
    return listsOf(tx, deps);
  });

export const putVendor = (deps: Deps, who: SignedIn, id: string, dto: VendorPutDto): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdShop(tx);
    const lists = await listsOf(tx, deps);
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
    return listsOf(tx, deps);
  });

/** Says when somebody is away, or takes it back. The same again changes nothing. */
export const putAbsence = (
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: AbsencePutDto,
): Promise<ShopListsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdShop(tx);
    const lists = await listsOf(tx, deps);
    const after = { ...dto, id, reason: dto.reason.trim() };
    const known = lists.absences.find((a) => a.id === id);
    if (same(known && { ...known, isOff: false }, after)) return lists;
    if ((await q.absenceVersion(tx, id)) !== dto.version) throw changedMeanwhile('this', lists);
    if (!lists.people.some((p) => p.id === dto.personId)) throw invalidAt('personId', 'say who');
    if (dto.to !== undefined && dto.to < dto.from) throw invalidAt('to', 'the last day is before the first');
    await q.saveAbsence(tx, { ...after, now: deps.clock.now() });
    return listsOf(tx, deps);
  });
