/** Signing in, and the shop that one signs in to. */
import type { Role } from '#contract/access.ts';
import type { SessionView, ShopCreateDto, ShopView, SignInDto } from '#contract/session.ts';
import { minorDigits } from '#core/money/money.ts';
import { dayOf } from '#core/time/days.ts';
import { isTimeZone } from '#core/time/zones.ts';
import type { FieldFault } from '#contract/problem.ts';
import { atTheDoor, inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { accountForUpdate } from './account.queries.ts';
import { passSecondFactor } from './account.service.ts';
import { noteEvent } from './events.ts';
import { hashPassword, isPassword, refuseWeakPassword } from './passwords.ts';
import * as q from './session.queries.ts';

const asSignedIn = (p: q.PersonRow): SignedIn => ({
  personId: p.id,
  shopId: p.shop_id,
  name: p.name,
  role: p.role,
});

/** A hash to check against when nobody has this address, so that the answer takes as long. */
const nobody = hashPassword('nobody has this password');

/** Checks address, password and second factor; every try at a known address is noted for the owner. */
export async function signIn(deps: Deps, dto: SignInDto): Promise<SignedIn> {
  const email = dto.email.trim().toLowerCase();
  const people = await atTheDoor(deps.db, { email }, (tx) => q.peopleAtTheDoor(tx, email));
  for (const person of people)
    if (await isPassword(person.password_hash, dto.password)) return enter(deps, person, dto.code);
  if (people.length === 0) await isPassword(await nobody, dto.password);
  for (const person of people) await noteFailure(deps, person, 'A wrong password.');
  throw new Refusal('sign-in', 'The address or the password is not right.', {
    fields: [{ field: 'password', reason: 'the address or the password is not right' }],
  });
}

async function enter(deps: Deps, person: q.PersonRow, code: string | undefined): Promise<SignedIn> {
  try {
    await inShop(deps.db, person.shop_id, async (tx) => {
      await passSecondFactor(tx, deps, (await accountForUpdate(tx, person.id))!, code);
      await noteEvent(tx, deps.clock.now(), { kind: 'signed in', personId: person.id, text: 'Signed in.' });
    });
  } catch (error) {
    if (error instanceof Refusal && code)
      await noteFailure(deps, person, 'A wrong code of the second factor.');
    throw error;
  }
  return asSignedIn(person);
}

const noteFailure = (deps: Deps, { shop_id, id }: q.PersonRow, text: string): Promise<number> =>
  inShop(deps.db, shop_id, (tx) =>
    noteEvent(tx, deps.clock.now(), { kind: 'sign-in failed', personId: id, text }),
  );

const demoShop = async (deps: Deps): Promise<string | null> =>
  deps.openDemo ? atTheDoor(deps.db, {}, q.demoShopId) : null;

/** One press into the demo shop, in one of its roles. */
export async function signInDemo(deps: Deps, role: Role): Promise<SignedIn> {
  const shopId = await demoShop(deps);
  const person = shopId ? await inShop(deps.db, shopId, (tx) => q.firstOfRole(tx, role)) : undefined;
  if (!person) throw new Refusal('not-found', 'There is no demo shop here.');
  return asSignedIn(person);
}

export async function readSession(deps: Deps, who: SignedIn | undefined): Promise<SessionView> {
  if (who) {
    const shop = await inShop(deps.db, who.shopId, q.shopOf);
    const { personId: id, name, role } = who;
    return {
      person: { id, name, role },
      shop,
      today: dayOf(deps.clock.now(), shop.timeZone),
      demo: deps.openDemo && shop.isDemo,
      firstRun: false,
    };
  }
  const [demo, made] = await atTheDoor(
    deps.db,
    {},
    async (tx) => [await q.demoShopId(tx), await q.firstShopMade(tx)] as const,
  );
  return { person: null, shop: null, today: null, demo: deps.openDemo && demo !== null, firstRun: !made };
}

/** What no class can check by itself: that the runtime knows the currency, locale and time zone. */
function whyNotShop(dto: ShopCreateDto): FieldFault[] {
  const faults: FieldFault[] = [];
  if (!isTimeZone(dto.timeZone)) faults.push({ field: 'timeZone', reason: 'no time zone of that name' });
  if (!Intl.supportedValuesOf('currency').includes(dto.currency) || minorDigits(dto.currency) > 3)
    faults.push({ field: 'currency', reason: 'no currency of that name' });
  try {
    new Intl.Locale(dto.locale);
  } catch {
    faults.push({ field: 'locale', reason: 'no language of that name' });
  }
  return faults;
}

/** Makes the installation's first shop with its owner. Only one can, however many try at once. */
export async function createFirstShop(deps: Deps, dto: ShopCreateDto): Promise<SignedIn> {
  const fields = whyNotShop(dto);
  if (fields.length > 0)
    throw new Refusal('invalid', `${fields[0]!.field}: ${fields[0]!.reason}.`, { fields });
  await refuseWeakPassword(dto.password, { name: dto.ownerName, email: dto.email, shopName: dto.shopName });
  return createShop(deps, dto, false);
}

/** Makes a shop with its owner; `isDemo` opens it to one-press sign-in. */
export async function createShop(deps: Deps, dto: ShopCreateDto, isDemo: boolean): Promise<SignedIn> {
  const passwordHash = await hashPassword(dto.password);
  const shop: ShopView = {
    id: dto.shopId,
    name: dto.shopName.trim(),
    currency: dto.currency,
    units: dto.units,
    locale: dto.locale,
    timeZone: dto.timeZone,
    isDemo,
  };
  return inShop(deps.db, dto.shopId, async (tx) => {
    if (!(await q.claimFirstShop(tx)) && !isDemo)
      throw new Refusal('conflict', 'A shop has been made here already. Sign in to it instead.');
    await q.insertShop(tx, shop, deps.clock.now());
    await q.insertPerson(tx, {
      id: dto.personId,
      name: dto.ownerName.trim(),
      email: dto.email.trim(),
      role: 'owner',
      passwordHash,
    });
    return { personId: dto.personId, shopId: dto.shopId, name: dto.ownerName.trim(), role: 'owner' };
  });
}

/** Noted, and told to every process, so that what is still open of it ends. */
export const noteSignOut = (deps: Deps, { shopId, personId }: SignedIn): Promise<void> =>
  inShop(deps.db, shopId, async (tx) => {
    await noteEvent(tx, deps.clock.now(), { kind: 'signed out', personId, text: 'Signed out.' });
    await tx.one(`select pg_notify('avrik_sessions', :personId)`, { personId });
  });
