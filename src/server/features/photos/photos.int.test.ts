/**
 * Photographs over HTTP. Nasty cases: text, PDF, SVG, GIF and HEIC named .jpg; a picture bomb; one that breaks off; an
 * empty file; 41 MB announced and 41 MB unannounced; the same one five times at once; another’s id; names that walk
 * through folders; a place in the picture’s data; two who draw at once; a customer who tries a picture never sent.
 */
import { createHash } from 'node:crypto';
import { readdir } from 'node:fs/promises';
import path from 'node:path';
import { expect, test } from '@jest/globals';
import sharp from 'sharp';
import supertest from 'supertest';
import { pathOf } from '#contract/routes.ts';
import type { LetterView } from '#contract/letters.ts';
import { figuresTold } from '#core/update/letter.ts';
import { NAME_HEADER } from '#contract/photoFiles.ts';
import { type PhotosView, type PhotoView } from '#contract/photos.ts';
import { MOST_BYTES, MOST_PHOTOS } from '#core/photo/limits.ts';
import { inShop } from '#server/db/pool.ts';
import { linkUrl } from '#server/links.ts';
import { bombOf, jpegOf } from '#tests/support/pictures.ts';
import { line, makeBuild, makeShop, nextId, openShop, signedIn, type Agent } from '#tests/support/server.ts';

const it = openShop('photographs');

async function makeEntry(buildId: string, text = 'found sill rotten, 200, must', agent = it.owner) {
  const body = line({ kind: 'found', text, facts: { subject: 'sill', class: 'must' }, audience: 'customer' });
  await agent.post(pathOf('entryAdd', { buildId })).send(body).expect(200);
  return body.id;
}

interface At {
  buildId: string;
  entryId: string;
  photoId?: string;
}

const upload = (at: At, bytes: Buffer, name = 'IMG_1.jpg', agent: Agent = it.technician) =>
  agent
    .put(pathOf('photoUpload', { photoId: nextId(), ...at }))
    .set('content-type', 'application/octet-stream')
    .set(NAME_HEADER, encodeURIComponent(name))
    .send(bytes);

const list = async (buildId: string, agent = it.owner): Promise<PhotosView['photos']> =>
  ((await agent.get(pathOf('photosList', { buildId })).expect(200)).body as PhotosView).photos;

const fileOf = async (photoId: string, size: string, agent = it.owner) =>
  agent.get(pathOf('photoFile', { photoId, size }));

async function filesKept(): Promise<string[]> {
  const all = await readdir(it.server.photoFolder, { recursive: true, withFileTypes: true }).catch(() => []);
  return all.filter((f) => f.isFile()).map((f) => path.basename(f.name));
}

test('a photograph keeps its bytes, stands upright, and tells nobody where it was taken', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const bytes = await jpegOf({
    width: 3000,
    height: 2000,
    orientation: 6,
    located: true,
    taken: '2026:03:10 16:40:00',
    offset: '+01:00',
  });
  const { body } = await upload({ buildId, entryId }, bytes, 'sill left.jpg').expect(200);
  const photo = body as PhotoView;
  // Orientation 6: the camera was turned, so what is 3000 wide stands 3000 high (Exif 2.32, 4.6.5 A).
  expect(photo).toMatchObject({
    entryId,
    name: 'sill left.jpg',
    width: 1067,
    height: 1600,
    takenAt: '2026-03-10T15:40:00.000Z',
    marks: [],
    version: 1,
  });
  const original = await fileOf(photo.id, 'original');
  expect(
    createHash('sha256')
      .update(original.body as Buffer)
      .digest('hex'),
  ).toBe(createHash('sha256').update(bytes).digest('hex'));
  expect(original.headers['content-disposition']).toContain('attachment');
  for (const size of ['thumb', 'shown', 'plain']) {
    const { body: made, headers } = await fileOf(photo.id, size);
    expect(headers['content-type']).toBe('image/jpeg');
    expect(headers['x-content-type-options']).toBe('nosniff');
    const about = await sharp(made as Buffer).metadata();
    expect([about.exif, about.xmp, about.iptc, about.orientation]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    expect((made as Buffer).includes('SECRETWORDS')).toBe(false);
    expect(about.height! > about.width!).toBe(true);
  }
  expect(await list(buildId)).toMatchObject([{ id: photo.id, entryText: 'found sill rotten, 200, must' }]);
});

