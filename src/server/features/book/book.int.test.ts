/**
 * The car’s book over HTTP: bound, printed, archived, given, and read back into an empty shop. Nasty cases: asked five times at once;
 * lines about another customer’s car; costs not wished; who did it; archives that are none, broken, of another shape, with a picture
 * missing, exchanged, or no picture at all, with a name that leaves its folder; the same archive twice; a technician; another shop.
 */
import { createHash } from 'node:crypto';
import { mkdtemp, rm, writeFile, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { buffer } from 'node:stream/consumers';
import type { Readable } from 'node:stream';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import supertest from 'supertest';
import yazl from 'yazl';
import { pathOf } from '#contract/routes.ts';
import type { BookView } from '#contract/book.ts';
import type { EntriesView } from '#contract/entries.ts';
import { NAME_HEADER } from '#contract/photoFiles.ts';
import type { PhotosView } from '#contract/photos.ts';
import { picturesOf, type Book } from '#core/book/book.ts';
import { BOOK_SCHEMA } from '#core/book/schema.ts';
import { inShop } from '#server/db/pool.ts';
import { linkUrl } from '#server/links.ts';
import { bindBook, readBook } from '#server/features/book/index.ts';
import { contentOf } from '#server/features/book/content.ts';
import { openArchive } from '#server/features/book/archive.ts';
import { jpegOf } from '#tests/support/pictures.ts';
import {
  estimateLine,
  line,
  makeBuild,
  makeShop,
  nextId,
  openShop,
  signedIn,
  type Agent,
} from '#tests/support/server.ts';

const it = openShop('books');
let folder: string;
let buildId: string;

beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'avrik-books-'));
  buildId = await filledBuild();
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const log = async (build: string, more: Parameters<typeof line>[0]): Promise<string> => {
  const body = line(more);
  await it.owner
    .post(pathOf('entryAdd', { buildId: build }))
    .send(body)
    .expect(200);
  return body.id;
};
const row = (build: string, register: string, content: object) =>
  it.owner
    .put(pathOf('registerRowPut', { buildId: build, register, rowId: nextId() }))
    .send({ version: 0, ...content })
    .expect(200);

/** A car with something of everything that a book tells. */
async function filledBuild(): Promise<string> {
  await makeBuild(it.owner, { nickname: 'barge', customerName: 'Odo Lark', vehicleName: 'Heron barge' });
  const build = await makeBuild(it.owner, {
    nickname: 'tourer',
    vehicleName: 'Linnet tourer',
    complaint: 'It pulls left.',
  });
  const found = await log(build, {
    kind: 'found',
    text: 'found the kingpin worn, 80 and 3h, must',
    facts: { subject: 'kingpin', moneyMinor: 8000, minutes: 180, class: 'must' },
  });
  await log(build, { kind: 'did', text: 'Joss fitted the pin', facts: { person: 'Joss Arkwright' } });
  await log(build, {
    kind: 'reading',
    text: 'end float 0.20 mm',
    facts: { measures: [{ value: 0.2, unit: 'mm' }] },
  });
  await log(build, { kind: 'did', text: 'did it like the one on the Heron barge' });
  await log(build, { kind: 'note', text: 'he will never notice the weld', audience: 'shop' });
  for (const [color, taken] of [
    ['#204060', '2026:03:10 16:40:00'],
    ['#602040', undefined],
  ] as const)
    await it.technician
      .put(pathOf('photoUpload', { buildId: build, entryId: found, photoId: nextId() }))
      .set('content-type', 'application/octet-stream')
      .set(NAME_HEADER, 'pin.jpg')
      .send(await jpegOf({ width: 1800, height: 1200, color, located: true, ...(taken && { taken }) }))
      .expect(200);
  const { photos } = (await it.owner.get(pathOf('photosList', { buildId: build }))).body as PhotosView;
  const [photo, earlier] = photos;
  await it.owner
    .put(pathOf('photoSave', { photoId: photo!.id }))
    .send({
      version: photo!.version,
      caption: 'The worn pin',
      marks: [{ shape: 'ring', x: 0.5, y: 0.5, r: 0.1 }],
      before: earlier!.id,
    })
    .expect(200);
  await row(build, 'unit', {
    kind: 'engine',
    number: 'L 118',
    papersNumber: 'L 118',
    evidence: 'cast behind the pump',
  });
  await row(build, 'provenance', {
    component: 'bonnet',
    state: 'period replacement',
    evidence: 'no number stamped',
    earlierWork: true,
    originalKept: '',
  });
  await row(build, 'belonging', { kind: 'keys', what: 'two keys', keptAt: 'key board', givenBack: true });
  const partId = nextId();
  const part = {
    ...{ version: 0, what: 'kingpin', quantity: 2, number: 'LT-7', catalogue: 'Linnet 1957', instead: '' },
    ...{ source: 'supplier', sourceNote: '', vendor: 'Cobb Springs', priceMinor: 8000 },
  };
  await it.owner
    .put(pathOf('partPut', { buildId: build, partId }))
    .send(part)
    .expect(200);
  const acts = [
    { act: 'order', vendor: 'Cobb Springs', due: '2026-03-20', priceMinor: 8000 },
    { act: 'arrive', check: 'right' },
    { act: 'fit', fate: 'scrapped' },
  ];
  for (const [i, act] of acts.entries())
    await it.owner
      .post(pathOf('partAct', { buildId: build, partId }))
      .send({ ...act, version: i + 1, entryId: nextId() })
      .expect(200);
  return build;
}

