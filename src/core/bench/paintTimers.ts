/**
 * How long to wait between coats when it is colder or warmer than the product's sheet supposes.
 *
 * Sources. Twice the time for every 10 K: common practice (Arrhenius, rule of thumb); so are its limits. The product's data sheet
 * always wins.
 */
import { inconsistent, judged, numberAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface PaintTimersInput {
  actual_C: number;
  /** At which the sheet gives its times. */
  reference_C?: number | null;
  minProduct_C?: number | null;
  doublingPer_K?: number | null;
  flash_min?: number | null;
  recoatMin_h?: number | null;
  recoatMax_h?: number | null;
  touchDry_h?: number | null;
  cure_h?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { slow: 2, fast: 0.5 };

const TIMES = ['flash_min', 'recoatMin_h', 'recoatMax_h', 'touchDry_h', 'cure_h'] as const;
type Time = (typeof TIMES)[number];

export type PaintTimersResult = Judged & { factor: number } & Record<Time, number | null>;

const MOST = 100_000;

/** How much longer anything takes at a temperature than at that of the sheet. */
export const slowerBy = (actual_C: number, reference_C: number, doublingPer_K = 10): number =>
  2 ** ((reference_C - actual_C) / doublingPer_K);

/** Times of the sheet, for the temperature that it is. */
export function paintTimers(input: PaintTimersInput): PaintTimersResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const actual = numberAt(input.actual_C, 'actual_C', { least: -20, most: 60 });
  const reference = numberAt(input.reference_C, 'reference_C', { least: 0, most: 60, otherwise: 20 });
  const lowest = numberAt(input.minProduct_C, 'minProduct_C', { least: -20, most: 60, otherwise: 10 });
  const doubling = numberAt(input.doublingPer_K, 'doublingPer_K', { least: 5, most: 20, otherwise: 10 });
  const factor = slowerBy(actual, reference, doubling);
  const given = TIMES.map((name) => optionalAt(input[name], name, { least: 0, most: MOST }));
  const [, recoatMin, recoatMax] = given;
  if (typeof recoatMin === 'number' && typeof recoatMax === 'number' && recoatMax < recoatMin)
    throw inconsistent('recoatMax_h', 'it is shorter than the shortest wait');
  const { reasons, say } = reasonList();
  if (actual < lowest - SLACK)
    say(
      'fail',
      'below_product_minimum_no_cure',
      `Below ${lowest} °C it does not cure: these times do not count.`,
    );
  else if (factor > allowed.slow + SLACK)
    say('watch', 'cure_more_than_doubled', `Everything takes ${factor.toFixed(1)} times as long.`);
  if (factor < allowed.fast - SLACK)
    say(
      'watch',
      'recoat_window_halved',
      'The time for another coat is less than half of what the sheet gives.',
    );
  const scaled = Object.fromEntries(
    TIMES.map((name, i) => [name, given[i] === null ? null : given[i]! * factor]),
  );
  return { factor, ...(scaled as Record<Time, number | null>), ...judged(reasons) };
}