const HEIC = Buffer.concat([
  Buffer.from([0, 0, 0, 0x18]),
  Buffer.from('ftypheic\0\0\0\0mif1heic', 'latin1'),
  Buffer.alloc(64),
]);
const hostile: [string, () => Promise<Buffer> | Buffer, RegExp][] = [
  ['nothing', () => Buffer.alloc(0), /empty/],
  ['words', () => Buffer.from('just some words, not a picture at all'), /no picture at all/],
  ['a page', () => Buffer.from('<!doctype html><script>alert(1)</script>'), /no picture at all/],
  ['a PDF', () => Buffer.from('%PDF-1.7\n%âãÏÓ\n1 0 obj <<>> endobj'), /a PDF/],
  [
    'a drawing',
    () => Buffer.from('<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"/>'),
    /drawing/,
  ],
  [
    'a GIF',
    () =>
      sharp({ create: { width: 9, height: 9, channels: 3, background: 'red' } })
        .gif()
        .toBuffer(),
    /GIF/,
  ],
  ['a HEIC', () => HEIC, /HEIC.*JPEG/],
  ['a picture bomb', () => bombOf(14_000, 14_000), /14000 by 14000 points/],
  ['half a picture', async () => (await jpegOf({ width: 2000, height: 1500 })).subarray(0, 9000), /damaged/],
  ['a head without a body', async () => (await jpegOf()).subarray(0, 40), /damaged/],
];

test.each(hostile)('%s named .jpg is refused in words, and nothing is kept', async (_, make, words) => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const before = await filesKept();
  const { body } = await upload({ buildId, entryId }, await make(), 'holiday.jpg').expect(400);
  expect(body.detail).toMatch(words);
  expect(body.detail).toContain('Nothing was kept.');
  expect(await list(buildId)).toEqual([]);
  expect(await filesKept()).toEqual(before);
});

test('41 MB are refused, announced or not, and leave nothing behind', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const before = await filesKept();
  const big = Buffer.alloc(MOST_BYTES + 1024 * 1024, 7);
  const announced = await upload({ buildId, entryId }, big);
  expect([announced.status, announced.body.detail]).toEqual([
    413,
    'It is 41 MB; at most 40 MB are taken. Nothing was kept.',
  ]);
  const request = upload({ buildId, entryId }, Buffer.alloc(0)).set('transfer-encoding', 'chunked');
  for (let i = 0; i < 41; i += 1) request.write(big.subarray(0, 1024 * 1024));
  const unannounced = await request;
  expect(unannounced.status).toBe(413);
  expect(await filesKept()).toEqual(before);
});

test('the same photograph five times at once is one; other bytes under its id are refused', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const photoId = nextId();
  const bytes = await jpegOf({ color: '#102030' });
  const sent = await Promise.all([1, 2, 3, 4, 5].map(() => upload({ buildId, entryId, photoId }, bytes)));
  expect(sent.map((r) => r.status)).toEqual([200, 200, 200, 200, 200]);
  expect(await list(buildId)).toHaveLength(1);
  await upload({ buildId, entryId, photoId }, await jpegOf({ color: '#304050' })).expect(409);
  const other = await makeEntry(buildId, 'found wing rotten');
  await upload({ buildId, entryId: other, photoId }, bytes).expect(409);
  // The same bytes under another id are another photograph, and one file.
  const files = (await filesKept()).length;
  await upload({ buildId, entryId: other }, bytes).expect(200);
  expect((await filesKept()).length).toBe(files);
});

test('it belongs to an entry of this build of this shop, and to no other', async () => {
  const [buildId, elsewhere] = [await makeBuild(it.owner), await makeBuild(it.owner)];
  const entryId = await makeEntry(buildId);
  const bytes = await jpegOf();
  await upload({ buildId: elsewhere, entryId }, bytes).expect(404);
  await upload({ buildId, entryId: nextId() }, bytes).expect(404);
  const { body } = await upload({ buildId, entryId }, bytes, '../../etc/passwd').expect(200);
  expect(body.name).toBe('../../etc/passwd');
  const stranger = await signedIn(it.server, await makeShop(it.server, 'photo-strangers'), 'owner');
  for (const size of ['thumb', 'original'])
    expect((await fileOf((body as PhotoView).id, size, stranger)).status).toBe(404);
  await upload({ buildId, entryId }, bytes, 'a.jpg', stranger).expect(404);
  expect((await fileOf((body as PhotoView).id, 'huge')).status).toBe(404);
});

test(`an entry carries at most ${MOST_PHOTOS}`, async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const { body } = await upload({ buildId, entryId }, await jpegOf()).expect(200);
  await it.server.admin.query(
    `insert into photos select p.shop_id, gen_random_uuid(), p.build_id, p.entry_id, p.seq, p.name, p.caption,
       p.original_hash, p.plain_hash, p.shown_hash, p.thumb_hash, p.type, p.bytes, p.width, p.height, p.taken_at,
       p.had_location, p.marks, p.version, p.person_id, p.recorded_at, p.removed_at
     from photos p, generate_series(2, $1) where p.id = $2`,
    [MOST_PHOTOS, (body as PhotoView).id],
  );
  const refused = await upload({ buildId, entryId }, await jpegOf()).expect(429);
  expect(refused.body.detail).toContain(`At most ${MOST_PHOTOS}`);
});