const ask = (more: object = {}, build = buildId, agent: Agent = it.owner) =>
  agent
    .post(pathOf('bookAsk', { buildId: build }))
    .send({ id: nextId(), withCosts: true, meant: [], ...more });
const read = async (bookId: string, agent: Agent = it.owner): Promise<BookView> =>
  (await agent.get(pathOf('bookRead', { bookId })).expect(200)).body as BookView;
const file = async (bookId: string, bookFile: string, agent: Agent = it.owner): Promise<Buffer> =>
  (
    await agent
      .get(pathOf('bookFile', { bookId, bookFile }))
      .buffer(true)
      .parse(
        (res, done) =>
          void buffer(res as unknown as Readable).then(
            (b) => done(null, b),
            (e: Error) => done(e, undefined),
          ),
      )
      .expect(200)
  ).body as Buffer;

async function bound(more: object = {}, build = buildId): Promise<BookView> {
  const { body } = await ask(more, build).expect(200);
  await bindBook(it.server.deps, { shopId: it.shop.id, bookId: body.id }, true);
  return read(body.id);
}

/** The archive as a file, and what its book says. */
async function archiveOf(bookId: string, agent?: Agent): Promise<{ zip: Buffer; book: Book }> {
  const zip = await file(bookId, 'book.zip', agent);
  const at = path.join(folder, `${bookId}.zip`);
  await writeFile(at, zip);
  const { book, close } = await openArchive(at);
  close();
  return { zip, book };
}

