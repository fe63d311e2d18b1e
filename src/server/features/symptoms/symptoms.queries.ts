import type { SymptomEntryView } from '#contract/symptoms.ts';
import type { SymptomRole } from '#core/inspection/symptoms.ts';
import type { Tx } from '../../db/pool.ts';

export interface SymptomRow {
  id: string;
  build_id: string;
  words: string;
  version: number;
  removed: boolean;
}

const SYMPTOMS =
  'select id, build_id, words, version, removed_at is not null as removed from symptoms where shop_id = :shopId';

export const symptomsOf = (tx: Tx, buildId: string): Promise<SymptomRow[]> =>
  tx.rows(`${SYMPTOMS} and build_id = :buildId and removed_at is null order by position, id`, { buildId });

export const symptomById = (tx: Tx, id: string): Promise<SymptomRow | undefined> =>
  tx.one(`${SYMPTOMS} and id = :id`, { id });

export const insertSymptom = (tx: Tx, s: { id: string; buildId: string; words: string }): Promise<number> =>
  tx.run(
    `insert into symptoms (shop_id, id, build_id, position, words)
     select :shopId, :id, :buildId, coalesce(max(position), 0) + 1, :words
     from symptoms where shop_id = :shopId and build_id = :buildId`,
    s,
  );

export const saveSymptom = (
  tx: Tx,
  s: { id: string; words: string; removedAt: string | null },
): Promise<number> =>
  tx.run(
    `update symptoms set words = :words, removed_at = :removedAt, version = version + 1
     where shop_id = :shopId and id = :id`,
    s,
  );

const ENTRY = `e.id as "entryId", e.kind, e.text, e.facts, e.at, exists (
    select from photos p where p.shop_id = e.shop_id and p.entry_id = e.id and p.removed_at is null
  ) as "hasPhotos"`;

/** What was linked, as it holds now; what was withdrawn says nothing any more. */
export const linkedOf = (
  tx: Tx,
  buildId: string,
): Promise<(SymptomEntryView & { symptomId: string; role: SymptomRole })[]> =>
  tx.rows(
    `select l.symptom_id as "symptomId", l.role, ${ENTRY} from symptom_entries l
     join symptoms s on s.shop_id = l.shop_id and s.id = l.symptom_id
     join entries_now e on e.shop_id = l.shop_id and e.id = l.entry_id
     where l.shop_id = :shopId and s.build_id = :buildId and not e.withdrawn order by e.at, e.seq`,
    { buildId },
  );

const MOST_CANDIDATES = 200;

export const candidatesOf = (tx: Tx, buildId: string): Promise<SymptomEntryView[]> =>
  tx.rows(
    `select ${ENTRY} from entries_now e
     where e.shop_id = :shopId and e.build_id = :buildId and not e.withdrawn
       and e.kind in ('found', 'reading', 'did', 'note', 'fitted')
     order by e.at desc, e.seq desc limit ${MOST_CANDIDATES}`,
    { buildId },
  );

export const kindOfEntry = async (tx: Tx, buildId: string, id: string): Promise<string | undefined> =>
  (
    await tx.one<{ kind: string }>(
      `select kind from entries_now
       where shop_id = :shopId and build_id = :buildId and id = :id and not withdrawn`,
      { buildId, id },
    )
  )?.kind;

export const link = (tx: Tx, l: { symptomId: string; entryId: string; role: SymptomRole }): Promise<number> =>
  tx.run(
    `insert into symptom_entries (shop_id, symptom_id, entry_id, role)
     values (:shopId, :symptomId, :entryId, :role)
     on conflict (shop_id, symptom_id, entry_id) do update set role = excluded.role`,
    l,
  );

export const unlink = (tx: Tx, symptomId: string, entryId: string): Promise<number> =>
  tx.run(
    `delete from symptom_entries
     where shop_id = :shopId and symptom_id = :symptomId and entry_id = :entryId`,
    { symptomId, entryId },
  );
