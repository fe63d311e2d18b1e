/** A book’s archive: a ZIP with its content as JSON, the schema of that, tables, and the pictures. Written, and read back in. */
import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { Transform, type Readable } from 'node:stream';
import { Ajv2020, type ErrorObject } from 'ajv/dist/2020.js';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import yazl from 'yazl';
import {
  bookTables,
  faultsOfBook,
  PICTURE_FILE,
  picturesOf,
  type Book,
  type BookPicture,
} from '#core/book/book.ts';
import { BOOK_SCHEMA } from '#core/book/schema.ts';
import { MOST_BYTES } from '#core/photo/limits.ts';
import { csvFile } from '../../http/csv.ts';

const CONTENT = 'book.json';
const READ_ME = 'READ ME.txt';
const ABOUT = `This is the book of a vehicle, as the shop that worked on it has bound it.

book.json         what was found and done, what is in it, where it came from
book.schema.json  the shape of book.json (JSON Schema 2020-12)
*.csv             the same as tables, for a spreadsheet
pictures          the photographs that book.json names

Money is in minor units of the currency in book.json; days and instants are ISO 8601, instants in UTC.
`;

/** A book.json larger than this is none: the longest that was bound for a test, of 337 pages, has a hundredth of it. */
const MOST_CONTENT_BYTES = 32 * 1024 * 1024;
/** Words pack to a fifth or a tenth; what unpacks to more than this is made to fill the memory. */
const MOST_UNPACKED = 100;
const SMALL_BYTES = 1024 * 1024;
const MOST_FILES = 20_000;

/**
 * Writes the archive of a book into `file`.
 *
 * @param fileOf where a picture’s file is
 */
export async function writeArchive(
  book: Book,
  file: string,
  fileOf: (picture: BookPicture) => string,
): Promise<void> {
  const zip = new yazl.ZipFile();
  // The same book is the same archive, byte for byte, whenever it is written.
  const options = { mtime: new Date(book.boundAt), mode: 0o100644 };
  const add = (name: string, text: string): void => zip.addBuffer(Buffer.from(text), name, options);
  add(READ_ME, ABOUT);
  add(CONTENT, `${JSON.stringify(book, null, 1)}\n`);
  add('book.schema.json', `${JSON.stringify(BOOK_SCHEMA, null, 1)}\n`);
  for (const { file: name, head, rows } of bookTables(book))
    zip.addBuffer(Buffer.from(csvFile(name, [head, ...rows.map((r) => r.map(String))]).body), name, options);
  for (const picture of picturesOf(book))
    zip.addFile(fileOf(picture), picture.file, { ...options, compress: false });
  zip.end();
  await pipeline(zip.outputStream as unknown as Readable, createWriteStream(file, { mode: 0o600 }));
}

/** Why an archive is none that can be read: in words for whoever sent it. */
export class BadArchive extends Error {}

const openZip = (file: string): Promise<ZipFile> =>
  new Promise((resolve, reject) =>
    yauzl.open(file, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error ? reject(new BadArchive('It is no ZIP archive, or it is damaged.')) : resolve(zip),
    ),
  );

/** The archive’s files by name. */
function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    if (zip.entryCount > MOST_FILES) return reject(new BadArchive(`It holds more than ${MOST_FILES} files.`));
    zip.on('error', () => reject(new BadArchive('The archive is damaged.')));
    zip.on('end', () => resolve(entries));
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
}

const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) =>
      error ? reject(new BadArchive(`${entry.fileName} cannot be opened.`)) : resolve(stream),
    ),
  );

const damaged = (name: string) => (error: unknown) => {
  throw error instanceof BadArchive ? error : new BadArchive(`${name} is damaged.`);
};

async function readContent(zip: ZipFile, entry: Entry | undefined): Promise<unknown> {
  if (!entry) throw new BadArchive('There is no book.json in it: it is not the book of a car.');
  const { uncompressedSize, compressedSize } = entry;
  if (
    uncompressedSize > MOST_CONTENT_BYTES ||
    (uncompressedSize > SMALL_BYTES && uncompressedSize > MOST_UNPACKED * compressedSize)
  )
    throw new BadArchive('Its book.json is too large.');
  const chunks: Buffer[] = [];
  const stream = await streamOf(zip, entry);
  const read = async (): Promise<void> => {
    for await (const chunk of stream) chunks.push(chunk as Buffer);
  };
  await read().catch(damaged(CONTENT));
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8'));
  } catch {
    throw new BadArchive('Its book.json is no JSON.');
  }
}

const ajv = new Ajv2020({ allErrors: false, strict: true });
const hasShape = ajv.compile<Book>(BOOK_SCHEMA);

/** “/logbook/3/text must be string” as “logbook[3].text must be string”. */
function placeOf({ instancePath, message = 'is not as it should be', params }: ErrorObject): string {
  const place = instancePath
    .slice(1)
    .replace(/\/(\d+)/g, '[$1]')
    .replaceAll('/', '.');
  const extra = (params as { additionalProperty?: string }).additionalProperty;
  return `${place === '' ? CONTENT : place} ${message}${extra === undefined ? '' : `: ${extra}`}`;
}

/** An archive that was opened: what its book says, and its pictures one by one. */
export interface OpenArchive {
  book: Book;
  /** Puts a picture of it into `file`; throws where its bytes are not those that the book says. */
  picture: (picture: BookPicture, file: string) => Promise<void>;
  close: () => void;
}

/** Opens an archive and holds what it says against the published shape. Throws `BadArchive` in words. */
export async function openArchive(file: string): Promise<OpenArchive> {
  const zip = await openZip(file);
  try {
    const entries = await entriesOf(zip);
    const content = await readContent(zip, entries.get(CONTENT));
    if (!hasShape(content)) throw new BadArchive(`${placeOf(hasShape.errors![0]!)}.`);
    const [fault] = faultsOfBook(content, new Set(entries.keys()));
    if (fault !== undefined) throw new BadArchive(`${fault}.`);
    const large = [...entries.values()].find(
      (e) => PICTURE_FILE.test(e.fileName) && e.uncompressedSize > MOST_BYTES,
    );
    if (large) throw new BadArchive(`${large.fileName} is larger than any photograph.`);
    return {
      book: content,
      close: () => zip.close(),
      picture: async ({ file: name, sha256 }, to) => {
        const hash = createHash('sha256');
        const hashing = new Transform({
          transform: (chunk: Buffer, _encoding, done) => {
            hash.update(chunk);
            done(null, chunk);
          },
        });
        const from = await streamOf(zip, entries.get(name)!);
        await pipeline(from, hashing, createWriteStream(to, { mode: 0o600 })).catch(damaged(name));
        if (hash.digest('hex') !== sha256) throw new BadArchive(`${name} is not the picture that was bound.`);
      },
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

/** Why an archive cannot be read, in words; null where it can. */
export async function faultOfArchive(file: string): Promise<string | null> {
  try {
    (await openArchive(file)).close();
    return null;
  } catch (error) {
    if (error instanceof BadArchive) return error.message;
    throw error;
  }
}
