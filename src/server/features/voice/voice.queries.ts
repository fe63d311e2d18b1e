import type { VoiceView } from '#contract/voice.ts';
import type { Tx } from '../../db/pool.ts';

export interface VoiceRow {
  id: string;
  build_id: string;
  entry_id: string;
  name: string;
  hash: string;
  type: string;
  bytes: number;
  words: string;
  version: number;
  person_id: string;
  recorded_at: string;
}

export const toVoice = (r: VoiceRow): VoiceView => ({
  id: r.id,
  entryId: r.entry_id,
  name: r.name,
  words: r.words,
  version: r.version,
});

export const voiceById = (tx: Tx, id: string): Promise<VoiceRow | undefined> =>
  tx.one('select * from voice_notes where shop_id = :shopId and id = :id', { id });

/** Of a build, in the order in which they came. */
export const voicesOf = (tx: Tx, buildId: string): Promise<VoiceRow[]> =>
  tx.rows(
    'select * from voice_notes where shop_id = :shopId and build_id = :buildId order by recorded_at, id',
    {
      buildId,
    },
  );

export const insertVoice = (tx: Tx, v: Omit<VoiceRow, 'words' | 'version'>): Promise<number> =>
  tx.run(
    `insert into voice_notes (shop_id, id, build_id, entry_id, name, hash, type, bytes, person_id, recorded_at)
     values (:shopId, :id, :build_id, :entry_id, :name, :hash, :type, :bytes, :person_id, :recorded_at)`,
    { ...v },
  );

/** Answers whether it was still at this version. */
export const saveVoiceWords = async (
  tx: Tx,
  v: { id: string; words: string; version: number },
): Promise<boolean> =>
  (await tx.run(
    `update voice_notes set words = :words, version = version + 1
     where shop_id = :shopId and id = :id and version = :version`,
    v,
  )) === 1;
