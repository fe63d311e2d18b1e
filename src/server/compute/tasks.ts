/**
 * What may take longer than the thread that answers requests may be held up: it runs in a thread of its own. Arguments and
 * results are copied between threads, so they are plain data.
 */
import { withoutLeaks } from '#core/book/leaks.ts';
import { hideAllPrices } from '#core/capture/hidePrices.ts';
import { COLUMNS, guessColumns, readTable } from '#core/estimate/exchange.ts';
import { guessPartColumns, PART_COLUMNS, readParts } from '#core/parts/exchange.ts';
import type { MoneyManner } from '#core/money/typed.ts';
import { draftLetter } from '#core/update/draft.ts';
import { leaksOf } from '#core/update/leaks.ts';
import { faultOfArchive } from '../features/book/archive.ts';
import { estimatePdf, type PaperOf } from '../features/estimate/estimate.pdf.ts';
import { labelsPdf } from '../features/labels/labels.pdf.ts';
import { manifestPdf, type ManifestOf } from '../features/outwork/manifest.pdf.ts';
import { readCsv, type CsvAsked } from '../http/csv.ts';

export const TASKS = {
  draftLetter,
  leaks: leaksOf,
  bookWithoutLeaks: withoutLeaks,
  hidePrices: hideAllPrices,
  estimateTable: (asked: CsvAsked, manner: MoneyManner) =>
    readCsv(asked, COLUMNS, guessColumns, (rows, columns) => {
      const { lines, faults } = readTable(rows, columns, manner);
      return { read: lines, faults };
    }),
  partsTable: (asked: CsvAsked, manner: MoneyManner) =>
    readCsv(asked, PART_COLUMNS, guessPartColumns, (rows, columns) => {
      const { parts, faults } = readParts(rows, columns, manner);
      return { read: parts, faults };
    }),
  archiveFault: faultOfArchive,
  estimatePaper: (of: PaperOf): Promise<Uint8Array> => estimatePdf(of),
  manifestPaper: (of: ManifestOf): Promise<Uint8Array> => manifestPdf(of),
  labelsPaper: (...of: Parameters<typeof labelsPdf>): Promise<Uint8Array> => labelsPdf(...of),
};

export type Tasks = typeof TASKS;
export type Task = keyof Tasks;
