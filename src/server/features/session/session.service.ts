/** Signing in, and the shop that one signs in to. */
import { hash, verify } from '@node-rs/argon2';
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
import * as q from './session.queries.ts';

/** Argon2id as OWASP's Password Storage Cheat Sheet advises: 19 MiB, two passes, one lane. */
const ARGON2ID = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON2ID);

export const isPassword = (passwordHash: string, password: string): Promise<boolean> =>
  verify(passwordHash, password);

const asSignedIn = (p: q.PersonRow): SignedIn => ({
  personId: p.id,
  shopId: p.shop_id,
  name: p.name,
  role: p.role,
});

/** A hash to check against when nobody has this address, so that the answer takes as long. */
const nobody = hashPassword('nobody has this password');

export async function signIn(deps: Deps, dto: SignInDto): Promise<SignedIn> {
  const email = dto.email.trim().toLowerCase();
  const people = await atTheDoor(deps.db, { email }, (tx) => q.peopleAtTheDoor(tx, email));
  for (const person of people)
    if (await verify(person.password_hash, dto.password)) return asSignedIn(person);
  if (people.length === 0) await verify(await nobody, dto.password);
  throw new Refusal('sign-in', 'The address or the password is not right.', {
    fields: [{ field: 'password', reason: 'the address or the password is not right' }],
  });
}

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
