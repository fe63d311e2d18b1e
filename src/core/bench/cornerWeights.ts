/**
 * Corner weights: how a car's weight lies on its four wheels. Pads level, the driver's weight in, fuel as meant, bars off.
 *
 * Sources. Shares by definition; cross is right front with left rear, all tolerances: common practice.
 */
import { inconsistent, isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface CornerWeightsInput {
  lf_kg: number;
  rf_kg: number;
  lr_kg: number;
  rr_kg: number;
  targetCross_pct?: number | null;
  expectedTotal_kg?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface CornerWeightsResult extends Judged {
  total_kg: number;
  front_pct: number;
  left_pct: number;
  cross_pct: number;
  crossError_pct: number;
  /** Above nothing: to be put on the right front and left rear. */
  crossTransfer_kg: number;
  rearLeftBias_kg: number;
}

/** Percent. */

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { crossMarginal_pct: 0.5, crossOff_pct: 1.5, side_pct: 2, total_pct: 2 };

/** Judges the weights of four wheels, as four scales show them. */
export function cornerWeights(input: CornerWeightsInput): CornerWeightsResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const corner = (name: 'lf_kg' | 'rf_kg' | 'lr_kg' | 'rr_kg'): number =>
    numberAt(input[name], name, { least: 0, most: 5000 });
  const [lf, rf, lr, rr] = [corner('lf_kg'), corner('rf_kg'), corner('lr_kg'), corner('rr_kg')];
  const target = numberAt(input.targetCross_pct, 'targetCross_pct', { least: 30, most: 70, otherwise: 50 });
  const expected = isGiven(input.expectedTotal_kg)
    ? numberAt(input.expectedTotal_kg, 'expectedTotal_kg', { above: 0, most: 20_000 })
    : null;
  const total = lf + rf + lr + rr;
  if (total === 0) throw inconsistent('lf_kg', 'nothing stands on the scales');
  const share = (part: number): number => (part / total) * 100;
  const cross = share(rf + lr);
  const error = cross - target;
  const left = share(lf + lr);
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  if ([lf, rf, lr, rr].includes(0)) say('corner_unloaded', 'fail', 'A wheel bears nothing.');
  const text = `Cross is ${cross.toFixed(1)} %; ${target} % are wanted.`;
  if (Math.abs(error) > allowed.crossOff_pct + SLACK) say('cross_weight_off', 'fail', text);
  else if (Math.abs(error) > allowed.crossMarginal_pct + SLACK) say('cross_weight_marginal', 'watch', text);
  if (Math.abs(left - 50) > allowed.side_pct + SLACK)
    say('side_bias', 'watch', `The left bears ${left.toFixed(1)} %.`);
  if (expected !== null && Math.abs(total / expected - 1) * 100 > allowed.total_pct + SLACK)
    say(
      'total_differs_check_scales',
      'watch',
      'Together they are not what the car weighs: look at the scales.',
    );
  return {
    total_kg: total,
    front_pct: share(lf + rf),
    left_pct: left,
    cross_pct: cross,
    crossError_pct: error,
    crossTransfer_kg: (-error / 100) * total,
    rearLeftBias_kg: lr - rr,
    ...judged(reasons),
  };
}
