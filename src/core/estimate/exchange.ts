/** Lines of an estimate as a table, out and in: what each column is, how its cells read, and what is wrong, row by row. */
import { CLASSES, type LineClass } from '../log/kinds.ts';
import { minorDigits, toMinor } from '../money/money.ts';
import { NOTHING, whyNotThreePoint, WORKS, type EstimateLine, type ThreePoint, type Work } from './lines.ts';

export const COLUMNS = [
  'title',
  'why',
  'class',
  'work',
  'hours low',
  'hours',
  'hours high',
  'parts low',
  'parts',
  'parts high',
  'outwork low',
  'outwork',
  'outwork high',
  'sundries',
  'taken apart',
  'later extra',
] as const;
export type Column = (typeof COLUMNS)[number];

/** Other words that a header may have for a column, in small letters. */
const OTHER_WORDS: Partial<Record<Column, readonly string[]>> = {
  title: ['line', 'item', 'description', 'job', 'what', 'operation', 'task'],
  why: ['reason', 'note', 'notes', 'remark', 'remarks', 'comment'],
  class: ['priority', 'importance'],
  work: ['kind of work', 'trade', 'labour type'],
  hours: ['hrs', 'h', 'time', 'labour', 'labour hours', 'labor', 'labor hours', 'hours likely'],
  'hours low': ['min hours', 'hours min'],
  'hours high': ['max hours', 'hours max'],
  parts: ['price', 'material', 'materials', 'parts likely', 'cost', 'amount'],
  outwork: ['sublet', 'outside work', 'outwork likely'],
  sundries: ['consumables', 'sundry'],
  'taken apart': ['access'],
};

/** What can be brought in and taken out of a line. */
export type TableLine = Omit<EstimateLine, 'id' | 'needs'> & { laterExtraMinor: number };

const twoPlaces = (n: number): string => String(Math.round(n * 100) / 100);

/** The lines as rows of text, the header first. Hours are decimal, money is in major units with a point. */
export function tableOf(lines: readonly TableLine[], currency: string): string[][] {
  const digits = minorDigits(currency);
  const money = (minor: number): string => (minor / 10 ** digits).toFixed(digits);
  const hours = (minutes: number): string => twoPlaces(minutes / 60);
  const three = (p: ThreePoint, as: (n: number) => string): string[] => [as(p.low), as(p.likely), as(p.high)];
  const rows = lines.map((l) => [
    l.title,
    l.why,
    l.class,
    l.work,
    ...three(l.minutes, hours),
    ...three(l.parts, money),
    ...three(l.outwork, money),
    money(l.sundriesMinor),
    l.access.join('; '),
    money(l.laterExtraMinor),
  ]);
  return [[...COLUMNS], ...rows];
}

const plain = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[_.\-:()]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Which column each header means, as far as its words tell; a column is given once. */
export function guessColumns(header: readonly string[]): (Column | null)[] {
  const free = new Set<Column>(COLUMNS);
  const take = (fits: (c: Column, word: string) => boolean) => (word: string) => {
    const found = [...free].find((c) => fits(c, word)) ?? null;
    if (found) free.delete(found);
    return found;
  };
  const words = header.map(plain);
  const exact = words.map(take((c, w) => c === w));
  const loose = take((c, w) => OTHER_WORDS[c]?.includes(w) ?? false);
  return exact.map((c, i) => c ?? loose(words[i]!));
}

export interface CellFault {
  /** As a spreadsheet counts: the header is row 1. */
  row: number;
  column: Column;
  reason: string;
}

/**
 * A number as people and spreadsheets write it: "1,234.56", "1.234,56", "1 234,5", "£46.50". Null where it is none, or
 * where it can be read two ways ("1,234" is a thousand or little more than one). With `places` 3, as currencies of a
 * thousand minor units have, a point before three figures is the decimal one.
 */
