/** Tables as CSV: out for a spreadsheet, and in, looked at first, then kept whole or not at all. */
import { parse, CsvError } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import type { TableBody, TableView } from '#contract/table.ts';
import type { CellFault } from '#core/exchange/table.ts';
import type { OutFile } from './outFile.ts';
import { Refusal } from './refusal.ts';

/** Rows shown before anything is kept. */
const SAMPLE = 5;
/** Faults named at once; a table with more is the wrong table. */
const MOST_FAULTS = 50;

/** Cells that look like formulas are guarded. */
export const csvFile = (name: string, table: string[][]): OutFile => ({
  name,
  type: 'text/csv; charset=utf-8',
  body: stringify(table, { bom: true, escape_formulas: true, record_delimiter: 'windows' }),
});

/** Spreadsheets of many countries separate by semicolons; the mark that splits the first row most is it. */
function delimiterOf(text: string): string {
  const first = text.split(/\r?\n/, 1)[0] ?? '';
  const count = (mark: string): number => first.split(mark).length;
  return [',', ';', '\t'].reduce((best, mark) => (count(mark) > count(best) ? mark : best));
}

/** Why a table does not read at all. Plain data: it is read in a thread of its own. */
interface Unreadable {
  detail: string;
  field: string;
  reason: string;
}

function rowsOf(text: string): string[][] | Unreadable {
  try {
    return parse(text, {
      bom: true,
      delimiter: delimiterOf(text),
      relax_column_count: true,
      skip_empty_lines: false,
      max_record_size: 100_000,
    });
  } catch (error) {
    if (!(error instanceof CsvError)) throw error;
    const at = typeof error.lines === 'number' ? ` near row ${error.lines}` : '';
    return {
      detail: `This is no readable CSV${at}: a quote is not closed, or a cell is too long.`,
      field: 'text',
      reason: `not readable as CSV${at}`,
    };
  }
}

function columnsOf<C extends string>(
  header: readonly string[],
  given: TableBody<C>['columns'],
  known: readonly C[],
  guess: (header: readonly string[]) => (C | null)[],
): (C | null)[] | Unreadable {
  if (!given) return guess(header);
  const columns = header
    .map((_, i) => given[i] ?? null)
    .map((c) => (c !== null && known.includes(c) ? c : null));
  const twice = columns.find((c, i) => c !== null && columns.indexOf(c) !== i);
  if (twice)
    return {
      detail: `“${twice}” is given to two columns.`,
      field: 'columns',
      reason: `“${twice}” is given twice`,
    };
  return columns;
}

export type CsvAsked<C extends string = string> = Pick<TableBody<C>, 'text' | 'columns'>;

/** A table as it was read: what its columns are, its first rows as they stand, and what all of them mean. */
interface TableRead<C extends string, T> {
  header: string[];
  columns: (C | null)[];
  sample: string[][];
  read: T[];
  faults: CellFault<C>[];
}

/** Reads a table. Pure, and as slow as the table is long. */
export function readCsv<C extends string, T>(
  { text, columns: given }: CsvAsked,
  known: readonly C[],
  guess: (header: readonly string[]) => (C | null)[],
  read: (
    rows: readonly string[][],
    columns: readonly (C | null)[],
  ) => Pick<TableRead<C, T>, 'read' | 'faults'>,
): TableRead<C, T> | Unreadable {
  const all = rowsOf(text);
  if ('reason' in all) return all;
  const [header = [], ...rows] = all;
  const columns = columnsOf(header, given as (C | null)[] | undefined, known, guess);
  if ('reason' in columns) return columns;
  return { header, columns, sample: rows.slice(0, SAMPLE), ...read(rows, columns) };
}

/** Keeps what was read, if it is to be kept and every row reads; says what it is otherwise. */
export async function settleTable<C extends string, T>(
  { keep }: TableBody<C>,
  table: TableRead<C, T> | Unreadable,
  needed: C,
  keepAll: (read: T[]) => Promise<unknown>,
): Promise<TableView<C>> {
  if ('reason' in table)
    throw new Refusal('invalid', table.detail, { fields: [{ field: table.field, reason: table.reason }] });
  const { header, columns, sample, read, faults } = table;
  const named = faults.slice(0, MOST_FAULTS);
  const ready = faults.length === 0 && read.length > 0 && columns.includes(needed);
  if (keep && !ready)
    throw new Refusal('invalid', 'Some rows do not read. Nothing was kept.', {
      fields: named.map((f) => ({ field: `row ${f.row}, ${f.column}`, reason: f.reason })),
    });
  if (keep) await keepAll(read);
  return {
    header,
    columns,
    sample,
    lines: read.length,
    faults: named,
    moreFaults: faults.length - named.length,
    kept: keep,
  };
}