describe('binding', () => {
  test('asked five times at once it is one book; it has its pages, its archive, and is said in the logbook', async () => {
    const id = nextId();
    const answers = await Promise.all([1, 2, 3, 4, 5].map(() => ask({ id })));
    expect(answers.map((a) => [a.status, a.body.state])).toEqual(Array(5).fill([200, 'waiting']));
    const job = { shopId: it.shop.id, bookId: id };
    await bindBook(it.server.deps, job, true);
    await bindBook(it.server.deps, job, true);
    const book = await read(id);
    expect(book).toMatchObject({ state: 'ready', origin: 'bound', done: 2, of: 2, why: '' });
    const pdf = await file(id, 'book.pdf');
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(book.pages!);
    const pictures = picturesOf((await archiveOf(id)).book);
    const pin = pictures.find((p) => p.caption === 'The worn pin')!;
    expect(pictures.map((p) => p.file)).toContain(pin.before);
    expect(pin.before).not.toBe(pin.file);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body as EntriesView;
    expect(entries.filter((e) => e.text.startsWith('Its book is bound'))).toHaveLength(1);
    const { body } = await it.owner.get(pathOf('booksOf', { buildId })).expect(200);
    expect(body.books.map((b: BookView) => b.id)).toContain(id);
  });

  test('it tells what its customer may see: no note of the shop, no person, no other car, no place of a picture', async () => {
    const { id, leftOut } = await bound();
    const { book } = await archiveOf(id);
    const all = JSON.stringify(book);
    for (const word of ['never notice', 'Arkwright', 'Heron', 'Odo', 'Testcam'])
      expect(all).not.toContain(word);
    expect(leftOut).toEqual([
      {
        text: 'did it like the one on the Heron barge',
        why: '“Heron barge”: the barge is another customer’s',
        isSure: true,
      },
    ]);
    expect(book.logbook.map((e) => e.kind)).toEqual(expect.arrayContaining(['found', 'did', 'reading']));
    expect(book.registers.unit).toEqual([
      { kind: 'engine', number: 'L 118', papersNumber: 'L 118', evidence: 'cast behind the pump' },
    ]);
    expect(book.parts).toMatchObject([{ what: 'kingpin', quantity: 2, number: 'LT-7', old: 'scrapped' }]);
    expect(picturesOf(book).map((p) => [p.file, p.caption])).toEqual([
      ['pictures/00001.jpg', 'The worn pin'],
      ['pictures/00002.jpg', ''],
    ]);
  });

  test('what may be a leak and was said to be meant stands in it; what surely is one does not', async () => {
    const build = await makeBuild(it.owner, { nickname: 'gig', vehicleName: 'Linnet gig' });
    await log(build, { text: 'took it out like a barge' });
    await log(build, { text: 'as on the Heron barge' });
    const first = await bound({}, build);
    expect(first.leftOut.map((l) => [l.text, l.isSure])).toEqual([
      ['took it out like a barge', false],
      ['as on the Heron barge', true],
    ]);
    const again = await bound({ meant: first.leftOut.map((l) => l.text) }, build);
    expect(again.leftOut.map((l) => l.text)).toEqual(['as on the Heron barge']);
  });

  test('costs not wished: no amount anywhere', async () => {
    const { book } = await archiveOf((await bound({ withCosts: false })).id);
    expect(book.costs).toBeNull();
    expect(JSON.stringify(book)).not.toMatch(/moneyMinor|\b8000\b|, 80 /);
    expect(book.logbook[0]!.text).toBe('found the kingpin worn, ··· and 3h, must');
  });

  test('costs wished: they are those of the ledger', async () => {
    const build = await makeBuild(it.owner, { nickname: 'trap', vehicleName: 'Linnet trap' });
    await it.owner
      .put(pathOf('estimateLinePut', { buildId: build, lineId: nextId() }))
      .send(estimateLine({ title: 'Axle' }))
      .expect(200);
    await log(build, { kind: 'spent', text: 'spent 12.40', facts: { moneyMinor: 1240 }, audience: 'shop' });
    const { book } = await archiveOf((await bound({}, build)).id);
    const { body } = await it.owner.get(pathOf('costsRead', { buildId: build })).expect(200);
    if (body.lines.length === 0) expect(book.costs).toBeNull();
    else
      expect(book.costs).toMatchObject({
        spentMinor: body.build.spentMinor,
        agreedMinor: body.build.approvedMinor,
      });
  });

  test('the same book is the same archive, byte for byte', async () => {
    const { id } = await bound();
    const first = await archiveOf(id);
    await it.server.admin.query("update books set state = 'making' where id = $1", [id]);
    await bindBook(it.server.deps, { shopId: it.shop.id, bookId: id }, true);
    expect((await archiveOf(id)).zip.equals(first.zip)).toBe(true);
  });

  test('a picture whose file is gone: it fails in words, after the last try only', async () => {
    const { body } = await ask().expect(200);
    const job = { shopId: it.shop.id, bookId: body.id };
    const broken = { ...it.server.deps, photos: { ...it.server.deps.photos, pathOf: () => '/nowhere' } };
    await expect(bindBook(broken, job, false)).rejects.toThrow();
    expect((await read(body.id)).state).toBe('making');
    await expect(bindBook(broken, job, true)).rejects.toThrow();
    expect(await read(body.id)).toMatchObject({ state: 'failed', why: expect.stringContaining('try again') });
    await bindBook(it.server.deps, job, true);
    expect((await read(body.id)).state).toBe('ready');
  });

  test('of another shop’s build, by a technician, of no build: nothing', async () => {
    await ask({}, nextId()).expect(404);
    await ask({}, buildId, it.technician).expect(403);
    const other = await signedIn(it.server, await makeShop(it.server, 'books-other'), 'owner');
    await ask({}, buildId, other).expect(404);
    const { id } = await bound();
    await other.get(pathOf('bookRead', { bookId: id })).expect(404);
    await other.get(pathOf('bookFile', { bookId: id, bookFile: 'book.zip' })).expect(404);
    await it.owner.get(pathOf('bookFile', { bookId: id, bookFile: 'book.exe' })).expect(404);
  });
});

