import type { InstalmentPutDto, InstalmentView } from '#contract/costs.ts';
import type { Tx } from '../../db/pool.ts';
import { rowsPer } from '../../db/together.ts';

interface Row extends Omit<InstalmentView, 'due'> {
  due: string | null;
  buildId: string;
  acts: string[];
  removed: boolean;
}

const COLUMNS = `select id, build_id as "buildId", version, what, asked_minor as "askedMinor", asked_on as "askedOn", due, holds,
    received_minor as "receivedMinor", received_on as "receivedOn", acts, removed_at is not null as removed
  from instalments where shop_id = :shopId`;

export const instalmentById = (tx: Tx, id: string): Promise<Row | undefined> =>
  tx.one(`${COLUMNS} and id = :id`, { id });

const instalmentRows = rowsPer(
  (tx, buildIds) =>
    tx.rows<Row>(
      `${COLUMNS} and build_id = any(:buildIds::uuid[]) and removed_at is null order by asked_on, id`,
      { buildIds },
    ),
  (r) => r.buildId,
);

export async function instalmentsOf(tx: Tx, buildId: string): Promise<InstalmentView[]> {
  const rows = await instalmentRows(tx, buildId);
  return rows.map(({ id, version, what, askedMinor, askedOn, due, holds, receivedMinor, receivedOn }) => ({
    id,
    version,
    what,
    askedMinor,
    askedOn,
    ...(due === null ? {} : { due }),
    holds,
    receivedMinor,
    receivedOn,
  }));
}

type Kept = Omit<InstalmentPutDto, 'version' | 'due'> & { id: string; due: string | null };

export const insertInstalment = (tx: Tx, i: Kept & { buildId: string; askedOn: string }): Promise<number> =>
  tx.run(
    `insert into instalments (shop_id, id, build_id, what, asked_minor, asked_on, due, holds)
     values (:shopId, :id, :buildId, :what, :askedMinor, :askedOn, :due, :holds)`,
    { ...i },
  );

export const saveInstalment = (tx: Tx, i: Kept): Promise<number> =>
  tx.run(
    `update instalments set what = :what, asked_minor = :askedMinor, due = :due, holds = :holds,
       version = version + 1 where shop_id = :shopId and id = :id`,
    { ...i },
  );

export const saveReceived = (
  tx: Tx,
  r: { id: string; actId: string; amountMinor: number; on: string },
): Promise<number> =>
  tx.run(
    `update instalments set received_minor = received_minor + :amountMinor, received_on = :on,
       acts = acts || :actId::uuid, version = version + 1 where shop_id = :shopId and id = :id`,
    r,
  );

export const dropInstalment = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run(
    'update instalments set removed_at = :now, version = version + 1 where shop_id = :shopId and id = :id',
    { id, now },
  );
