/** A book of three hundred pages and five hundred pictures: read from its archive, and bound, by the running server. */
import { createHash, randomBytes } from 'node:crypto';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { addressOf, type RouteName } from '../src/contract/routes.ts';
import type { BookView } from '../src/contract/book.ts';
import { pictureFile, type Book, type BookPicture } from '../src/core/book/book.ts';
import { writeArchive } from '../src/server/features/book/archive.ts';
import type { Line } from './line.ts';
import { watched } from './memory.ts';
import type { BenchServers } from './servers.ts';

const PICTURES = 500;
const ENTRIES = 1000;
const WORDS =
  'Took the old metal back to where it was sound, let a new piece in and dressed it, and primed it the same day. ';

/** A picture of the screen size and of the usual weight; each with an end of its own. */
async function pictures(folder: string): Promise<{ picture: BookPicture; file: string }[]> {
  const [width, height] = [1600, 1200];
  const noise = await sharp(randomBytes(200 * 150 * 3), { raw: { width: 200, height: 150, channels: 3 } })
    .resize(width, height)
    .jpeg({ quality: 80 })
    .toBuffer();
  return Promise.all(
    Array.from({ length: PICTURES }, async (_, i) => {
      const bytes = Buffer.concat([noise, randomBytes(16)]);
      const file = path.join(folder, String(i));
      await writeFile(file, bytes);
      const sha256 = createHash('sha256').update(bytes).digest('hex');
      return {
        file,
        picture: {
          file: pictureFile(i + 1),
          sha256,
          width,
          height,
          caption: `As it was, ${i + 1}`,
          takenAt: null,
        },
      };
    }),
  );
}

function bookWith(all: readonly BookPicture[]): Book {
  const at = (i: number): string => new Date(Date.UTC(2024, 0, 1) + i * 6 * 3600_000).toISOString();
  return {
    format: 'avrik-book',
    version: 1,
    boundAt: '2026-03-11T10:00:00.000Z',
    shop: { name: 'Shop', currency: 'GBP', units: 'imperial', locale: 'en-GB', timeZone: 'Europe/London' },
    customer: { name: 'Ilse Brandt', email: 'ilse@example.org' },
    build: { number: 'B-9007', nickname: 'bench tourer', standard: 'show', complaint: '', arrivedAt: at(0) },
    vehicle: {
      ...{ name: 'Linnet tourer', year: 1957, chassisNumber: '', plate: '' },
      ...{ odometer: null, odometerUnit: 'mi' as const, evidence: '' },
    },
    registers: { unit: [], belonging: [], provenance: [], requirement: [] },
    logbook: Array.from({ length: ENTRIES }, (_, i) => ({
      at: at(i),
      kind: 'did' as const,
      text: `did step ${i}: ${WORDS.repeat(5)}`,
      facts: { minutes: 60 },
      pictures: i % (ENTRIES / PICTURES) === 0 ? [all[i / (ENTRIES / PICTURES)]!] : [],
    })),
    parts: [],
    costs: null,
    cautions: [],
    followUps: [],
  };
}

export async function benchBook(servers: BenchServers): Promise<Line[]> {
  const ask = async <T>(name: RouteName, params: Record<string, string>, init: RequestInit): Promise<T> => {
    const headers = { cookie: servers.cookie, ...init.headers };
    const answer = await fetch(servers.app + addressOf(name, params), { ...init, headers });
    if (!answer.ok) throw new Error(`${name} was refused: ${await answer.text()}`);
    return (await answer.json()) as T;
  };
  /** How long the server took at most to answer how far it is: what everybody else would have waited. */
  let slowest = 0;
  const made = async (bookId: string): Promise<BookView> => {
    for (;;) {
      const began = performance.now();
      // Each by a connection of its own: what is measured is the server, not who closes first.
      const book = await ask<BookView>('bookRead', { bookId }, { headers: { connection: 'close' } });
      slowest = Math.max(slowest, performance.now() - began);
      if (book.state === 'failed') throw new Error(book.why);
      if (book.state === 'ready') return book;
      await pause(100);
    }
  };
  const folder = await mkdtemp(path.join(tmpdir(), 'avrik-bench-book-'));
  try {
    const all = await pictures(folder);
    const fileOf = new Map(all.map((p) => [p.picture.file, p.file]));
    const zip = path.join(folder, 'book.zip');
    await writeArchive(bookWith(all.map((p) => p.picture)), zip, (p) => fileOf.get(p.file)!);
    const [readId, boundId] = [uuidv7(), uuidv7()];
    const body = new Uint8Array(await readFile(zip));
    const read = await watched(servers.appPid, async () => {
      await ask(
        'bookBringIn',
        { bookId: readId },
        { method: 'PUT', body, headers: { 'content-type': 'application/zip' } },
      );
      await made(readId);
    });
    const { buildId } = await made(readId);
    const whileRead = slowest;
    slowest = 0;
    const asked = JSON.stringify({ id: boundId, withCosts: true, meant: [] });
    const bound = await watched(servers.appPid, async () => {
      const headers = { 'content-type': 'application/json' };
      await ask('bookAsk', { buildId: buildId! }, { method: 'POST', body: asked, headers });
      await made(boundId);
    });
    const book = await made(boundId);
    const what = `A book of ${book.pages} pages and ${PICTURES} pictures`;
    if (book.pages! < 300) throw new Error(`${book.pages} pages are no three hundred`);
    return [
      { what: `${what}: bound`, value: bound.seconds, unit: 's', goal: { atMost: 60 } },
      { what: `${what}: most memory of the server`, value: bound.most, unit: 'MB', goal: { atMost: 400 } },
      { what: `${what}: longest answer meanwhile`, value: slowest, unit: 'ms', goal: { atMost: 500 } },
      { what: `${what}: memory of the server before`, value: bound.before, unit: 'MB' },
      { what: `${what}: its archive read back`, value: read.seconds, unit: 's' },
      { what: `${what}: longest answer while it is read`, value: whileRead, unit: 'ms' },
      { what: `${what}: most memory while it is read`, value: read.most, unit: 'MB' },
    ];
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
