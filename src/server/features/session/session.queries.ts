import type { Role } from '#contract/access.ts';
import type { ShopView } from '#contract/session.ts';
import type { Tx } from '../../db/pool.ts';
import { oncePerTransaction } from '../../db/together.ts';

export interface PersonRow {
  shop_id: string;
  id: string;
  name: string;
  role: Role;
  password_hash: string;
}

/** Everybody who signs in with this address: seldom more than one, at most one a shop. */
export const peopleAtTheDoor = (tx: Tx, email: string): Promise<PersonRow[]> =>
  tx.rows(
    'select shop_id, id, name, role, password_hash from people where email = :email and not has_left order by shop_id',
    {
      email,
    },
  );

export const demoShopId = async (tx: Tx): Promise<string | null> =>
  (await tx.one<{ id: string }>('select id from shops where is_demo order by created_at limit 1'))?.id ??
  null;

export const firstOfRole = (tx: Tx, role: Role): Promise<PersonRow | undefined> =>
  tx.one(
    `select shop_id, id, name, role, password_hash from people
     where shop_id = :shopId and role = :role and not has_left order by name collate people_order limit 1`,
    { role },
  );

export const firstShopMade = async (tx: Tx): Promise<boolean> =>
  (await tx.one<{ first_shop_made: boolean }>('select first_shop_made from installation'))?.first_shop_made ??
  false;

/** True for the one caller who turns it; false for everybody after. */
export const claimFirstShop = async (tx: Tx): Promise<boolean> =>
  (await tx.run('update installation set first_shop_made = true where not first_shop_made')) === 1;

export const insertPerson = (
  tx: Tx,
  p: { id: string; name: string; email: string; role: Role; passwordHash: string },
): Promise<number> =>
  tx.run(
    `insert into people (shop_id, id, name, email, role, password_hash)
     values (:shopId, :id, :name, lower(:email), :role, :passwordHash)`,
    p,
  );

export async function insertShop(tx: Tx, s: ShopView, now: string): Promise<void> {
  await tx.run(
    `insert into shops (id, name, currency, units, locale, time_zone, is_demo, created_at)
     values (:shopId, :name, :currency, :units, :locale, :timeZone, :isDemo, :now)`,
    { ...s, now },
  );
  await tx.run('insert into shop_counters (shop_id) values (:shopId)');
}

interface ShopRow {
  id: string;
  name: string;
  currency: string;
  units: 'imperial' | 'metric';
  locale: string;
  time_zone: string;
  is_demo: boolean;
}

/** Its name, currency and time zone, which nothing changes once it is made. */
export const shopOf = oncePerTransaction(async (tx: Tx): Promise<ShopView> => {
  const row = await tx.one<ShopRow>('select * from shops where id = :shopId');
  if (!row) throw new Error('the shop is not there');
  const { id, name, currency, units, locale, time_zone: timeZone, is_demo: isDemo } = row;
  return { id, name, currency, units, locale, timeZone, isDemo };
});
