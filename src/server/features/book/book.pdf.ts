/** A book on paper: drawn page by page onto the disk, so that its length costs no memory. */
import { once } from 'node:events';
import { createWriteStream } from 'node:fs';
import { finished } from 'node:stream/promises';
import type { Book, BookEntry, BookPicture } from '#core/book/book.ts';
import { picturesOf } from '#core/book/book.ts';
import { KIND_SPECS } from '#core/log/kinds.ts';
import { formatMoney } from '#core/money/money.ts';
import { dayOf, formatDay, type Day } from '#core/time/days.ts';
import { LOCAL_RULES } from '#core/work/cautions.ts';
import {
  BOTTOM,
  feet,
  heightOf,
  INK,
  MARGIN,
  openPaper,
  OXIDE,
  QUIET,
  rule,
  WIDTH,
  write,
  type Doc,
  type Style,
} from '../../paper/paper.ts';

const GAP = 12;
const PICTURE_WIDTH = (WIDTH - GAP) / 2;
const PICTURE_HEIGHT = 250;
/** What waits to be written, in bytes, before drawing waits for the disk. */
const MOST_WAITING = 2 * 1024 * 1024;

interface Printing {
  doc: Doc;
  book: Book;
  y: number;
  /** Pictures drawn so far. */
  pictures: number;
  chapters: { title: string; page: number }[];
  imageOf: (picture: BookPicture) => Promise<Buffer>;
  tell: (pictures: number) => Promise<void>;
}

const pageNow = (doc: Doc): number => doc.bufferedPageRange().count;

function room(p: Printing, height: number): void {
  if (p.y + height <= BOTTOM) return;
  p.doc.addPage();
  p.y = MARGIN;
}

/** Text that may be longer than what is left of the page. */
function say(p: Printing, text: string, style: Style = {}, x = MARGIN): void {
  const height = heightOf(p.doc, text, { width: WIDTH - (x - MARGIN), ...style });
  room(p, Math.min(height, 120));
  p.y = write(p.doc, text, x, p.y, { width: WIDTH - (x - MARGIN), ...style });
}

function chapter(p: Printing, title: string): void {
  p.doc.addPage();
  p.y = MARGIN;
  p.chapters.push({ title, page: pageNow(p.doc) });
  p.doc.outline.addItem(title);
  p.y = write(p.doc, title, MARGIN, p.y, { weight: 'bold', size: 20, color: OXIDE });
  rule(p.doc, p.y + 4, INK, 1.2);
  p.y += 18;
}

function heading(p: Printing, words: string): void {
  room(p, 70);
  p.y += 10;
  say(p, words, { weight: 'bold', size: 12 });
  p.y += 2;
}

const dayWords = ({ book }: Printing, day: Day): string => formatDay(day, book.shop.locale, '0001-01-01');
const dayAt = (p: Printing, at: string): string => dayWords(p, dayOf(at, p.book.shop.timeZone));

/** A name and what stands for it; nothing where it is empty. */
function pair(p: Printing, name: string, value: string): void {
  if (value === '') return;
  room(p, 30);
  write(p.doc, name, MARGIN, p.y, { color: QUIET, width: 130 });
  p.y = write(p.doc, value, MARGIN + 140, p.y, { width: WIDTH - 140 }) + 3;
}

function cover(p: Printing): void {
  const { book, doc } = p;
  doc.rect(0, 0, 595.28, 10).fill(OXIDE);
  p.y = 180;
  say(p, 'The book of the', { size: 13, color: QUIET });
  say(p, book.vehicle.name, { weight: 'bold', size: 32, color: OXIDE });
  if (book.vehicle.year !== null) say(p, String(book.vehicle.year), { size: 18 });
  p.y += 30;
  say(p, `Bound for ${book.customer.name} by ${book.shop.name}, ${dayAt(p, book.boundAt)}`, { size: 12 });
  p.y += 4;
  say(p, `Build ${book.build.number}, in the shop since ${dayAt(p, book.build.arrivedAt)}`, { color: QUIET });
}

