import type { KnownView } from '#contract/builds.ts';
import type {
  AbsencePutDto,
  AbsenceView,
  PersonView,
  PlacePutDto,
  PlaceView,
  VendorPutDto,
  VendorView,
} from '#contract/shop.ts';
import type { Spot } from '#core/plan/floorPlan.ts';
import type { Tx } from '../../db/pool.ts';

interface PersonRow extends Omit<PersonView, 'hasLeft'> {
  has_left: boolean;
}

export const people = async (tx: Tx): Promise<PersonView[]> =>
  (
    await tx.rows<PersonRow>(
      `select id, name, email, role, has_left, version, skills, invited_at is not null as invited from people
       where shop_id = :shopId order by has_left, name collate people_order`,
    )
  ).map(({ has_left: hasLeft, ...p }) => ({ ...p, hasLeft }));

type PlaceRow = Omit<PlaceView, 'spot'> & { spot: Spot | null };

export const places = async (tx: Tx): Promise<PlaceView[]> =>
  (
    await tx.rows<PlaceRow>(
      `select id, name, kind, position, closed, version, spot from places
       where shop_id = :shopId order by closed, position, name collate people_order`,
    )
  ).map(({ spot, ...p }) => ({ ...p, ...(spot === null ? {} : { spot }) }));

export const vendors = (tx: Tx): Promise<VendorView[]> =>
  tx.rows('select id, name, version from vendors where shop_id = :shopId order by name collate people_order');

export const passwordHashOf = async (tx: Tx, id: string): Promise<string | undefined> =>
  (
    await tx.one<{ password_hash: string }>(
      'select password_hash from people where shop_id = :shopId and id = :id',
      { id },
    )
  )?.password_hash;

export const updatePerson = (
  tx: Tx,
  p: Pick<PersonView, 'id' | 'name' | 'email' | 'role' | 'hasLeft' | 'skills'> & { passwordHash: string },
): Promise<number> =>
  tx.run(
    `update people set name = :name, email = :email, role = :role, has_left = :hasLeft,
       password_hash = :passwordHash, skills = :skills::text[], version = version + 1
     where shop_id = :shopId and id = :id`,
    p,
  );

/** Those that end on this day or later, or nobody knows when. */
export const absencesFrom = async (tx: Tx, day: string): Promise<AbsenceView[]> =>
  (
    await tx.rows<Omit<AbsenceView, 'to'> & { to: string | null }>(
      `select id, version, person_id as "personId", from_day as "from", to_day as "to", reason from absences
       where shop_id = :shopId and removed_at is null and (to_day is null or to_day >= :day) order by from_day, id`,
      { day },
    )
  ).map(({ to, ...a }) => ({ ...a, ...(to === null ? {} : { to }) }));

export const absenceVersion = async (tx: Tx, id: string): Promise<number> =>
  (
    await tx.one<{ version: number }>('select version from absences where shop_id = :shopId and id = :id', {
      id,
    })
  )?.version ?? 0;

export const saveAbsence = (
  tx: Tx,
  { id, personId, from, to, reason, isOff, now }: AbsencePutDto & { id: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into absences (shop_id, id, person_id, from_day, to_day, reason, removed_at)
     values (:shopId, :id, :personId, :from, :to, :reason, :removedAt)
     on conflict (shop_id, id) do update set person_id = :personId, from_day = :from, to_day = :to, reason = :reason,
       removed_at = :removedAt, version = absences.version + 1`,
    { id, personId, from, to: to ?? null, reason, removedAt: isOff ? now : null },
  );

/** Has still to set a password. */
export const noteInvited = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run('update people set invited_at = :now where shop_id = :shopId and id = :id', { id, now });

export const savePlace = (
  tx: Tx,
  { spot, ...p }: { id: string } & Omit<PlacePutDto, 'version'>,
): Promise<number> =>
  tx.run(
    `insert into places (shop_id, id, name, kind, position, closed, spot)
     values (:shopId, :id, :name, :kind, :position, :closed, :spot::jsonb)
     on conflict (shop_id, id) do update
     set name = :name, kind = :kind, position = :position, closed = :closed, spot = :spot::jsonb,
       version = places.version + 1`,
    { ...p, spot: spot === undefined ? null : JSON.stringify(spot) },
  );

export const saveVendor = (tx: Tx, v: { id: string } & Omit<VendorPutDto, 'version'>): Promise<number> =>
  tx.run(
    `insert into vendors (shop_id, id, name) values (:shopId, :id, :name)
     on conflict (shop_id, id) do update set name = :name, version = vendors.version + 1`,
    v,
  );

/** The car that stands at a place, if one does. */
export const carAt = async (tx: Tx, placeId: string): Promise<string | undefined> =>
  (
    await tx.rows<{ nickname: string }>(
      'select nickname from builds where shop_id = :shopId and place_id = :placeId order by number limit 1',
      { placeId },
    )
  )[0]?.nickname;

export const knownBuilds = async (tx: Tx): Promise<KnownView['builds']> => {
  const rows = await tx.rows<{
    id: string;
    number: string;
    nickname: string;
    vehicle: string;
    customer: string;
  }>(
    `select b.id, b.number, b.nickname, v.name as vehicle, c.name as customer from builds b
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     join customers c on c.shop_id = b.shop_id and c.id = b.customer_id
     where b.shop_id = :shopId and b.stage <> 'closed' order by b.number`,
  );
  return rows.map(({ id, nickname, number, vehicle, customer }) => ({
    id,
    name: nickname,
    aliases: [number, vehicle, customer],
    customer,
  }));
};
