/**
 * The car’s book: what was found and done to it, what is in it and where that came from, as it is bound at hand-over. It holds what
 * its customer may see and nothing else, and names no row of any database, so that any shop can read it.
 */
import type { Fate, Source } from '../parts/parts.ts';
import type { LoggedKind } from '../capture/understood.ts';
import type { Facts } from '../log/kinds.ts';
import type { Standard } from '../log/standards.ts';
import type { Day } from '../time/days.ts';
import type { RegisterRows, Register } from '../vehicle/registers.ts';

export const BOOK_FORMAT = 'avrik-book';
export const BOOK_VERSION = 1;

export interface BookPicture {
  /** Its place in the archive. */
  file: string;
  /** Of the file, in hex. */
  sha256: string;
  /** In pixels. */
  width: number;
  height: number;
  caption: string;
  /** Instant; null where the camera did not say. */
  takenAt: string | null;
  /** The picture of the same before the work: its place in the archive. */
  before?: string;
}

export interface BookEntry {
  /** Instant. */
  at: string;
  kind: LoggedKind;
  text: string;
  /** Without who did it; without money where the book tells no costs. */
  facts: Facts;
  pictures: BookPicture[];
}

export interface BookPart {
  what: string;
  number: string;
  quantity: number;
  /** The catalogue that its number was read from. */
  catalogue: string;
  /** Another maker’s part that serves instead, and why. */
  instead: string;
  source: Source;
  fittedOn: Day | null;
  /** What became of the one that it replaced. */
  old: Fate | null;
}

/** In minor units of the shop’s money, tax included. */
export interface BookCosts {
  agreedMinor: number;
  spentMinor: number;
  receivedMinor: number;
  lines: { title: string; agreedMinor: number; spentMinor: number }[];
}

export interface BookFollowUp {
  title: string;
  dueOn: Day | null;
  dueMiles: number | null;
  doneOn: Day | null;
}

export interface Book {
  format: typeof BOOK_FORMAT;
  version: typeof BOOK_VERSION;
  /** Instant. */
  boundAt: string;
  shop: { name: string; currency: string; units: 'imperial' | 'metric'; locale: string; timeZone: string };
  customer: { name: string; email: string };
  build: { number: string; nickname: string; standard: Standard; complaint: string; arrivedAt: string };
  vehicle: {
    name: string;
    year: number | null;
    chassisNumber: string;
    plate: string;
    odometer: number | null;
    odometerUnit: 'mi' | 'km' | 'h';
    evidence: string;
  };
  registers: { [R in Register]: RegisterRows[R][] };
  /** Oldest first. */
  logbook: BookEntry[];
  parts: BookPart[];
  /** Null where the customer wishes none in it. */
  costs: BookCosts | null;
  /** For whoever works on it next. */
  cautions: string[];
  followUps: BookFollowUp[];
}

export const picturesOf = (book: Book): BookPicture[] => book.logbook.flatMap((e) => e.pictures);

/** Where the n-th picture stands in the archive; from 1. */
export const pictureFile = (n: number): string => `pictures/${String(n).padStart(5, '0')}.jpg`;
export const PICTURE_FILE = /^pictures\/\d{5,6}\.jpg$/;

/**
 * What a book that has the right shape says that cannot be: in words, with where it is said. Empty when nothing is.
 *
 * @param files names of the archive’s files
 */
export function faultsOfBook(book: Book, files: ReadonlySet<string>): string[] {
  const faults: string[] = [];
  const seen = new Set<string>();
  book.logbook.forEach((e, i) =>
    e.pictures.forEach(({ file }, j) => {
      const where = `logbook[${i}].pictures[${j}]`;
      if (!files.has(file)) faults.push(`${where}: ${file} is not in the archive`);
      if (seen.has(file)) faults.push(`${where}: ${file} stands there twice`);
      seen.add(file);
    }),
  );
  for (const { file, before } of picturesOf(book))
    if (before !== undefined && (before === file || !seen.has(before)))
      faults.push(
        `${file}: ${before}, which is to show it before the work, is no other picture of the logbook`,
      );
  for (const file of files)
    if (PICTURE_FILE.test(file) && !seen.has(file)) faults.push(`${file}: nothing in the logbook shows it`);
  return faults;
}

type Cell = string | number;
export interface BookTable {
  file: string;
  head: string[];
  rows: Cell[][];
}

const orEmpty = (cell: Cell | null | undefined): Cell => cell ?? '';

/** The same as tables, for a spreadsheet: money in minor units, days and instants as ISO 8601. */
export function bookTables({ logbook, parts, registers, costs, followUps }: Book): BookTable[] {
  return [
    {
      file: 'logbook.csv',
      head: ['at', 'kind', 'text', 'minutes', 'money_minor', 'measures', 'pictures'],
      rows: logbook.map((e) => [
        e.at,
        e.kind,
        e.text,
        orEmpty(e.facts.minutes),
        orEmpty(e.facts.moneyMinor),
        (e.facts.measures ?? []).map((m) => `${m.value} ${m.unit}`).join('; '),
        e.pictures.map((p) => p.file).join(' '),
      ]),
    },
    {
      file: 'parts.csv',
      head: ['what', 'number', 'quantity', 'catalogue', 'instead', 'source', 'fitted_on', 'old_part'],
      rows: parts.map((p) => [
        p.what,
        p.number,
        p.quantity,
        p.catalogue,
        p.instead,
        p.source,
        orEmpty(p.fittedOn),
        orEmpty(p.old),
      ]),
    },
    {
      file: 'provenance.csv',
      head: ['component', 'state', 'evidence', 'earlier_work', 'original_kept'],
      rows: registers.provenance.map((p) => [
        p.component,
        p.state,
        p.evidence,
        p.earlierWork ? 'yes' : 'no',
        p.originalKept,
      ]),
    },
    {
      file: 'follow-ups.csv',
      head: ['title', 'due_on', 'due_miles', 'done_on'],
      rows: followUps.map((f) => [f.title, orEmpty(f.dueOn), orEmpty(f.dueMiles), orEmpty(f.doneOn)]),
    },
    ...(costs === null
      ? []
      : [
          {
            file: 'costs.csv',
            head: ['title', 'agreed_minor', 'spent_minor'],
            rows: costs.lines.map((l): Cell[] => [l.title, l.agreedMinor, l.spentMinor]),
          },
        ]),
  ];
}

/** How large a file is: “340 kB”, “12 MB”. */
export const bytesInWords = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${Math.round(bytes / 1e6)} MB`;