function theCar(p: Printing): void {
  const { vehicle, build, registers } = p.book;
  chapter(p, 'The car');
  pair(p, 'What it is', `${vehicle.year ?? ''} ${vehicle.name}`.trim());
  pair(p, 'Chassis number', vehicle.chassisNumber);
  pair(p, 'Plate', vehicle.plate);
  if (vehicle.odometer !== null) pair(p, 'Clock', `${vehicle.odometer} ${vehicle.odometerUnit}`);
  pair(p, 'How we know', vehicle.evidence);
  pair(p, 'It came with', build.complaint);
  pair(p, 'Finish agreed', build.standard);
  if (registers.unit.length > 0) heading(p, 'Units');
  for (const u of registers.unit) {
    const papers =
      u.papersNumber === '' || u.papersNumber === u.number ? '' : `, papers say ${u.papersNumber}`;
    pair(
      p,
      u.kind,
      `${[u.number, u.year ?? ''].filter((x) => x !== '').join(', of ')}${papers}. ${u.evidence}`,
    );
  }
  if (registers.requirement.length > 0) heading(p, 'What had to hold');
  for (const r of registers.requirement)
    pair(p, r.met ? 'holds' : 'does not hold yet', `${r.text}. ${r.evidence}`);
  if (registers.belonging.length > 0) heading(p, 'What came with it');
  for (const b of registers.belonging) pair(p, b.givenBack ? 'given back' : b.keptAt, b.what);
}

/** Where a photograph stands, so that it is not higher than its place. */
function sizeOf({ width, height }: BookPicture): { width: number; height: number } {
  const scale = Math.min(PICTURE_WIDTH / width, PICTURE_HEIGHT / height);
  return { width: width * scale, height: height * scale };
}

/** Pictures stand two in a row, with their captions. */
const rowHeight = (p: Printing, row: readonly BookPicture[]): number =>
  12 +
  Math.max(
    ...row.map((x) => sizeOf(x).height + heightOf(p.doc, x.caption, { size: 8, width: PICTURE_WIDTH })),
  );

async function pictures(p: Printing, all: readonly BookPicture[]): Promise<void> {
  for (let i = 0; i < all.length; i += 2) {
    const row = all.slice(i, i + 2);
    room(p, rowHeight(p, row));
    let bottom = p.y;
    for (const [j, picture] of row.entries()) {
      const x = MARGIN + j * (PICTURE_WIDTH + GAP);
      const { width, height } = sizeOf(picture);
      p.doc.image(await p.imageOf(picture), x, p.y + 4, { width, height });
      const style: Style = { size: 8, color: QUIET, width: PICTURE_WIDTH };
      bottom = Math.max(bottom, write(p.doc, picture.caption, x, p.y + height + 6, style), p.y + height + 6);
      p.pictures += 1;
      await p.tell(p.pictures);
    }
    p.y = bottom + 4;
    while (p.doc.readableLength > MOST_WAITING) await once(p.doc, 'data');
  }
}

async function entry(p: Printing, e: BookEntry): Promise<void> {
  // What was seen and its first pictures stay together.
  const shown = e.pictures.length === 0 ? 0 : rowHeight(p, e.pictures.slice(0, 2));
  room(p, Math.min(60, heightOf(p.doc, e.text, { width: WIDTH - 140 }) + 8) + shown);
  const kind = KIND_SPECS[e.kind].word;
  write(p.doc, `${dayAt(p, e.at)}`, MARGIN, p.y, { size: 9, color: QUIET, width: 80 });
  write(p.doc, kind, MARGIN + 84, p.y, { size: 9, color: e.kind === 'found' ? OXIDE : QUIET, width: 52 });
  p.y = write(p.doc, e.text, MARGIN + 140, p.y, { width: WIDTH - 140 }) + 4;
  if (e.pictures.length > 0) await pictures(p, e.pictures);
}

async function story(p: Printing): Promise<void> {
  const { logbook, shop } = p.book;
  if (logbook.length === 0) return;
  chapter(p, 'What was found and done');
  let month = '';
  for (const e of logbook) {
    const now = dayOf(e.at, shop.timeZone).slice(0, 7);
    if (now !== month) {
      const at = new Date(`${now}-15T12:00:00Z`);
      heading(
        p,
        new Intl.DateTimeFormat(shop.locale, { month: 'long', year: 'numeric', timeZone: 'UTC' }).format(at),
      );
      month = now;
    }
    await entry(p, e);
  }
}

function readings(p: Printing): void {
  const all = p.book.logbook.filter((e) => e.kind === 'reading');
  if (all.length === 0) return;
  chapter(p, 'Readings');
  for (const e of all) {
    pair(p, dayAt(p, e.at), e.text);
  }
}

