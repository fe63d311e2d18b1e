/**
 * Ride height at four corners, side against side and against what is asked for.
 *
 * Source. All tolerances: common practice.
 */
import { isGiven, judged, numberAt, SLACK, type Judged, type Reason } from './input.ts';

export interface RideHeightInput {
  lf_mm: number;
  rf_mm: number;
  lr_mm: number;
  rr_mm: number;
  specFront_mm?: number | null;
  specRear_mm?: number | null;
  sideTolerance_mm?: number | null;
  specTolerance_mm?: number | null;
}

export interface RideHeightResult extends Judged {
  frontDifference_mm: number;
  rearDifference_mm: number;
  frontMean_mm: number;
  rearMean_mm: number;
  rake_mm: number;
  frontError_mm: number | null;
  rearError_mm: number | null;
}

/** Judges the heights of four corners. */
export function rideHeight(input: RideHeightInput): RideHeightResult {
  const height = (name: 'lf_mm' | 'rf_mm' | 'lr_mm' | 'rr_mm'): number =>
    numberAt(input[name], name, { above: 0, most: 2000 });
  const [lf, rf, lr, rr] = [height('lf_mm'), height('rf_mm'), height('lr_mm'), height('rr_mm')];
  const spec = (name: 'specFront_mm' | 'specRear_mm'): number | null =>
    isGiven(input[name]) ? numberAt(input[name], name, { above: 0, most: 2000 }) : null;
  const [specFront, specRear] = [spec('specFront_mm'), spec('specRear_mm')];
  const side = numberAt(input.sideTolerance_mm, 'sideTolerance_mm', { least: 0, most: 500, otherwise: 6 });
  const within = numberAt(input.specTolerance_mm, 'specTolerance_mm', { least: 0, most: 500, otherwise: 10 });
  const [front, rear] = [lf - rf, lr - rr];
  const [frontMean, rearMean] = [(lf + rf) / 2, (lr + rr) / 2];
  const frontError = specFront === null ? null : frontMean - specFront;
  const rearError = specRear === null ? null : rearMean - specRear;
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  for (const [axle, difference] of [
    ['front', front],
    ['rear', rear],
  ] as const)
    // prettier-ignore
    if (Math.abs(difference) > side + SLACK)
      say(
        `${axle}_side_difference`,
        Math.abs(difference) > 2 * side + SLACK ? 'fail' : 'watch',
        `At the ${axle} the sides differ by ${Math.abs(difference).toFixed(0)} mm; ${side} mm are allowed.`,
      );
  if (front * rear < 0 && Math.abs(front) > side + SLACK && Math.abs(rear) > side + SLACK)
    say(
      'opposite_lean_check_frame_twist',
      'watch',
      'Front and rear lean to other sides: look for a twisted frame.',
    );
  for (const [axle, error] of [
    ['front', frontError],
    ['rear', rearError],
  ] as const)
    // prettier-ignore
    if (error !== null && Math.abs(error) > within + SLACK)
      say(`${axle}_height_out_of_spec`, 'fail', `The ${axle} is ${error.toFixed(0)} mm off what is asked for.`);
  return {
    frontDifference_mm: front,
    rearDifference_mm: rear,
    frontMean_mm: frontMean,
    rearMean_mm: rearMean,
    rake_mm: rearMean - frontMean,
    frontError_mm: frontError,
    rearError_mm: rearError,
    ...judged(reasons),
  };
}
