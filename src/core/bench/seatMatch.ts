/**
 * Bead and seat of a tyre and a wheel.
 *
 * Source. Compatible bead seats: 29 CFR 1910.177 (published; paragraph from memory).
 */
import { MM_PER_IN } from './exact.ts';
import { judged, numberAt, SLACK, type Judged, type Reason } from './input.ts';
import { tyreAt } from './tyreSize.ts';

const SAME_RIM_MM = 0.5;

export interface SeatMatchInput {
  tyre: string;
  wheelRim_in: number;
}

export interface SeatMatchResult extends Judged {
  tyreSeat_in: number;
  wheelSeat_in: number;
  difference_mm: number;
  doNotMount: boolean;
}

/** Whether a tyre’s bead and a wheel’s seat are of one diameter. They must be: a bead that does not fit can break while it is inflated. */
export function seatMatch({ tyre, wheelRim_in }: SeatMatchInput): SeatMatchResult {
  const { rim_in } = tyreAt(tyre, 'tyre');
  const wheel = numberAt(wheelRim_in, 'wheelRim_in', { least: 8, most: 30 });
  const difference_mm = (rim_in - wheel) * MM_PER_IN;
  const doNotMount = Math.abs(difference_mm) > SAME_RIM_MM + SLACK;
  const isTaper = [rim_in, wheel].some((r) => Math.abs(r - 16) < SLACK) && [rim_in, wheel].some((r) => Math.abs(r - 16.5) < SLACK); // prettier-ignore
  const reasons: Reason[] = doNotMount
    ? [
        {
          code: isTaper ? 'seat_16_vs_16_5' : 'seat_mismatch',
          level: 'fail',
          text: 'Do not mount it: the bead does not belong on this seat, and can break while it is inflated.',
        },
      ]
    : [];
  return { tyreSeat_in: rim_in, wheelSeat_in: wheel, difference_mm, doNotMount, ...judged(reasons) };
}