function parts(p: Printing): void {
  if (p.book.parts.length === 0) return;
  chapter(p, 'Parts fitted');
  for (const x of p.book.parts) {
    const number = [x.number, x.catalogue === '' ? '' : `from ${x.catalogue}`]
      .filter((w) => w !== '')
      .join(', ');
    const words = [
      `${x.quantity} × ${x.what}`,
      number,
      x.instead === '' ? '' : `serves instead: ${x.instead}`,
      x.source,
      x.old === null ? '' : `the old one: ${x.old}`,
    ];
    pair(p, x.fittedOn === null ? '' : dayWords(p, x.fittedOn), words.filter((w) => w !== '').join('. '));
    if (x.fittedOn === null) say(p, words.filter((w) => w !== '').join('. '), {}, MARGIN + 140);
  }
}

function provenance(p: Printing): void {
  const rows = p.book.registers.provenance;
  if (rows.length === 0) return;
  chapter(p, 'Where its parts come from');
  for (const r of rows) {
    const words = [
      r.state,
      r.earlierWork ? 'earlier work' : '',
      r.evidence,
      r.originalKept === '' ? '' : `original kept ${r.originalKept}`,
    ];
    pair(p, r.component, words.filter((w) => w !== '').join('. '));
  }
}

function costs(p: Printing): void {
  const { costs: c, shop } = p.book;
  if (c === null) return;
  const money = (minor: number): string => formatMoney(minor, shop.currency, shop.locale);
  chapter(p, 'What it cost');
  pair(p, 'Agreed', money(c.agreedMinor));
  pair(p, 'Spent', money(c.spentMinor));
  pair(p, 'Received', money(c.receivedMinor));
  if (c.lines.length > 0) heading(p, 'Line by line');
  for (const l of c.lines) {
    room(p, 34);
    const right = { width: 90, align: 'right' as const };
    write(p.doc, money(l.agreedMinor), MARGIN + WIDTH - 190, p.y, { ...right, color: QUIET });
    write(p.doc, money(l.spentMinor), MARGIN + WIDTH - 90, p.y, right);
    p.y = write(p.doc, l.title, MARGIN, p.y, { width: WIDTH - 200 }) + 3;
  }
  p.y += 6;
  say(p, 'Agreed stands left, spent right; both with tax.', { size: 8.5, color: QUIET });
}

function careFor(p: Printing): void {
  const { cautions, followUps } = p.book;
  if (cautions.length === 0 && followUps.length === 0) return;
  chapter(p, 'To look after');
  if (followUps.length > 0) heading(p, 'Due after hand-over');
  for (const f of followUps) {
    const miles = f.dueMiles === null ? '' : `after ${f.dueMiles} miles`;
    const due = f.dueOn === null ? miles : `by ${dayWords(p, f.dueOn)}${miles === '' ? '' : `, ${miles}`}`;
    pair(p, f.doneOn === null ? due : `done ${dayWords(p, f.doneOn)}`, f.title);
  }
  if (cautions.length > 0) heading(p, 'For whoever works on it next');
  for (const c of cautions) {
    say(p, c);
    p.y += 4;
  }
  if (cautions.length > 0) say(p, LOCAL_RULES, { weight: 'bold' });
}

/** The contents stand on the second page, which was kept free for them. */
function contents(p: Printing): void {
  p.doc.switchToPage(1);
  let y = write(p.doc, 'Contents', MARGIN, MARGIN, { weight: 'bold', size: 20, color: OXIDE }) + 14;
  for (const { title, page } of p.chapters) {
    write(p.doc, String(page), MARGIN + WIDTH - 60, y, { width: 60, align: 'right' });
    y = write(p.doc, title, MARGIN, y, { width: WIDTH - 80, size: 11 }) + 4;
  }
}

/**
 * Prints a book into `file`.
 *
 * @param imageOf a picture as JPEG, small enough for paper
 * @param tell hears how many pictures are drawn
 * @returns how many pages it has
 */
export async function printBook(
  book: Book,
  file: string,
  imageOf: Printing['imageOf'],
  tell: Printing['tell'],
): Promise<number> {
  const doc = openPaper(`The book of the ${book.vehicle.name}`);
  const out = createWriteStream(file, { mode: 0o600 });
  doc.pipe(out);
  const p: Printing = { doc, book, y: MARGIN, pictures: 0, chapters: [], imageOf, tell };
  cover(p);
  doc.addPage();
  theCar(p);
  await story(p);
  readings(p);
  parts(p);
  provenance(p);
  costs(p);
  careFor(p);
  contents(p);
  feet(doc, `${book.vehicle.name}, bound ${dayAt(p, book.boundAt)}`);
  const pages = pageNow(doc);
  doc.end();
  await finished(out);
  if (p.pictures !== picturesOf(book).length) throw new Error('not every picture was drawn');
  return pages;
}
