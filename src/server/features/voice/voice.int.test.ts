/**
 * Voice notes over HTTP. Nasty cases: a text, a picture, an empty file, the same one five times at once, another's id, another shop, a
 * piece from the middle, two who write down, a technician and a price, a transcriber that fails.
 */
import { createHash } from 'node:crypto';
import { expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { VoicesView, VoiceView } from '#contract/voice.ts';
import { standInTranscriber } from '#server/media/transcriber.ts';
import { jpegOf } from '#tests/support/pictures.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';
import { wavOf } from '#demo/sounds.ts';

const it = openShop('voice');

async function entry(): Promise<{ buildId: string; entryId: string }> {
  const buildId = await makeBuild(it.owner);
  const body = line({ kind: 'note', text: 'note spoken' });
  await it.owner.post(pathOf('entryAdd', { buildId })).send(body).expect(200);
  return { buildId, entryId: body.id };
}
const upload = (
  at: { buildId: string; entryId: string; voiceId?: string },
  bytes: Buffer,
  agent: Agent = it.technician,
) =>
  agent
    .put(pathOf('voiceUpload', { voiceId: nextId(), ...at }))
    .set('content-type', 'application/octet-stream')
    .set('x-photo-name', encodeURIComponent('Voice note 0:01.wav'))
    .send(bytes);
const list = async (buildId: string, agent: Agent = it.owner): Promise<VoicesView> =>
  (await agent.get(pathOf('voicesList', { buildId })).expect(200)).body;
const write = (voiceId: string, words: string, version: number, agent: Agent = it.owner) =>
  agent.put(pathOf('voiceWordsPut', { voiceId })).send({ words, version });

test('kept as it was spoken, once, and heard again from the middle', async () => {
  const at = { ...(await entry()), voiceId: nextId() };
  const bytes = wavOf();
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => upload(at, bytes)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  const { voices, transcriber } = await list(at.buildId);
  expect(transcriber).toBe('stand-in');
  expect(voices).toEqual([
    { id: at.voiceId, entryId: at.entryId, name: 'Voice note 0:01.wav', words: '', version: 1 },
  ]);
  const sound = await it.technician.get(pathOf('voiceFile', { voiceId: at.voiceId })).expect(200);
  expect(sound.headers['content-type']).toBe('audio/wav');
  expect(createHash('sha256').update(sound.body).digest('hex')).toBe(
    createHash('sha256').update(bytes).digest('hex'),
  );
  const piece = await it.owner
    .get(pathOf('voiceFile', { voiceId: at.voiceId }))
    .set('range', 'bytes=100-199')
    .expect(206);
  expect(piece.body).toHaveLength(100);
});

test('what is no recording is refused by its content; another under the same id too', async () => {
  const at = await entry();
  for (const bytes of [Buffer.from('hello'), await jpegOf(), Buffer.alloc(0)])
    expect((await upload(at, bytes)).status).toBe(400);
  const voiceId = nextId();
  await upload({ ...at, voiceId }, wavOf()).expect(200);
  await upload({ ...at, voiceId }, wavOf({ pitch: 330 })).expect(409);
  await upload({ ...(await entry()), voiceId }, wavOf()).expect(409);
  await upload({ ...at, entryId: nextId() }, wavOf()).expect(404);
  const other = await signedIn(it.server, await makeShop(it.server, 'voice-other'), 'owner');
  await upload(at, wavOf(), other).expect(404);
  await other.get(pathOf('voiceFile', { voiceId })).expect(404);
});

test('written down with its version: the second of two is told, and loses nothing', async () => {
  const { buildId, entryId } = await entry();
  const { id } = (await upload({ buildId, entryId }, wavOf()).expect(200)).body as VoiceView;
  await write(id, ' The doors are square. ', 1).expect(200);
  const { body } = await write(id, 'The doors are not square.', 1).expect(409);
  expect(body.current).toMatchObject({ words: 'The doors are square.', version: 2 });
  await write(id, 'x'.repeat(10_001), 2).expect(400);
  await write(id, '', 2).expect(200);
});

test('a technician reads no price in it, and cannot write over one that they do not see', async () => {
  const { buildId, entryId } = await entry();
  const { id } = (await upload({ buildId, entryId }, wavOf()).expect(200)).body as VoiceView;
  await write(id, 'It will be £120 for the glass.', 1).expect(200);
  expect((await list(buildId, it.technician)).voices[0]!.words).not.toContain('120');
  await write(id, 'mine', 2, it.technician).expect(403);
  expect((await list(buildId)).voices[0]!.words).toContain('£120');
});

test('the stand-in makes words up, the same for the same; nothing is kept of them; one that fails is said in words', async () => {
  const { buildId, entryId } = await entry();
  const { id } = (await upload({ buildId, entryId }, wavOf()).expect(200)).body as VoiceView;
  const hear = () => it.owner.post(pathOf('voiceHear', { voiceId: id }));
  const first = (await hear().expect(200)).body.words as string;
  expect(first).not.toBe('');
  expect((await hear().expect(200)).body.words).toBe(first);
  expect((await list(buildId)).voices[0]!.words).toBe('');
  it.server.deps.transcriber = { kind: 'service', transcribe: () => Promise.reject(new Error('away')) };
  expect((await hear().expect(503)).body.detail).toContain('could not be heard');
  it.server.deps.transcriber = null;
  await hear().expect(503);
  it.server.deps.transcriber = standInTranscriber;
});
