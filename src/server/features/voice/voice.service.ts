/** Voice notes: kept with an entry as they were spoken, heard again, written down when there is time. */
import { rm } from 'node:fs/promises';
import type { Request, Response } from 'express';
import { fileTypeFromFile } from 'file-type';
import type { HeardView, VoiceWordsDto, VoicesView, VoiceView } from '#contract/voice.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { receive, type Received } from '../../media/receive.ts';
import { buildForUpdate } from '../builds/index.ts';
import { seesPrices, withoutPrices } from '../entries/index.ts';
import { isEntryOf, nameOf } from '../photos/index.ts';
import * as q from './voice.queries.ts';

/** What recordings are by their content, and as what they are played: a container of sound alone names itself a film. */
const TYPES: Record<string, string> = {
  'video/webm': 'audio/webm',
  'audio/webm': 'audio/webm',
  'audio/ogg': 'audio/ogg',
  'application/ogg': 'audio/ogg',
  'audio/opus': 'audio/ogg',
  'video/mp4': 'audio/mp4',
  'audio/mp4': 'audio/mp4',
  'audio/x-m4a': 'audio/mp4',
  'audio/mpeg': 'audio/mpeg',
  'audio/wav': 'audio/wav',
  'audio/vnd.wave': 'audio/wav',
};

async function typeOf(file: string): Promise<string> {
  const mime = (await fileTypeFromFile(file).catch(() => undefined))?.mime ?? '';
  const type = TYPES[mime];
  if (type === undefined)
    throw new Refusal('invalid', 'By its content it is no recording that can be played. Nothing was kept.');
  return type;
}

export interface VoiceAt {
  buildId: string;
  entryId: string;
  id: string;
}

async function known(
  tx: Tx,
  { buildId, entryId, id }: VoiceAt,
  hash?: string,
): Promise<q.VoiceRow | undefined> {
  if (!(await isEntryOf(tx, buildId, entryId))) throw notFound('entry');
  const row = await q.voiceById(tx, id);
  if (row && (row.entry_id !== entryId || (hash !== undefined && row.hash !== hash)))
    throw new Refusal('conflict', 'Another voice note was kept under this id already.');
  return row;
}

/** Takes a file that lies on the disk as a voice note of an entry. The file is gone afterwards; the same again is the same. */
export async function takeVoice(
  deps: Deps,
  who: SignedIn,
  at: VoiceAt,
  name: string,
  { file, hash, bytes }: Received,
): Promise<VoiceView> {
  try {
    const before = await inShop(deps.db, who.shopId, (tx) => known(tx, at, hash));
    if (before) return q.toVoice(before);
    const type = await typeOf(file);
    await deps.photos.take(who.shopId, hash, file);
    return await inShop(deps.db, who.shopId, async (tx) => {
      if (!(await buildForUpdate(tx, at.buildId))) throw notFound('build');
      if (!(await known(tx, at, hash)))
        await q.insertVoice(tx, {
          ...{ id: at.id, build_id: at.buildId, entry_id: at.entryId, name, hash, type, bytes },
          person_id: who.personId,
          recorded_at: deps.clock.now(),
        });
      return q.toVoice((await q.voiceById(tx, at.id))!);
    });
  } finally {
    await rm(file, { force: true });
  }
}

export async function uploadVoice(deps: Deps, who: SignedIn, at: VoiceAt, req: Request): Promise<VoiceView> {
  await inShop(deps.db, who.shopId, (tx) => known(tx, at));
  return takeVoice(deps, who, at, nameOf(req), await receive(req, await deps.photos.incoming()));
}

export const listVoices = (deps: Deps, who: SignedIn, buildId: string): Promise<VoicesView> =>
  inShop(deps.db, who.shopId, async (tx) => ({
    voices: (await q.voicesOf(tx, buildId)).map(q.toVoice),
    transcriber: deps.transcriber?.kind ?? null,
  }));

async function voiceIn(tx: Tx, id: string): Promise<q.VoiceRow> {
  const row = await q.voiceById(tx, id);
  if (!row) throw notFound('voice note');
  return row;
}

export const saveVoiceWords = (
  deps: Deps,
  who: SignedIn,
  id: string,
  { words, version }: VoiceWordsDto,
): Promise<VoiceView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const before = await voiceIn(tx, id);
    // What was read without its prices would be kept without them.
    if (!seesPrices(who) && (await withoutPrices(tx, deps, { words: before.words })).words !== before.words)
      throw new Refusal(
        'forbidden',
        'There are prices in it, which you do not see: ask the desk to change it.',
      );
    if (!(await q.saveVoiceWords(tx, { id, words: words.trim(), version })))
      throw changedMeanwhile('what it says', q.toVoice(before));
    return q.toVoice(await voiceIn(tx, id));
  });

/** What the transcriber hears. */
export async function hear(deps: Deps, who: SignedIn, id: string): Promise<HeardView> {
  const row = await inShop(deps.db, who.shopId, (tx) => voiceIn(tx, id));
  if (deps.transcriber === null) throw new Refusal('unavailable', 'Nobody is set up to write it down.');
  try {
    return { words: await deps.transcriber.transcribe(deps.photos.pathOf(who.shopId, row.hash), row.type) };
  } catch (error) {
    deps.log.warn({ err: error, voice: id }, 'a voice note was not heard');
    throw new Refusal('unavailable', 'It could not be heard just now. Try again, or write it yourself.');
  }
}

/** In pieces where the player asks for pieces: one may listen from the middle. */
export async function sendVoice(deps: Deps, who: SignedIn, id: string, res: Response): Promise<void> {
  const row = await inShop(deps.db, who.shopId, (tx) => voiceIn(tx, id));
  const headers = {
    'content-type': row.type,
    'cache-control': 'private, max-age=31536000, immutable',
    'content-security-policy': "default-src 'none'; sandbox",
  };
  await new Promise<void>((resolve) =>
    res.sendFile(deps.photos.pathOf(who.shopId, row.hash), { headers, cacheControl: false }, () => resolve()),
  );
}
