import type { CellFault } from '#core/exchange/table.ts';

/** Most letters of a table that is brought in: more than any shop keeps in one. */
export const LONGEST_TABLE = 700_000;

/** A table as it was read: looked at, or kept. */
export interface TableView<C extends string> {
  header: string[];
  columns: (C | null)[];
  sample: string[][];
  /** Rows that have something in them. */
  lines: number;
  faults: CellFault<C>[];
  /** Beyond those that are named. */
  moreFaults: number;
  kept: boolean;
}

/** What is sent of a table: its text, what each column is, and whether it is kept. */
export interface TableBody<C extends string> {
  id: string;
  text: string;
  columns?: (C | null)[];
  keep: boolean;
}
