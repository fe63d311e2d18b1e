/** Parts as a table, out and in. */
import {
  guessColumns as guess,
  readRows,
  UNREADABLE,
  type CellFault,
  type Cells,
  type Faulty,
} from '../exchange/table.ts';
import { minorDigits } from '../money/money.ts';
import { moneyTyped, numberTyped, type MoneyManner } from '../money/typed.ts';
import { whyNotSerialRange } from './fits.ts';
import { SOURCES, type Source } from './parts.ts';

/** What may be brought in. */
export const PART_COLUMNS = [
  'what',
  'quantity',
  'number',
  'superseded by',
  'catalogue',
  'fits from',
  'fits to',
  'number from',
  'number to',
  'source',
  'supplier',
  'price',
  'costs',
  'deposit',
  'instead',
  'tried by',
  'note',
] as const;
export type PartColumn = (typeof PART_COLUMNS)[number];

const OTHER_WORDS: Partial<Record<PartColumn, readonly string[]>> = {
  what: ['part', 'item', 'description', 'name', 'needed'],
  quantity: ['qty', 'how many', 'count', 'pieces', 'pcs'],
  number: ['part number', 'part no', 'no', 'ref', 'reference', 'sku'],
  'superseded by': ['supersession', 'new number'],
  catalogue: ['catalog', 'list'],
  'fits from': ['year from', 'from year'],
  'fits to': ['year to', 'to year'],
  'number from': ['serial from', 'from number', 'from serial'],
  'number to': ['serial to', 'to number', 'to serial'],
  costs: ['cost', 'purchase price', 'net cost'],
  instead: ['serves instead', 'alternative'],
  source: ['where from', 'from'],
  supplier: ['vendor', 'seller'],
  price: ['amount', 'total'],
  deposit: ['core', 'surcharge', 'core charge'],
  note: ['notes', 'remark', 'remarks', 'comment'],
};

export interface TablePart {
  what: string;
  quantity: number;
  number: string;
  supersededBy?: string;
  catalogue: string;
  fitsFrom?: number;
  fitsTo?: number;
  serialFrom?: string;
  serialTo?: string;
  source: Source;
  sourceNote: string;
  vendor: string;
  priceMinor?: number;
  costMinor?: number;
  depositMinor?: number;
  instead: string;
  insteadTriedBy?: string;
}

/** What goes out with each part beside what may come in. */
export interface PartRowOut extends TablePart {
  car: string;
  state: string;
  due: string | null;
}

export const guessPartColumns = (header: readonly string[]): (PartColumn | null)[] =>
  guess(PART_COLUMNS, OTHER_WORDS, header);

/** Parts as rows of text, the header first: whose it is and how it stands, then what may come in again. */
export function tableOfParts(parts: readonly PartRowOut[], currency: string): string[][] {
  const digits = minorDigits(currency);
  const money = (minor: number | undefined): string =>
    minor === undefined ? '' : (minor / 10 ** digits).toFixed(digits);
  const rows = parts.map((p) => [
    p.car,
    p.state,
    p.due ?? '',
    p.what,
    String(p.quantity),
    p.number,
    p.supersededBy ?? '',
    p.catalogue,
    String(p.fitsFrom ?? ''),
    String(p.fitsTo ?? ''),
    p.serialFrom ?? '',
    p.serialTo ?? '',
    p.source,
    p.vendor,
    money(p.priceMinor),
    money(p.costMinor),
    money(p.depositMinor),
    p.instead,
    p.insteadTriedBy ?? '',
    p.sourceNote,
  ]);
  return [['car', 'state', 'due', ...PART_COLUMNS], ...rows];
}

const MOST = { quantity: 100_000, major: 1_000_000_000 } as const;
const YEARS = { from: 1880, to: 2100 } as const;
const LONGEST: Partial<Record<PartColumn, number>> = {
  what: 160,
  number: 80,
  'superseded by': 80,
  catalogue: 120,
  'number from': 60,
  'number to': 60,
  instead: 300,
  'tried by': 200,
  supplier: 120,
  note: 200,
};

function partIn(cells: Cells<PartColumn>, manner: MoneyManner, fault: Faulty<PartColumn>): TablePart {
  const whole = (c: PartColumn, from: number, to: number): number | undefined => {
    if (!cells[c]) return undefined;
    const n = numberTyped(cells[c]);
    if (n === null) fault(c, UNREADABLE(cells[c]));
    else if (!Number.isInteger(n) || n < from || n > to) fault(c, `a whole number from ${from} to ${to}`);
    return n ?? undefined;
  };
  const money = (c: PartColumn): number | undefined => {
    if (!cells[c]) return undefined;
    const minor = moneyTyped(cells[c], manner);
    if (minor === null) fault(c, UNREADABLE(cells[c]));
    else if (minor > MOST.major * 10 ** minorDigits(manner.currency))
      fault(c, 'that is too much for one part');
    return minor ?? undefined;
  };
  for (const [c, most] of Object.entries(LONGEST) as [PartColumn, number][])
    if ((cells[c] ?? '').length > most) fault(c, `at most ${most} characters`);
  if (!cells.what) fault('what', 'say what is needed');
  const said = (cells.source ?? 'supplier').toLowerCase();
  const source = SOURCES.find((s) => s === said);
  if (!source) fault('source', `“${cells.source}” is none of ${SOURCES.join(', ')}`);
  const [fitsFrom, fitsTo] = [
    whole('fits from', YEARS.from, YEARS.to),
    whole('fits to', YEARS.from, YEARS.to),
  ];
  if (fitsFrom !== undefined && fitsTo !== undefined && fitsFrom > fitsTo)
    fault('fits to', 'the last year is before the first');
  const { 'number from': serialFrom, 'number to': serialTo, 'tried by': insteadTriedBy } = cells;
  const serials = whyNotSerialRange({ serialFrom: serialFrom || undefined, serialTo: serialTo || undefined });
  if (serials !== null) fault('number to', serials);
  const [priceMinor, costMinor, depositMinor] = [money('price'), money('costs'), money('deposit')];
  return {
    what: cells.what ?? '',
    quantity: whole('quantity', 1, MOST.quantity) ?? 1,
    number: cells.number ?? '',
    catalogue: cells.catalogue ?? '',
    source: source ?? 'supplier',
    sourceNote: cells.note ?? '',
    vendor: cells.supplier ?? '',
    instead: cells.instead ?? '',
    ...(insteadTriedBy ? { insteadTriedBy } : {}),
    ...(serialFrom ? { serialFrom } : {}),
    ...(serialTo ? { serialTo } : {}),
    ...(cells['superseded by'] ? { supersededBy: cells['superseded by'] } : {}),
    ...(fitsFrom === undefined ? {} : { fitsFrom }),
    ...(fitsTo === undefined ? {} : { fitsTo }),
    ...(priceMinor === undefined ? {} : { priceMinor }),
    ...(costMinor === undefined ? {} : { costMinor }),
    ...(depositMinor === undefined ? {} : { depositMinor }),
  };
}

/** Rows of a table as parts, and every cell that does not read. */
export function readParts(
  rows: readonly (readonly string[])[],
  columns: readonly (PartColumn | null)[],
  manner: MoneyManner,
): { parts: TablePart[]; faults: CellFault<PartColumn>[] } {
  const { read, faults } = readRows(rows, columns, (cells, fault) => partIn(cells, manner, fault));
  return { parts: read, faults };
}
