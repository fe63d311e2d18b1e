import type { CheckpointView } from '#contract/inspection.ts';
import type { Fitted, Mark } from '#core/inspection/checkpoints.ts';
import type { Tx } from '../../db/pool.ts';

export async function fittedOf(tx: Tx, buildId: string): Promise<Fitted | undefined> {
  const row = await tx.one<{ body: Fitted['body']; gas: boolean; high_voltage: boolean }>(
    `select v.body, v.gas, v.high_voltage from builds b
     join vehicles v on v.shop_id = b.shop_id and v.id = b.vehicle_id
     where b.shop_id = :shopId and b.id = :buildId`,
    { buildId },
  );
  return row && { body: row.body, gas: row.gas, highVoltage: row.high_voltage };
}

export const saveFitted = (tx: Tx, buildId: string, { body, gas, highVoltage }: Fitted): Promise<number> =>
  tx.run(
    `update vehicles v set body = :body, gas = :gas, high_voltage = :highVoltage from builds b
     where b.shop_id = :shopId and b.id = :buildId and v.shop_id = b.shop_id and v.id = b.vehicle_id`,
    { buildId, body, gas, highVoltage },
  );

export const marksOf = (tx: Tx, buildId: string): Promise<CheckpointView[]> =>
  tx.rows(
    `select m.checkpoint, m.mark, p.name as by, m.at from checkpoint_marks m
     join people p on p.shop_id = m.shop_id and p.id = m.person_id
     where m.shop_id = :shopId and m.build_id = :buildId order by m.checkpoint`,
    { buildId },
  );

/** As they hold now: a finding that was withdrawn is gone from here too. */
export const findingsOf = (
  tx: Tx,
  buildId: string,
): Promise<{ checkpoint: string; entryId: string; text: string }[]> =>
  tx.rows(
    `select f.checkpoint, f.entry_id as "entryId", e.text from checkpoint_findings f
     join entries_now e on e.shop_id = f.shop_id and e.id = f.entry_id
     where f.shop_id = :shopId and f.build_id = :buildId and not e.withdrawn order by e.seq`,
    { buildId },
  );

export const setMark = (
  tx: Tx,
  m: { buildId: string; checkpoint: string; mark: Mark; personId: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into checkpoint_marks (shop_id, build_id, checkpoint, mark, person_id, at)
     values (:shopId, :buildId, :checkpoint, :mark, :personId, :now)
     on conflict (shop_id, build_id, checkpoint)
     do update set mark = excluded.mark, person_id = excluded.person_id, at = excluded.at
     where checkpoint_marks.mark <> excluded.mark`,
    m,
  );

export const clearMark = (tx: Tx, buildId: string, checkpoint: string): Promise<number> =>
  tx.run(
    `delete from checkpoint_marks
     where shop_id = :shopId and build_id = :buildId and checkpoint = :checkpoint`,
    { buildId, checkpoint },
  );

export const noteFinding = (tx: Tx, buildId: string, checkpoint: string, entryId: string): Promise<number> =>
  tx.run(
    `insert into checkpoint_findings (shop_id, build_id, checkpoint, entry_id)
     values (:shopId, :buildId, :checkpoint, :entryId) on conflict do nothing`,
    { buildId, checkpoint, entryId },
  );