export function numberIn(text: string, places = 2): number | null {
  const t = text.replace(/[\s\u00a0\u202f'’]|\p{Sc}/gu, '');
  if (!/^\d[\d.,]*$/.test(t)) return null;
  const marks = t.replace(/\d/g, '');
  const last = t.search(/[.,]\d*$/);
  if (marks === '') return Number(t);
  if (new Set(marks).size === 1) {
    // One kind of mark: several of it are thousands; one of it with three figures behind is either.
    if (marks.length > 1) return /^\d{1,3}(?:[.,]\d{3})+$/.test(t) ? Number(t.replace(/[.,]/g, '')) : null;
    const thousands = /^[1-9]\d{0,2}[.,]\d{3}$/.test(t) && !(places === 3 && marks === '.');
    return thousands ? null : Number(t.replace(',', '.'));
  }
  const [whole, part] = [t.slice(0, last), t.slice(last + 1)];
  return /^\d{1,3}(?:[.,]\d{3})+$/.test(whole) && new Set(whole.replace(/\d/g, '')).size === 1
    ? Number(`${whole.replace(/[.,]/g, '')}.${part}`)
    : null;
}

const MOST_HOURS = 10_000;
const MOST_MAJOR = 1_000_000_000;
const WORDS_LIMIT = { title: 160, why: 1000 } as const;

/** A spreadsheet's guard in front of a cell that looks like a formula is not part of the words. */
const words = (cell: string): string => cell.replace(/^'(?=[=+\-@])/, '').trim();

type Cells = Partial<Record<Column, string>>;
type Faulty = (column: Column, reason: string) => void;

function pointsOf(
  cells: Cells,
  name: 'hours' | 'parts' | 'outwork',
  read: (c: Column) => number | null,
  fault: Faulty,
): ThreePoint {
  const [low, high] = [`${name} low`, `${name} high`] as const;
  if (![low, name, high].some((c) => cells[c])) return NOTHING;
  if (!cells[name]) {
    fault(name, 'the likely one is missing');
    return NOTHING;
  }
  const likely = read(name);
  const of = (c: Column): number | null => (cells[c] ? read(c) : likely);
  const made = { low: of(low), likely, high: of(high) };
  if (made.low === null || made.likely === null || made.high === null) return NOTHING;
  const points = made as ThreePoint;
  const why = whyNotThreePoint(points);
  if (why !== null) fault(name, why);
  return points;
}

function lineIn(cells: Cells, currency: string, fault: Faulty): TableLine {
  const amount = (c: Column, most: number, places?: number): number | null => {
    const n = numberIn(cells[c] ?? '', places);
    const why =
      n === null
        ? `“${cells[c]}” is no number, or can be read two ways; write it as in 1234.50`
        : n > most
          ? 'that is too much for one line'
          : null;
    if (why !== null) fault(c, why);
    return why === null ? n : null;
  };
  const hours = (c: Column): number | null => {
    const n = amount(c, MOST_HOURS);
    return n === null ? null : Math.round(n * 60);
  };
  const money = (c: Column): number | null => {
    const n = amount(c, MOST_MAJOR, minorDigits(currency));
    return n === null ? null : toMinor(n, currency);
  };
  const choice = <T extends string>(c: Column, of: readonly T[], otherwise: T): T => {
    const said = (cells[c] ?? '').toLowerCase();
    if (said === '') return otherwise;
    const found = of.find((o) => o === said);
    if (!found) fault(c, `“${cells[c]}” is none of ${of.join(', ')}`);
    return found ?? otherwise;
  };
  for (const c of ['title', 'why'] as const)
    if ((cells[c] ?? '').length > WORDS_LIMIT[c]) fault(c, `at most ${WORDS_LIMIT[c]} characters`);
  if (!cells.title) fault('title', 'say what is to be done');
  return {
    title: cells.title ?? '',
    why: cells.why ?? '',
    class: choice<LineClass>('class', CLASSES, 'should'),
    work: choice<Work>('work', WORKS, 'mechanical'),
    minutes: pointsOf(cells, 'hours', hours, fault),
    parts: pointsOf(cells, 'parts', money, fault),
    outwork: pointsOf(cells, 'outwork', money, fault),
    sundriesMinor: cells.sundries ? (money('sundries') ?? 0) : 0,
    access: (cells['taken apart'] ?? '')
      .split(/[;|]/)
      .map((a) => a.trim().slice(0, 60))
      .filter((a) => a !== '')
      .slice(0, 12),
    laterExtraMinor: cells['later extra'] ? (money('later extra') ?? 0) : 0,
  };
}

/**
 * Rows of a table as lines, and every cell that does not read. `columns` says what each cell of a row is; null is left
 * out. Rows without a word in any used column are passed over.
 */
export function readTable(
  rows: readonly (readonly string[])[],
  columns: readonly (Column | null)[],
  currency: string,
): { lines: TableLine[]; faults: CellFault[] } {
  const faults: CellFault[] = [];
  const lines = rows.flatMap((row, i): TableLine[] => {
    const cells: Cells = {};
    columns.forEach((c, k) => {
      const cell = words(row[k] ?? '');
      if (c !== null && cell !== '') cells[c] = cell;
    });
    if (Object.keys(cells).length === 0) return [];
    return [lineIn(cells, currency, (column, reason) => faults.push({ row: i + 2, column, reason }))];
  });
  return { lines, faults };
}
