/** Lines of an estimate as a table, out and in: what each column is, how its cells read, and what is wrong, row by row. */
import { CLASSES, type LineClass } from '../log/kinds.ts';
import { minorDigits } from '../money/money.ts';
import { moneyTyped, numberTyped, type MoneyManner } from '../money/typed.ts';
import {
  guessColumns as guess,
  readRows,
  UNREADABLE,
  type CellFault,
  type Cells as CellsOf,
  type Faulty as FaultyAt,
} from '../exchange/table.ts';
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

/** Which column each header means, as far as its words tell. */
export const guessColumns = (header: readonly string[]): (Column | null)[] =>
  guess(COLUMNS, OTHER_WORDS, header);

const MOST_HOURS = 10_000;
const MOST_MAJOR = 1_000_000_000;
const WORDS_LIMIT = { title: 160, why: 1000 } as const;

type Cells = CellsOf<Column>;
type Faulty = FaultyAt<Column>;

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

function lineIn(cells: Cells, manner: MoneyManner, fault: Faulty): TableLine {
  const bounded = (c: Column, n: number | null, most: number): number | null => {
    const why =
      n === null || n < 0 ? UNREADABLE(cells[c] ?? '') : n > most ? 'that is too much for one line' : null;
    if (why !== null) fault(c, why);
    return why === null ? n : null;
  };
  const hours = (c: Column): number | null => {
    const n = bounded(c, numberTyped(cells[c] ?? ''), MOST_HOURS);
    return n === null ? null : Math.round(n * 60);
  };
  const money = (c: Column): number | null =>
    bounded(c, moneyTyped(cells[c] ?? '', manner), MOST_MAJOR * 10 ** minorDigits(manner.currency));
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

/** Rows of a table as lines, and every cell that does not read. */
export function readTable(
  rows: readonly (readonly string[])[],
  columns: readonly (Column | null)[],
  manner: MoneyManner,
): { lines: TableLine[]; faults: CellFault<Column>[] } {
  const { read, faults } = readRows(rows, columns, (cells, fault) => lineIn(cells, manner, fault));
  return { lines: read, faults };
}