test('drawing makes a copy and leaves the original; the second who draws is told', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const bytes = await jpegOf({ width: 800, height: 600, color: '#101010' });
  const { body } = await upload({ buildId, entryId }, bytes).expect(200);
  const { id: photoId, look } = body as PhotoView;
  const save = (more: object) => it.technician.put(pathOf('photoSave', { photoId })).send(more);
  const ring = { shape: 'ring', x: 0.5, y: 0.5, r: 0.25 };
  const drawn = await save({ version: 1, caption: ' rot behind the jacking point ', marks: [ring] }).expect(
    200,
  );
  expect(drawn.body).toMatchObject({ caption: 'rot behind the jacking point', version: 2, marks: [ring] });
  expect(drawn.body.look).not.toBe(look);
  // The ring's line passes 200 points right of the middle: red there, black in the middle, and not in the bare copy.
  const pointAt = async (size: string, left: number): Promise<number[]> => {
    const { body: jpeg } = await fileOf(photoId, size);
    const at = { left, top: 300, width: 1, height: 1 };
    return [
      ...(await sharp(jpeg as Buffer)
        .extract(at)
        .raw()
        .toBuffer()),
    ];
  };
  const [red = 0, green = 255] = await pointAt('shown', 600);
  expect(red).toBeGreaterThan(120);
  expect(green).toBeLessThan(110);
  expect((await pointAt('shown', 400))[0]).toBeLessThan(60);
  expect((await pointAt('plain', 600))[0]).toBeLessThan(60);
  expect(((await fileOf(photoId, 'original')).body as Buffer).equals(bytes)).toBe(true);
  const late = await save({ version: 1, caption: 'other words', marks: [] }).expect(409);
  expect(late.body.current).toMatchObject({ caption: 'rot behind the jacking point', version: 2 });
  const outside = await save({ version: 2, caption: '', marks: [{ ...ring, x: 1.2 }] }).expect(400);
  expect(outside.body.fields[0]).toEqual({ field: 'marks.0.x', reason: 'outside the picture' });
  await save({ version: 2, caption: '', marks: [{ shape: 'arrow', x: 0, y: 0 }] }).expect(400);
  const bare = await save({ version: 2, caption: '', marks: [] }).expect(200);
  expect(bare.body.marks).toEqual([]);
});

test('what stood there before the work goes with it, frozen too; only a photograph of this car can', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const take = async (color: string, at = { buildId, entryId }): Promise<PhotoView> =>
    (await upload(at, await jpegOf({ color })).expect(200)).body as PhotoView;
  const [before, after] = [await take('#553311'), await take('#aabbcc')];
  const otherBuild = await makeBuild(it.owner);
  const other = await take('#123456', { buildId: otherBuild, entryId: await makeEntry(otherBuild) });
  const pair = (id: string, version = 1) =>
    it.owner
      .put(pathOf('photoSave', { photoId: after.id }))
      .send({ version, caption: 'new end', marks: [], before: id });
  for (const id of [other.id, after.id, nextId()])
    expect((await pair(id).expect(400)).body.fields).toEqual([
      { field: 'before', reason: 'another photograph of this car' },
    ]);
  expect((await pair(before.id).expect(200)).body).toMatchObject({ before: before.id, version: 2 });

  const draft = await letterWith(buildId);
  const content = structuredClone(draft.content);
  for (const i of content.parts.flatMap((p) => p.items)) if (i.id === entryId) i.media = [after.id];
  const saved = await it.owner
    .put(pathOf('letterSave', { letterId: draft.id }))
    .send({ version: draft.version, content })
    .expect(200);
  const sent = await it.owner
    .post(pathOf('letterSend', { letterId: draft.id }))
    .send({ version: saved.body.version, figures: figuresTold(saved.body.content) })
    .expect(200);
  const [picture] = (sent.body as LetterView).pictures;
  expect(picture!.before!.hash).not.toBe(picture!.hash);
  await it.owner.delete(pathOf('photoRemove', { photoId: before.id })).expect(200);
  const { url } = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body.link;
  const home = new URL(url as string).pathname;
  const customer = supertest(it.server.app.express);
  const { text } = await customer.get(home).expect(200);
  expect(text).toContain('<figure class="pair">');
  // The one script of these pages, and only with the page's own nonce.
  expect(text.match(/<script/g)).toHaveLength(1);
  expect(text).toMatch(/<script nonce="[^"]{20,}">/);
  for (const file of [picture!.before!.hash, picture!.before!.thumb])
    await customer.get(`${home}/photos/${file}`).expect(200);
});

