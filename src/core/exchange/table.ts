/** Tables that come from spreadsheets: which column is which, how a cell reads, and what is wrong, row by row. */

const plain = (header: string): string =>
  header
    .toLowerCase()
    .replace(/[_.\-:()]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Which column each header means, by its name or other words for it; a column is given once. */
export function guessColumns<C extends string>(
  columns: readonly C[],
  otherWords: Partial<Record<C, readonly string[]>>,
  header: readonly string[],
): (C | null)[] {
  const free = new Set<C>(columns);
  const take = (fits: (c: C, word: string) => boolean) => (word: string) => {
    const found = [...free].find((c) => fits(c, word)) ?? null;
    if (found) free.delete(found);
    return found;
  };
  const words = header.map(plain);
  const exact = words.map(take((c, w) => c === w));
  const loose = take((c, w) => otherWords[c]?.includes(w) ?? false);
  return exact.map((c, i) => c ?? loose(words[i]!));
}

export interface CellFault<C extends string> {
  /** As a spreadsheet counts: the header is row 1. */
  row: number;
  column: C;
  reason: string;
}

/** What is said of a cell that should be a number. */
export const UNREADABLE = (cell: string): string =>
  `“${cell}” is no number, or can be read two ways; write it as in 1234.50`;

/** A spreadsheet's guard in front of a cell that looks like a formula is not part of the words. */
const words = (cell: string): string => cell.replace(/^'(?=[=+\-@])/, '').trim();

export type Cells<C extends string> = Partial<Record<C, string>>;
export type Faulty<C extends string> = (column: C, reason: string) => void;

/**
 * Rows as what they mean, and every cell that does not read. `columns` says what each cell of a row is; null is left
 * out. Rows without a word in any used column are passed over.
 */
export function readRows<C extends string, T>(
  rows: readonly (readonly string[])[],
  columns: readonly (C | null)[],
  read: (cells: Cells<C>, fault: Faulty<C>) => T,
): { read: T[]; faults: CellFault<C>[] } {
  const faults: CellFault<C>[] = [];
  const made = rows.flatMap((row, i): T[] => {
    const cells: Cells<C> = {};
    columns.forEach((c, k) => {
      const cell = words(row[k] ?? '');
      if (c !== null && cell !== '') cells[c] = cell;
    });
    if (Object.keys(cells).length === 0) return [];
    return [read(cells, (column, reason) => faults.push({ row: i + 2, column, reason }))];
  });
  return { read: made, faults };
}
