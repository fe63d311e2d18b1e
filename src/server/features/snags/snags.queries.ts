import type { SnagView, TrialView } from '#contract/snags.ts';
import type { Station } from '#core/snags/snags.ts';
import type { Tx } from '../../db/pool.ts';

/** Without those whose entry was withdrawn. */
const SNAGS = `select s.id, s.station, s.what, s.trial, s.state, s.made_at as "madeAt" from snags s
  join ledger h on h.shop_id = s.shop_id and h.entry_id = s.entry_id and not h.withdrawn
  where s.shop_id = :shopId`;

export const snagsOf = (tx: Tx, buildId: string): Promise<SnagView[]> =>
  tx.rows(`${SNAGS} and s.build_id = :buildId order by s.made_at, s.id`, { buildId });

export const snagById = (
  tx: Tx,
  buildId: string,
  id: string,
): Promise<(SnagView & { endedEntryId: string | null }) | undefined> =>
  tx.one(
    `select s.*, x.ended_entry_id as "endedEntryId" from (${SNAGS} and s.build_id = :buildId and s.id = :id) s
     join snags x on x.shop_id = :shopId and x.id = s.id`,
    { buildId, id },
  );

export const insertSnag = (
  tx: Tx,
  s: {
    id: string;
    buildId: string;
    station: Station;
    what: string;
    trial: string;
    entryId: string;
    now: string;
  },
): Promise<number> =>
  tx.run(
    `insert into snags (shop_id, id, build_id, station, what, trial, entry_id, made_at)
     values (:shopId, :id, :buildId, :station, :what, :trial, :entryId, :now)
     on conflict do nothing`,
    s,
  );

export const endSnag = (
  tx: Tx,
  s: { id: string; state: 'right' | 'left'; entryId: string },
): Promise<number> =>
  tx.run(
    'update snags set state = :state, ended_entry_id = :entryId where shop_id = :shopId and id = :id',
    s,
  );

/** What this entry ended is open again. */
export const reopenSnag = (tx: Tx, s: { id: string; entryId: string }): Promise<number> =>
  tx.run(
    `update snags set state = 'open', ended_entry_id = null
     where shop_id = :shopId and id = :id and ended_entry_id = :entryId`,
    s,
  );

export const trialsOf = (tx: Tx, buildId: string): Promise<TrialView[]> =>
  tx.rows(
    `select e.id as "entryId", e.text, e.at,
       (select count(*)::int from snags s where s.shop_id = e.shop_id and s.entry_id = e.id and s.state = 'open') as open
     from entries_now e
     where e.shop_id = :shopId and e.build_id = :buildId and e.about_type = 'trial' and not e.withdrawn
     order by e.at desc, e.seq desc limit 30`,
    { buildId },
  );

/** Whether what this entry says was done already: the same press again is the same act. */
export const wasKept = async (tx: Tx, entryId: string): Promise<boolean> =>
  (await tx.one('select 1 from entries where shop_id = :shopId and id = :entryId', { entryId })) !==
  undefined;
