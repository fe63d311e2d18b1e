import type { EntryView } from '#contract/entries.ts';
import type { Corrected, Entry } from '#core/log/entries.ts';
import type { DoneAct } from '#core/acts/acts.ts';
import type { Audience, Facts, Kind } from '#core/log/kinds.ts';
import { containing } from '../../db/like.ts';
import type { Bindings, Tx } from '../../db/pool.ts';

/** The number of the newest thing in a build's logbook: an entry, or a photograph that was added, changed or removed. */
export const lastSeq = async (tx: Tx, buildId: string): Promise<number> =>
  (await tx.one<{ seq: number }>(
    `select greatest(
       (select coalesce(max(seq), 0) from entries where shop_id = :shopId and build_id = :buildId),
       (select coalesce(max(seq), 0) from photos where shop_id = :shopId and build_id = :buildId)) as seq`,
    { buildId },
  ))!.seq;

export interface EntryRow {
  id: string;
  seq: number;
  build_id: string;
  at: string;
  recorded_at: string;
  person_id: string | null;
  kind: Kind;
  text: string;
  facts: Facts;
  audience: Audience;
  about_type: string | null;
  about_id: string | null;
  corrects_id: string | null;
  now: Corrected | 'withdrawn' | null;
  /** What it did besides being kept. */
  acts: DoneAct[] | null;
}

/** About a thing that has a day of its own, which may be another by now than the one that the entry named. */
const hasDay = (about: string | null): boolean => about === 'part' || about === 'piece' || about === 'batch';

export const toEntry = (r: EntryRow & { media: string[]; thing_due: string | null }): Entry => ({
  id: r.id,
  seq: r.seq,
  buildId: r.build_id,
  at: r.at,
  recordedAt: r.recorded_at,
  personId: r.person_id,
  kind: r.kind,
  text: r.text,
  facts: r.facts,
  audience: r.audience,
  ...(hasDay(r.about_type) ? { thingDue: r.thing_due } : {}),
  correctsId: r.corrects_id,
  media: r.media,
  now: r.now,
});

export type NewEntry = Omit<EntryRow, 'seq' | 'recorded_at'> & { recorded_at: string };

/**
 * Inserts with the next number; answers whether it did: there may be an entry with this id. The build is held from here on, so that
 * its entries become visible in the order of their numbers, and what comes after a number never misses a late one.
 */
export const insertEntry = async (tx: Tx, e: NewEntry): Promise<boolean> =>
  (await tx.run(
    `insert into entries (shop_id, build_id, id, seq, at, recorded_at, person_id, kind, text, facts, audience,
       about_type, about_id, corrects_id, now, acts)
     select :shopId, held.id, :id, nextval('entry_numbers'), :at, :recorded_at, :person_id, :kind, :text, :facts::jsonb,
       :audience, :about_type, :about_id, :corrects_id, :nowJson::jsonb, :actsJson::jsonb
     from (select id from builds where shop_id = :shopId and id = :build_id for no key update) held
     on conflict (shop_id, id) do nothing`,
    {
      ...rowBindings(e),
      facts: JSON.stringify(e.facts),
      nowJson: e.now === null ? null : JSON.stringify(e.now),
      actsJson: e.acts === null ? null : JSON.stringify(e.acts),
    },
  )) === 1;

function rowBindings(e: NewEntry) {
  const {
    build_id,
    id,
    at,
    recorded_at,
    person_id,
    kind,
    text,
    audience,
    about_type,
    about_id,
    corrects_id,
  } = e;
  return {
    build_id,
    id,
    at,
    recorded_at,
    person_id,
    kind,
    text,
    audience,
    about_type,
    about_id,
    corrects_id,
  };
}

export const entryById = (tx: Tx, id: string): Promise<EntryRow | undefined> =>
  tx.one('select * from entries where shop_id = :shopId and id = :id', { id });

/** Whether what an entry did was taken back: it was withdrawn once, or became of another kind. */
export const wasTakenBack = async (tx: Tx, { id, kind }: Pick<EntryRow, 'id' | 'kind'>): Promise<boolean> =>
  (await tx.one(
    `select 1 from entries where shop_id = :shopId and corrects_id = :id
       and (now = '"withdrawn"'::jsonb or now ->> 'kind' <> :kind) limit 1`,
    { id, kind },
  )) !== undefined;

