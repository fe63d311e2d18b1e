/** Works out how a logbook leaves its build standing, in the transaction that has just added to it. */
import type { KindSum } from '#core/log/entries.ts';
import type { Facts } from '#core/log/kinds.ts';
import { DOING_KINDS, movesWholeCar, type Standing } from '#core/log/standing.ts';
import { whyNotMove, type PlaceToStand, type Standing as CarStanding } from '#core/plan/floorPlan.ts';
import { dayOf } from '#core/time/days.ts';
import { openWaits, WAIT_KINDS, type WaitEntry } from '#core/waits/waits.ts';
import type { Tx } from '../../db/pool.ts';

interface Row {
  sums: KindSum[] | null;
  waits: WaitEntry[] | null;
  doing: NonNullable<Standing['doing']> | null;
  told_at: string | null;
}

/**
 * This runs with every entry that is kept: of a long logbook it reads the sums that are kept with the ledger, and the few entries
 * that say more.
 */
const STANDING_SQL = `
  with e as (
    select id, seq, kind, at, text, facts, withdrawn,
      array_remove(case when about_type = 'entry' then about_id::text end
        || array(select a ->> 'id' from jsonb_array_elements(acts) a where a ->> 'type' = 'hold'), null) as ends,
      (select json_build_object('type', a ->> 'type', 'id', a ->> 'id') from jsonb_array_elements(acts) a
        where kind = 'waiting' and a ->> 'type' in ('part', 'piece') limit 1) as thing
    from entries_now
    where shop_id = :shopId and id = any(array(
      select entry_id from ledger
      where shop_id = :shopId and build_id = :buildId and not withdrawn and kind = any(:waitKinds)))
  )
  select
    (select json_agg(json_build_object('kind', kind, 'count', count, 'moneyMinor', money_minor, 'minutes', minutes)
       order by kind)
     from ledger_sums where shop_id = :shopId and build_id = :buildId and count > 0) as sums,
    (select json_agg(e) from e) as waits,
    (select json_build_object('kind', kind, 'text', text, 'at', at) from entries_now
       where shop_id = :shopId and id = (
         select last.entry_id from unnest(:doingKinds::text[]) k cross join lateral (
           select entry_id, at, seq from ledger l
           where l.shop_id = :shopId and l.build_id = :buildId and l.kind = k and not l.withdrawn
           order by at desc, seq desc limit 1) last
         order by last.at desc, last.seq desc limit 1)) as doing,
    (select at from ledger where shop_id = :shopId and build_id = :buildId and kind = 'told' and not withdrawn
     order by at desc limit 1) as told_at`;

/** PostgreSQL writes instants into JSON in a form of its own. */
const instant = <T extends { at: string }>(row: T): T => ({ ...row, at: new Date(row.at).toISOString() });

/** The standing of a build, from its logbook alone. */
export async function standingFromLogbook(tx: Tx, buildId: string, timeZone: string): Promise<Standing> {
  const row = (await tx.one<Row>(STANDING_SQL, { buildId, waitKinds: WAIT_KINDS, doingKinds: DOING_KINDS }))!;
  return {
    sums: row.sums ?? [],
    waits: openWaits((row.waits ?? []).map(instant), timeZone),
    doing: row.doing && instant(row.doing),
    toldAt: row.told_at,
  };
}

/**
 * A build rests as long as the wait that says so is open; where that was withdrawn it never did. Of two that would be open again, the
 * newer one is.
 */