test('prices in a caption are hidden from those who see none', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const { body } = await upload({ buildId, entryId }, await jpegOf()).expect(200);
  const photoId = (body as PhotoView).id;
  await it.owner
    .put(pathOf('photoSave', { photoId }))
    .send({ version: 1, caption: 'new one is £85', marks: [] })
    .expect(200);
  const [seen] = await list(buildId, it.technician);
  expect(`${seen!.caption} ${seen!.entryText}`).not.toMatch(/85|200/);
});

async function letterWith(buildId: string): Promise<LetterView> {
  const { body } = await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200);
  return body as LetterView;
}

test('a letter carries them, frozen as sent; the customer’s page gives out those and no others', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const told = (await upload({ buildId, entryId }, await jpegOf({ color: '#224466' })).expect(200))
    .body as PhotoView;
  const kept = (await upload({ buildId, entryId }, await jpegOf({ color: '#664422' })).expect(200))
    .body as PhotoView;
  const draft = await letterWith(buildId);
  const item = draft.content.parts.flatMap((p) => p.items).find((i) => i.id === entryId)!;
  expect([...item.media!].sort()).toEqual([told.id, kept.id].sort());
  const foreign = nextId();
  const content = structuredClone(draft.content);
  for (const i of content.parts.flatMap((p) => p.items)) if (i.id === entryId) i.media = [told.id, foreign];
  const saved = await it.owner
    .put(pathOf('letterSave', { letterId: draft.id }))
    .send({ version: draft.version, content })
    .expect(200);
  const sent = await it.owner
    .post(pathOf('letterSend', { letterId: draft.id }))
    .send({ version: saved.body.version, figures: figuresTold(saved.body.content) })
    .expect(200);
  expect((sent.body as LetterView).pictures.map((p) => p.id)).toEqual([told.id]);
  const [picture] = (sent.body as LetterView).pictures;

  // What happens to the photograph later changes nothing in what was sent.
  await it.owner
    .put(pathOf('photoSave', { photoId: told.id }))
    .send({ version: 1, caption: 'later', marks: [{ shape: 'ring', x: 0.5, y: 0.5, r: 0.2 }] })
    .expect(200);
  await it.owner.delete(pathOf('photoRemove', { photoId: told.id })).expect(200);
  const link = await inShop(it.server.deps.db, it.shop.id, (tx) =>
    tx.one<{ id: string }>('select id from customer_links where shop_id = :shopId and build_id = :buildId', {
      buildId,
    }),
  );
  const home = new URL(linkUrl(it.server.deps, link!.id)).pathname;
  const customer = supertest.agent(it.server.app.express);
  const page = await customer.get(home).expect(200);
  expect(page.text).toContain(`${home}/photos/${picture!.hash}`);
  expect(page.text).not.toContain('later');
  for (const hash of [picture!.hash, picture!.thumb]) {
    const got = await customer.get(`${home}/photos/${hash}`).expect(200);
    expect(
      createHash('sha256')
        .update(got.body as Buffer)
        .digest('hex'),
    ).toBe(hash);
  }
  const { rows } = await it.server.admin.query('select shown_hash, original_hash from photos where id = $1', [
    kept.id,
  ]);
  for (const hash of [rows[0].shown_hash, rows[0].original_hash, '../../secret', 'f'.repeat(64)])
    await customer.get(`${home}/photos/${encodeURIComponent(hash as string)}`).expect(404);
  await it.owner.delete(pathOf('linkRevoke', { buildId })).expect(200);
  await customer.get(`${home}/photos/${picture!.hash}`).expect(404);
});

test('an estimate’s line made from a finding shows its pictures, frozen in the revision', async () => {
  const buildId = await makeBuild(it.owner);
  const entryId = await makeEntry(buildId);
  const photo = (await upload({ buildId, entryId }, await jpegOf({ color: '#335577' })).expect(200))
    .body as PhotoView;
  const none = { low: 0, likely: 0, high: 0 };
  const estimateLine = {
    version: 0,
    title: 'Let in the sill',
    why: '',
    class: 'must',
    work: 'metalwork',
    minutes: { low: 60, likely: 120, high: 300 },
    parts: none,
    outwork: none,
    sundriesMinor: 500,
    needs: [],
    access: [],
    proposal: 'do',
    wish: 'none',
    laterExtraMinor: 0,
    findingId: entryId,
  };
  await it.owner
    .put(pathOf('estimateLinePut', { buildId, lineId: nextId() }))
    .send(estimateLine)
    .expect(200);
  const { body } = await it.owner
    .post(pathOf('revisionSend', { buildId }))
    .send({ id: nextId(), note: '', after: 0 })
    .expect(200);
  const [frozen] = body.revisions[0].content.lines;
  expect(frozen.pictures).toMatchObject([{ id: photo.id, width: 640, height: 480, caption: '' }]);
});