describe('given', () => {
  test('not before it is made; then it stands on the customer’s page, and only there', async () => {
    const early = (await ask().expect(200)).body as BookView;
    await it.owner.post(pathOf('bookGive', { bookId: early.id })).expect(409);
    const { id } = await bound();
    await it.owner.post(pathOf('bookGive', { bookId: id })).expect(200);
    const given = (await it.owner.post(pathOf('bookGive', { bookId: id })).expect(200)).body as BookView;
    expect(given.givenAt).not.toBeNull();
    const linkId = (
      await it.server.admin.query(
        'select id from customer_links where build_id = $1 and revoked_at is null',
        [buildId],
      )
    ).rows[0].id;
    const address = new URL(linkUrl(it.server.deps, linkId)).pathname;
    const anyone = supertest(it.server.app.express);
    const page = await anyone.get(address).expect(200);
    expect(page.text).toContain(`href="${address}/book/book.pdf"`);
    const pdf = await anyone.get(`${address}/book/book.pdf`).expect(200);
    expect(pdf.headers).toMatchObject({
      'content-type': 'application/pdf',
      'cache-control': 'private, no-store',
    });
    await anyone.get(`${address}/book/book.txt`).expect(404);
    await anyone.get('/l/nonsense/book/book.pdf').expect(404);
  });
});

