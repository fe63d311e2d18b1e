/** When a batch comes back: not only what was promised, but what that vendor's own past batches of the process say. */
import { groupBy } from '../lists/groupBy.ts';
import { addDays, daysBetween, type Day } from '../time/days.ts';

/** A batch that went and came back whole. */
export interface PastBatch {
  sentOn: Day;
  backOn: Day;
}

/**
 * Fewer past batches than this say nothing of the next. Common practice: with three, the median is one that happened, with
 * as many before as after.
 */
export const LEAST_PAST = 3;

export interface ExpectedBack {
  /** Half of such batches were back by this day. Null where nothing is known at all. */
  likely: Day | null;
  /** Eight of ten were back by this day; null unless it rests on past batches. */
  late: Day | null;
  /** How many past batches it rests on; 0 where it is only the vendor's word. */
  restsOn: number;
}

/**
 * Quantile by linear interpolation between order statistics: definition 7 of Hyndman and Fan, "Sample quantiles in
 * statistical packages", The American Statistician 50 (1996) 361–365.
 *
 * @param sorted ascending, at least one
 * @param p 0 to 1
 */
export function quantile(sorted: readonly number[], p: number): number {
  const at = (sorted.length - 1) * p;
  const low = Math.floor(at);
  const [a, b] = [sorted[low]!, sorted[Math.min(low + 1, sorted.length - 1)]!];
  return a + (at - low) * (b - a);
}

/** Days that past batches were out, rounded up to whole ones: a batch that is back at noon is back that day. */
export function daysOut(past: readonly PastBatch[]): { median: number; p80: number } | null {
  if (past.length < LEAST_PAST) return null;
  const days = past.map((b) => daysBetween(b.sentOn, b.backOn)).sort((a, b) => a - b);
  return { median: Math.ceil(quantile(days, 0.5)), p80: Math.ceil(quantile(days, 0.8)) };
}

const later = (a: Day, b: Day | null): Day => (b !== null && b > a ? b : a);

/**
 * From the vendor's own past batches of this process; with too few of them, the vendor's word; else nothing. What they
 * promise counts where it is later than their past says: it is never back before they themselves say so.
 */
export function expectedBack(sentOn: Day, promised: Day | null, past: readonly PastBatch[]): ExpectedBack {
  const days = daysOut(past);
  if (!days) return { likely: promised, late: null, restsOn: 0 };
  return {
    likely: later(addDays(sentOn, days.median), promised),
    late: later(addDays(sentOn, days.p80), promised),
    restsOn: past.length,
  };
}

/** What a piece of a batch is wanted for. */
export interface WantedFor {
  nickname: string;
  /** The task that cannot be begun without it; null where none was named. */
  task: string | null;
  promised: Day | null;
}

export interface SendChoice {
  sendOn: Day;
  back: ExpectedBack;
  /** What stands until then, by car; `afterPromise` where that is later than the car was promised. */
  holdsUp: { nickname: string; tasks: string[]; afterPromise: boolean }[];
}

/** What it holds up to send a batch on a day. */
export function ifSentOn(
  sendOn: Day,
  vendorDays: number | null,
  past: readonly PastBatch[],
  wanted: readonly WantedFor[],
): SendChoice {
  const back = expectedBack(sendOn, vendorDays === null ? null : addDays(sendOn, vendorDays), past);
  const byCar = groupBy(wanted, (w) => w.nickname);
  const holdsUp = [...byCar].map(([nickname, of]) => ({
    nickname,
    tasks: [...new Set(of.flatMap((w) => w.task ?? []))],
    afterPromise: of.some((w) => w.promised !== null && back.likely !== null && back.likely > w.promised),
  }));
  return { sendOn, back, holdsUp };
}