const REST_SQL = `
  with rests as (
    select p.id, p.from_day, p.to_day, e.withdrawn,
      p.entry_id = any(:open::uuid[]) and p.id = (
        select o.id from pauses o where o.shop_id = :shopId and o.build_id = :buildId and o.entry_id = any(:open::uuid[])
        order by o.to_day is null desc, o.from_day desc, o.id desc limit 1) as is_open
    from pauses p join entries_now e on e.shop_id = p.shop_id and e.id = p.entry_id
    where p.shop_id = :shopId and p.build_id = :buildId),
  rested as (
    update pauses p set to_day = case
      when r.is_open then null when r.withdrawn then p.from_day else greatest(p.from_day, :today::date) end
    from rests r
    where p.shop_id = :shopId and p.id = r.id
      and (r.is_open <> (p.to_day is null) or (r.withdrawn and p.to_day is distinct from p.from_day)))
  update builds set standing = :standing::jsonb where shop_id = :shopId and id = :buildId`;

/** @param at when what was kept last happened */
export async function refreshStanding(tx: Tx, buildId: string, timeZone: string, at: string): Promise<void> {
  const standing = await standingFromLogbook(tx, buildId, timeZone);
  await tx.run(REST_SQL, {
    buildId,
    standing: JSON.stringify(standing),
    open: standing.waits.map((w) => w.entryId),
    today: dayOf(at, timeZone),
  });
}

/** Puts the build where its newest "moved" entry of the whole car says. A place the shop does not know changes nothing. */
export async function refreshPlace(tx: Tx, buildId: string, nickname: string): Promise<void> {
  const moves = await tx.rows<{ facts: Facts; at: string }>(
    `select facts, at from entries_now
     where shop_id = :shopId and facts ->> 'place' is not null and id = any(array(
       select entry_id from ledger
       where shop_id = :shopId and build_id = :buildId and kind = 'moved' and not withdrawn
       order by at desc, seq desc limit 50))
     order by at desc, seq desc`,
    { buildId },
  );
  const move = moves.find((m) => movesWholeCar(m.facts, nickname));
  if (move?.facts.place === undefined) return;
  await tx.run(
    `update builds set place_id = p.id,
       placed_at = case when place_id is distinct from p.id then :at else placed_at end
     from places p
     where builds.shop_id = :shopId and builds.id = :buildId and p.shop_id = :shopId and lower(p.name) = lower(:place)`,
    { buildId, place: move.facts.place, at: move.at },
  );
}

/** The shop's places, and what takes them up: cars, and pieces as large as one. */
export async function standingNow(tx: Tx): Promise<{ places: PlaceToStand[]; standing: CarStanding[] }> {
  const row = await tx.one<{ places: PlaceToStand[]; standing: CarStanding[] }>(
    `select
       coalesce((select json_agg(json_build_object('id', id, 'name', name, 'kind', kind, 'closed', closed)
           order by position, name)
         from places where shop_id = :shopId), '[]') as places,
       coalesce((select json_agg(json_build_object('buildId', id, 'nickname', nickname, 'placeId', place_id,
           'pinned', pinned) order by large, number)
         from (
           select id, nickname, place_id, pinned, number, 0 as large from builds
           where shop_id = :shopId and stage <> 'closed'
           union all
           select id, nickname, place_id, pinned, number, 0 from builds
           where shop_id = :shopId and stage = 'closed' and place_id is not null
           union all
           select p.id, (p.content ->> 'what') || ' of the ' || b.nickname, p.place_id, null, b.number, 1
           from pieces p join builds b on b.shop_id = p.shop_id and b.id = p.build_id
           where p.shop_id = :shopId and p.is_large and p.place_id is not null and p.removed_at is null
             and p.state in ('off', 'ready')
         ) s), '[]') as standing`,
  );
  return row!;
}

/** Why the whole car cannot be moved as an entry says, or null: what stands there decides, and the way out is named. */
export async function whyNotMoved(
  tx: Tx,
  build: { id: string; nickname: string },
  facts: Facts,
): Promise<string | null> {
  if (!movesWholeCar(facts, build.nickname)) return null;
  const { places, standing } = await standingNow(tx);
  const place = places.find((p) => p.name.toLowerCase() === facts.place!.toLowerCase());
  if (!place) return null;
  return whyNotMove(build.id, place, places, standing);
}
