import type { BatchView, PastBatchView, PiecePutDto, PieceView } from '#contract/outwork.ts';
import { expectedBack, type ExpectedBack } from '#core/outwork/expectedBack.ts';
import { thingsInWords, type Treatment } from '#core/outwork/outwork.ts';
import { formatDay, type Day } from '#core/time/days.ts';

/** “4 door hinges, bag 12”. */
export const pieceInWords = (p: Pick<PieceView, 'what' | 'count' | 'bag'>): string =>
  `${thingsInWords(p)}${p.bag === '' ? '' : `, bag ${p.bag}`}`;

/** What was said on the label of a pile. */
export const pileName = (treatment: Treatment | null): string =>
  treatment === null ? 'To be sorted' : `For ${treatment}`;

export const pastOf = (
  past: readonly PastBatchView[],
  vendor: string,
  treatment: Treatment,
): PastBatchView[] => past.filter((b) => b.vendor === vendor.trim() && b.treatment === treatment);

export const expectedOf = (b: BatchView, past: readonly PastBatchView[]): ExpectedBack | null =>
  b.sentOn === null ? null : expectedBack(b.sentOn, b.promised, pastOf(past, b.vendor, b.treatment));

/** “Thu 12 Mar, by Mon 16 Mar in four of five (their last 7 of the kind)”. */
export function expectedInWords(e: ExpectedBack, locale: string, today: Day): string {
  if (e.likely === null) return 'nobody knows: no word, and too few past batches to go by';
  const likely = formatDay(e.likely, locale, today);
  if (e.restsOn === 0) return `${likely}, by their word alone`;
  const late =
    e.late === null || e.late === e.likely ? '' : `, by ${formatDay(e.late, locale, today)} in four of five`;
  return `${likely}${late} (their last ${e.restsOn} of the kind)`;
}

/** What a batch holds up, car by car. */
export function heldUpBy(
  pieces: readonly PieceView[],
): { buildId: string; nickname: string; tasks: string[] }[] {
  const cars = new Map<string, { buildId: string; nickname: string; tasks: string[] }>();
  for (const { buildId, nickname, task } of pieces) {
    const car = cars.get(buildId) ?? { buildId, nickname, tasks: [] };
    if (task !== null && !car.tasks.includes(task)) car.tasks.push(task);
    cars.set(buildId, car);
  }
  return [...cars.values()];
}

/** A piece as it is sent when something of it changes. */
export function bodyOf(piece: PieceView): PiecePutDto {
  const { version, entryId, what, count, bag, note, treatment, taskId } = piece;
  return {
    version,
    entryId,
    what,
    count,
    bag,
    note,
    ...(treatment === null ? {} : { treatment }),
    ...(taskId === null ? {} : { taskId }),
  };
}
