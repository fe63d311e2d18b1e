/**
 * Another tyre size: what it does to height and speedometer.
 *
 * Sources. Speedometer: UNECE R39, 5.3 (published). Limits of 1.5 and 3 %: common practice.
 */
import { judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore
import { tyreAt } from './tyreSize.ts';

export interface TyreChangeInput {
  fitted: string;
  proposed: string;
  indicated_kmh?: number | null;
  trueWithFitted_kmh?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface TyreChangeResult extends Judged {
  ratio: number;
  change_pct: number;
  odChange_mm: number;
  rideHeightChange_mm: number;
  trueWithProposed_kmh: number;
  /** Above nothing: the speedometer shows too much. */
  speedoError_pct: number;
  odometerFactor: number;
}

/** Percent (common practice). */
/** Common practice; a shop may put its own in their place. */
export const LIMITS = { watch_pct: 1.5, fail_pct: 3 };

/** UNECE R39, 5.3: a tenth and four kilometres an hour. */
const R39 = { share: 0.1, more_kmh: 4 };
const SAME_RIM_MM = 0.5;

/** What another size does to height and speedometer. */
export function tyreChange(input: TyreChangeInput): TyreChangeResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const fitted = tyreAt(input.fitted, 'fitted');
  const proposed = tyreAt(input.proposed, 'proposed');
  const speed = (name: 'indicated_kmh' | 'trueWithFitted_kmh', otherwise: number): number =>
    numberAt(input[name], name, { above: 0, most: 1000, otherwise });
  const indicated = speed('indicated_kmh', 100);
  const trueBefore = speed('trueWithFitted_kmh', indicated);
  const ratio = proposed.od_mm / fitted.od_mm;
  const change = (ratio - 1) * 100;
  const trueNow = trueBefore * ratio;
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  const by = `It is ${Math.abs(change).toFixed(1)} % ${change > 0 ? 'taller' : 'lower'}.`;
  if (Math.abs(change) > allowed.fail_pct + SLACK) say('diameter_change_over_3pct', 'fail', by);
  else if (Math.abs(change) > allowed.watch_pct + SLACK) say('diameter_change_over_1_5pct', 'watch', by);
  if (indicated < trueNow - SLACK)
    say(
      'speedo_under_reads',
      'watch',
      `At ${indicated.toFixed(0)} shown it goes ${trueNow.toFixed(1)} km/h.`,
    );
  if (indicated - trueNow > R39.share * trueNow + R39.more_kmh + SLACK)
    say('speedo_over_reads_beyond_R39', 'watch', 'The speedometer shows more than the regulation allows.');
  if (fitted.approximate || proposed.approximate)
    say('approximate_size', 'watch', 'A size states no height: measure the real tyre.');
  if (Math.abs(fitted.rim_mm - proposed.rim_mm) > SAME_RIM_MM + SLACK)
    say('different_rim_diameter', 'watch', 'It is for a rim of another diameter.');
  const odChange_mm = proposed.od_mm - fitted.od_mm;
  return {
    ratio,
    change_pct: change,
    odChange_mm,
    rideHeightChange_mm: odChange_mm / 2,
    trueWithProposed_kmh: trueNow,
    speedoError_pct: ((indicated - trueNow) / trueNow) * 100,
    odometerFactor: ratio,
    ...judged(reasons),
  };
}
