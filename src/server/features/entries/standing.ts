/** Works out how a logbook leaves its build standing, in the transaction that has just added to it. */
import type { KindSum } from '#core/log/entries.ts';
import type { Facts } from '#core/log/kinds.ts';
import { DOING_KINDS, movesWholeCar, type Standing } from '#core/log/standing.ts';
import { openWaits, WAIT_KINDS, type WaitEntry } from '#core/waits/waits.ts';
import type { Tx } from '../../db/pool.ts';

const sums = (tx: Tx, buildId: string): Promise<KindSum[]> =>
  tx.rows(
    `select kind, count(*) as count, coalesce(sum((facts ->> 'moneyMinor')::bigint), 0)::bigint as "moneyMinor",
       coalesce(sum((facts ->> 'minutes')::int), 0) as minutes
     from entries_now where shop_id = :shopId and build_id = :buildId and not withdrawn
     group by kind order by kind`,
    { buildId },
  );

const waitEntries = (tx: Tx, buildId: string): Promise<WaitEntry[]> =>
  tx.rows(
    `select id, seq, kind, at, text, facts, withdrawn from entries_now
     where shop_id = :shopId and build_id = :buildId and not withdrawn and kind = any(:kinds)`,
    { buildId, kinds: WAIT_KINDS },
  );

const newestDoing = (tx: Tx, buildId: string): Promise<NonNullable<Standing['doing']> | undefined> =>
  tx.one(
    `select kind, text, at from entries_now
     where shop_id = :shopId and build_id = :buildId and not withdrawn and kind = any(:kinds)
     order by at desc, seq desc limit 1`,
    { buildId, kinds: DOING_KINDS },
  );

const lastTold = (tx: Tx, buildId: string): Promise<{ at: string | null } | undefined> =>
  tx.one(
    `select max(at) as at from entries_now
     where shop_id = :shopId and build_id = :buildId and not withdrawn and kind = 'told'`,
    { buildId },
  );

/** The standing of a build, from its logbook alone. */
export async function standingFromLogbook(tx: Tx, buildId: string, timeZone: string): Promise<Standing> {
  return {
    sums: await sums(tx, buildId),
    waits: openWaits(await waitEntries(tx, buildId), timeZone),
    doing: (await newestDoing(tx, buildId)) ?? null,
    toldAt: (await lastTold(tx, buildId))?.at ?? null,
  };
}

export async function refreshStanding(tx: Tx, buildId: string, timeZone: string): Promise<void> {
  const standing = await standingFromLogbook(tx, buildId, timeZone);
  await tx.run('update builds set standing = :standing::jsonb where shop_id = :shopId and id = :buildId', {
    buildId,
    standing: JSON.stringify(standing),
  });
}

/** Puts the build where its newest "moved" entry of the whole car says. A place the shop does not know changes nothing. */
export async function refreshPlace(tx: Tx, buildId: string, nickname: string): Promise<void> {
  const moves = await tx.rows<{ facts: Facts }>(
    `select facts from entries_now
     where shop_id = :shopId and build_id = :buildId and not withdrawn and kind = 'moved'
       and facts ->> 'place' is not null
     order by at desc, seq desc limit 20`,
    { buildId },
  );
  const place = moves.find((m) => movesWholeCar(m.facts, nickname))?.facts.place;
  if (place === undefined) return;
  await tx.run(
    `update builds set place_id = p.id from places p
     where builds.shop_id = :shopId and builds.id = :buildId and p.shop_id = :shopId and lower(p.name) = lower(:place)`,
    { buildId, place },
  );
}