/** Whether an entry after this one did something to the thing that was not taken back. */
export const actedSince = async (
  tx: Tx,
  entryId: string,
  { type, id }: Pick<DoneAct, 'type' | 'id'>,
): Promise<boolean> =>
  (await tx.one(
    `select 1 from entries mine
     join entries e on e.shop_id = mine.shop_id and e.build_id = mine.build_id and e.seq > mine.seq
     where mine.shop_id = :shopId and mine.id = :entryId and e.acts @> :thing::jsonb
       and not exists (
         select from entries c where c.shop_id = e.shop_id and c.corrects_id = e.id
           and (c.now = '"withdrawn"'::jsonb or c.now ->> 'kind' <> e.kind)) limit 1`,
    { entryId, thing: JSON.stringify([{ type, id }]) },
  )) !== undefined;

export interface NowRow {
  id: string;
  seq: number;
  at: string;
  kind: Kind;
  text: string;
  facts: Facts;
  audience: Audience;
  person: string | null;
  first_text: string;
  about_type: string | null;
  about_id: string | null;
  correction_id: string | null;
  correction_at: string | null;
  withdrawn: boolean;
  acts: DoneAct[] | null;
}

export const toView = (r: NowRow): EntryView => ({
  id: r.id,
  seq: r.seq,
  at: r.at,
  person: r.person,
  kind: r.kind,
  text: r.text,
  facts: r.facts,
  audience: r.audience,
  corrected: r.correction_at === null ? null : { first: r.first_text, at: r.correction_at },
  withdrawn: r.withdrawn,
  about: r.about_type === null ? null : { type: r.about_type, id: r.about_id! },
  acts: (r.acts ?? []).map(({ act, type, id }) => ({ act, type, id })),
});

const NOW_COLUMNS = `e.id, e.seq, e.at, e.kind, e.text, e.facts, e.audience, p.name as person, e.first_text, e.about_type,
  e.about_id, e.correction_id, e.correction_at, e.withdrawn, e.acts`;
const NOW_FROM = `from entries_now e left join people p on p.shop_id = e.shop_id and p.id = e.person_id`;

export const entryNow = (tx: Tx, id: string): Promise<NowRow | undefined> =>
  tx.one(`select ${NOW_COLUMNS} ${NOW_FROM} where e.shop_id = :shopId and e.id = :id`, { id });

export interface LogbookPage {
  buildId: string;
  kinds: readonly Kind[];
  q: string;
  before: { at: string; seq: number } | null;
  limit: number;
}

/** A page of a logbook, newest first. `correction` among the kinds asks for entries that have been corrected. */
export function logbookPage(tx: Tx, page: LogbookPage): Promise<NowRow[]> {
  const { sql, bindings } = logbookSql(page);
  return tx.rows(sql, bindings);
}

/** The page's SQL by itself, so that the benchmark runs the very same. */
function logbookSql({ buildId, kinds, q, before, limit }: LogbookPage): {
  sql: string;
  bindings: Bindings;
} {
  const where = ['e.shop_id = :shopId', 'e.build_id = :buildId'];
  if (kinds.length > 0)
    where.push(
      kinds.includes('correction')
        ? '(e.kind = any(:kinds) or e.correction_id is not null)'
        : 'e.kind = any(:kinds)',
    );
  if (q !== '')
    where.push(`(e.text ilike :like or e.first_text ilike :like or coalesce(p.name, '') ilike :like)`);
  if (before) where.push('(e.at, e.seq) < (:beforeAt::timestamptz, :beforeSeq)');
  const sql = `select ${NOW_COLUMNS} ${NOW_FROM} where ${where.join(' and ')} order by e.at desc, e.seq desc limit :limit`;
  const like = containing(q);
  return {
    sql,
    bindings: { buildId, kinds, like, beforeAt: before?.at ?? null, beforeSeq: before?.seq ?? null, limit },
  };
}

export const saveVendor = (tx: Tx, id: string, name: string): Promise<number> =>
  tx.run('insert into vendors (shop_id, id, name) values (:shopId, :id, :name) on conflict do nothing', {
    id,
    name,
  });