describe('read back', () => {
  const bringIn = (agent: Agent, zip: Buffer, bookId = nextId()) =>
    agent.put(pathOf('bookBringIn', { bookId })).set('content-type', 'application/zip').send(zip);

  test('into an empty shop: nothing is different', async () => {
    const { zip, book } = await archiveOf((await bound()).id);
    const empty = await makeShop(it.server, 'books-empty');
    const owner = await signedIn(it.server, empty, 'owner');
    const id = nextId();
    await bringIn(owner, zip, id).expect(200);
    await bringIn(owner, zip, id).expect(200);
    await readBook(it.server.deps, { shopId: empty.id, bookId: id }, true);
    const there = await read(id, owner);
    expect(there).toMatchObject({ state: 'ready', origin: 'read', why: '' });
    // The archive that it gives out is the one that came in; what its new build would bind is the same book.
    expect((await file(id, 'book.zip', owner)).equals(zip)).toBe(true);
    const { book: anew } = await inShop(it.server.deps.db, empty.id, (tx) =>
      contentOf(tx, it.server.deps, there.buildId!, { withCosts: true, meant: [] }),
    );
    // Another shop’s ledger is not this one’s: what it cost stands in the book as it was read.
    expect({ ...anew, costs: book.costs, shop: book.shop }).toEqual(book);
    // Pictures are the same bytes.
    for (const { sha256 } of picturesOf(anew)) {
      const bytes = await readFile(it.server.deps.photos.pathOf(empty.id, sha256));
      expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha256);
    }
    // The next build of that shop does not take its number.
    const next = await makeBuild(owner);
    const { body } = await owner.get(pathOf('buildRead', { buildId: next })).expect(200);
    expect(body.number).not.toBe(book.build.number);
  });

  test('into the shop that bound it: another car beside the first, with a number of its own', async () => {
    const { zip, book } = await archiveOf((await bound()).id);
    const id = nextId();
    await bringIn(it.owner, zip, id).expect(200);
    await readBook(it.server.deps, { shopId: it.shop.id, bookId: id }, true);
    const { buildId: there } = await read(id);
    expect(there).not.toBe(buildId);
    const { body } = await it.owner.get(pathOf('buildRead', { buildId: there! })).expect(200);
    expect(body.number).not.toBe(book.build.number);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId: there! }))).body as EntriesView;
    expect(entries.some((e) => e.text.includes(`there it was build ${book.build.number}`))).toBe(true);
  });

  interface Hostile {
    book?: unknown;
    picture?: (bytes: Buffer) => Buffer | Promise<Buffer>;
    without?: boolean;
    more?: string;
  }
  /** The archive of a good book, changed. */
  async function changed({
    book: content,
    picture = (b) => b,
    without = false,
    more,
  }: Hostile): Promise<Buffer> {
    const { book } = await archiveOf((await bound()).id);
    const zip = new yazl.ZipFile();
    const json = content === undefined ? book : content;
    if (json !== null)
      zip.addBuffer(Buffer.from(typeof json === 'string' ? json : JSON.stringify(json)), 'book.json');
    if (!without)
      for (const p of picturesOf(book))
        zip.addBuffer(
          await picture(await readFile(it.server.deps.photos.pathOf(it.shop.id, p.sha256))),
          p.file,
        );
    if (more !== undefined) zip.addBuffer(Buffer.from('x'), more);
    zip.end();
    return buffer(zip.outputStream as unknown as Readable);
  }
  const good = async (): Promise<Book> => (await archiveOf((await bound()).id)).book;

  test.each<[string, () => Promise<Buffer>, RegExp]>([
    ['no ZIP', async () => Buffer.from('a text'), /no ZIP archive/],
    ['a ZIP that breaks off', async () => (await changed({})).subarray(0, 400), /no ZIP archive/],
    ['no book in it', () => changed({ book: null }), /no book\.json/],
    ['a book that is no JSON', () => changed({ book: '{' }), /no JSON/],
    ['an empty book', () => changed({ book: {} }), /book\.json must have required property 'format'/],
    [
      'a book of a later version',
      async () => changed({ book: { ...(await good()), version: 2 } }),
      /^version must be equal to constant/,
    ],
    [
      'a kind that is none',
      async () => {
        const book = await good();
        return changed({ book: { ...book, logbook: [{ ...book.logbook[0], kind: 'danced' }] } });
      },
      /^logbook\[0\]\.kind must be equal to one of the allowed values/,
    ],
    [
      'more than a book says',
      async () => changed({ book: { ...(await good()), rates: [] } }),
      /must NOT have additional properties: rates/,
    ],
    [
      'a picture that is not there',
      () => changed({ without: true }),
      /pictures\/00001\.jpg is not in the archive/,
    ],
    ['a picture too many', () => changed({ more: 'pictures/00009.jpg' }), /nothing in the logbook shows it/],
  ])('%s is refused at once, in words, and nothing is kept', async (_name, make, why) => {
    const { body } = await bringIn(it.owner, await make()).expect(400);
    expect(body.fields[0].reason).toMatch(why);
  });

  test('a name that leaves its folder', async () => {
    const zip = await changed({ more: 'pictures/00009.jpg' });
    const evil = Buffer.from(
      zip.toString('latin1').replaceAll('pictures/00009.jpg', '../../../etc/pass'),
      'latin1',
    );
    const { body } = await bringIn(it.owner, evil).expect(400);
    expect(body.fields[0].reason).toMatch(/damaged|no ZIP/);
  });

  test.each<[string, Hostile['picture'], RegExp]>([
    ['another picture', () => jpegOf({ color: '#000000' }), /is not the picture that was bound/],
    ['no picture', () => Buffer.from('hello'), /is not the picture that was bound/],
  ])('%s in place of one: it fails in words, and no car is made', async (_name, picture, why) => {
    const before = (await it.server.admin.query('select count(*)::int as n from builds')).rows[0].n;
    const id = nextId();
    await bringIn(it.owner, await changed({ picture: picture! }), id).expect(200);
    await readBook(it.server.deps, { shopId: it.shop.id, bookId: id }, true);
    expect(await read(id)).toMatchObject({ state: 'failed', why: expect.stringMatching(why), buildId: null });
    expect((await it.server.admin.query('select count(*)::int as n from builds')).rows[0].n).toBe(before);
  });

  test('a picture that tells where it was taken, or is a text, in a book that says it is so', async () => {
    const book = await good();
    const withFile = async (bytes: Buffer): Promise<Buffer> => {
      const sha256 = createHash('sha256').update(bytes).digest('hex');
      const [first] = book.logbook.filter((e) => e.pictures.length > 0);
      const alone = first!.pictures.find((p) => p.before === undefined)!;
      const entry = { ...first!, pictures: [{ ...alone, sha256 }] };
      const zip = new yazl.ZipFile();
      zip.addBuffer(Buffer.from(JSON.stringify({ ...book, logbook: [entry] })), 'book.json');
      zip.addBuffer(bytes, entry.pictures[0]!.file);
      zip.end();
      return buffer(zip.outputStream as unknown as Readable);
    };
    const located = nextId();
    await bringIn(it.owner, await withFile(await jpegOf({ located: true })), located).expect(200);
    await readBook(it.server.deps, { shopId: it.shop.id, bookId: located }, true);
    const { buildId: there } = await read(located);
    const { photos } = (await it.owner.get(pathOf('photosList', { buildId: there! }))).body as PhotosView;
    const { body } = await it.owner
      .get(pathOf('photoFile', { photoId: photos[0]!.id, size: 'plain' }))
      .expect(200);
    expect((await sharp(body as Buffer).metadata()).exif).toBeUndefined();
    const text = nextId();
    await bringIn(it.owner, await withFile(Buffer.from('no picture')), text).expect(200);
    await readBook(it.server.deps, { shopId: it.shop.id, bookId: text }, true);
    expect(await read(text)).toMatchObject({
      state: 'failed',
      why: expect.stringMatching(/^pictures\/0000\d\.jpg is no photograph that can be shown\.$/),
    });
  });

  test('another archive under the same id; a technician; an empty file', async () => {
    const { zip } = await archiveOf((await bound()).id);
    const id = nextId();
    await bringIn(it.owner, zip, id).expect(200);
    await bringIn(it.owner, await changed({}), id).expect(409);
    await bringIn(it.technician, zip).expect(403);
    await bringIn(it.owner, Buffer.alloc(0)).expect(400);
  });

  test('the schema in the archive is the one that it is held against', async () => {
    const zip = await file((await bound()).id, 'book.zip');
    expect(zip.includes(Buffer.from('book.schema.json'))).toBe(true);
    expect(BOOK_SCHEMA.$id).toBe('urn:avrik-book:1');
  });
});
