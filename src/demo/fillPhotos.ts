/** Puts drawn photographs beside what the demo's people log. */
import { createHash } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import type { Deps } from '#server/deps.ts';
import { listPhotos, savePhoto, takePhoto } from '#server/features/photos/photos.service.ts';
import type { SignedIn } from '#server/http/session.ts';
import type { Received } from '#server/media/receive.ts';
import { saveVoiceWords, takeVoice } from '#server/features/voice/voice.service.ts';
import { DRAWINGS, type DrawingName } from './drawings.ts';
import { wavOf } from './sounds.ts';

export interface Picturing {
  deps: Deps;
  who: SignedIn;
  buildId: string;
  /** The entry it belongs to. */
  entryId: string;
  id: string;
}

/** As a camera would write it: the same moment, as the shop's clocks show it. */
const cameraTime = (instant: string, timeZone: string): string =>
  new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'medium' })
    .format(new Date(instant))
    .replaceAll('-', ':');

/** As if it had come over the wire. */
async function received({ deps }: Picturing, bytes: Buffer): Promise<Received> {
  const file = await deps.photos.incoming();
  await writeFile(file, bytes);
  return { file, hash: createHash('sha256').update(bytes).digest('hex'), bytes: bytes.length };
}

/** A voice note that only hums, with what it would say. */
export async function takeHum(p: Picturing, words: string): Promise<void> {
  const at = { buildId: p.buildId, entryId: p.entryId, id: p.id };
  const bytes = wavOf({ seconds: 3, pitch: 180 });
  const { version } = await takeVoice(p.deps, p.who, at, 'Voice note 0:03.wav', await received(p, bytes));
  await saveVoiceWords(p.deps, p.who, p.id, { version, words });
}

/** The oldest photograph of this build under a file's name. */
async function firstOf({ deps, who, buildId }: Picturing, name: string): Promise<string> {
  const found = (await listPhotos(deps, who, buildId)).photos.findLast((photo) => photo.name === name);
  if (!found) throw new Error(`the demo has no photograph ${name} to stand before`);
  return found.id;
}

/**
 * `rule`: "rail: what it shows"; "ringed rail: …" with a ring drawn around the fault; "new metal after rail: …" for what stood
 * in the first drawing of the rail before the work.
 */
export async function takeDrawing(p: Picturing, timeZone: string, rule: string): Promise<void> {
  const [, ringed, name = '', earlier, caption = ''] =
    /^(ringed )?([^:]+?)(?: after ([^:]+))?: (.+)$/.exec(rule) ?? [];
  const drawing = DRAWINGS[name as DrawingName]?.();
  if (!drawing) throw new Error(`the demo has no drawing "${name}"`);
  const taken = cameraTime(p.deps.clock.now(), timeZone);
  const bytes = await sharp(Buffer.from(drawing.svg))
    .jpeg({ quality: 88 })
    .withExif({ IFD2: { DateTimeOriginal: taken } })
    .toBuffer();
  const at = { buildId: p.buildId, entryId: p.entryId, id: p.id };
  const photo = await takePhoto(p.deps, p.who, at, `${name}.jpg`, await received(p, bytes));
  const marks = ringed ? [{ shape: 'ring' as const, ...drawing.fault }] : [];
  const before = earlier === undefined ? {} : { before: await firstOf(p, `${earlier}.jpg`) };
  await savePhoto(p.deps, p.who, photo.id, { version: photo.version, caption, marks, ...before });
}
