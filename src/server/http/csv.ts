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

function rowsOf(text: string): string[][] {
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
    throw new Refusal(
      'invalid',
      `This is no readable CSV${at}: a quote is not closed, or a cell is too long.`,
      {
        fields: [{ field: 'text', reason: `not readable as CSV${at}` }],
      },
    );
  }
}

function columnsOf<C extends string>(
  header: readonly string[],
  given: TableBody<C>['columns'],
  known: readonly C[],
  guess: (header: readonly string[]) => (C | null)[],
): (C | null)[] {
  if (!given) return guess(header);
  const columns = header
    .map((_, i) => given[i] ?? null)
    .map((c) => (c !== null && known.includes(c) ? c : null));
  const twice = columns.find((c, i) => c !== null && columns.indexOf(c) !== i);
  if (twice)
    throw new Refusal('invalid', `“${twice}” is given to two columns.`, {
      fields: [{ field: 'columns', reason: `“${twice}” is given twice` }],
    });
  return columns;
}

/** A table that was sent, with what each of its columns is; `settle` keeps it, if it is to be kept and every row reads. */
export function openTable<C extends string>(
  dto: TableBody<C>,
  known: readonly C[],
  guess: (header: readonly string[]) => (C | null)[],
) {
  const [header = [], ...rows] = rowsOf(dto.text);
  const columns = columnsOf(header, dto.columns, known, guess);
  const settle = async (
    { keep }: TableBody<C>,
    read: { count: number; faults: CellFault<C>[]; needed: C },
    keepAll: () => Promise<unknown>,
  ): Promise<TableView<C>> => {
    const { count, faults, needed } = read;
    const named = faults.slice(0, MOST_FAULTS);
    const ready = faults.length === 0 && count > 0 && columns.includes(needed);
    if (keep && !ready)
      throw new Refusal('invalid', 'Some rows do not read. Nothing was kept.', {
        fields: named.map((f) => ({ field: `row ${f.row}, ${f.column}`, reason: f.reason })),
      });
    if (keep) await keepAll();
    return {
      header,
      columns,
      sample: rows.slice(0, SAMPLE),
      lines: count,
      faults: named,
      moreFaults: faults.length - named.length,
      kept: keep,
    };
  };
  return { rows, columns, settle };
}
