/**
 * How long blasted steel may stand before its primer.
 *
 * Sources. 8, 4 and 2 hours by humidity, three quarters as a warning: common practice; the product's data sheet always wins.
 */
import { judged, numberAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface BlastToPrimeInput {
  hoursSinceBlast_h: number;
  rh_pct: number;
  bloomSeen?: boolean | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface BlastToPrimeResult extends Judged {
  limit_h: number;
  remaining_h: number;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { dry_h: 8, damp_h: 4, humid_h: 2, near: 0.75 };

/** Hours that are left for the primer. */
export function blastToPrime(input: BlastToPrimeInput): BlastToPrimeResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const hours = numberAt(input.hoursSinceBlast_h, 'hoursSinceBlast_h', { least: 0, most: 10_000 });
  const rh = numberAt(input.rh_pct, 'rh_pct', { least: 0, most: 100 });
  const limit =
    rh <= 50 + SLACK
      ? allowed.dry_h
      : rh <= 70 + SLACK
        ? allowed.damp_h
        : rh <= 85 + SLACK
          ? allowed.humid_h
          : 0;
  const { reasons, say } = reasonList();
  const so = `${hours.toFixed(1)} h since it was blasted; ${limit} h are allowed at ${rh.toFixed(0)} %.`;
  if (input.bloomSeen === true) say('fail', 'flash_rust_seen', 'Rust bloom was seen: blast it again.');
  if (limit === 0)
    say('fail', 'humidity_too_high', `At ${rh.toFixed(0)} % humidity blasted steel may not stand.`);
  else if (hours > limit + SLACK) say('fail', 'deadline_passed', so);
  else if (hours > allowed.near * limit + SLACK) say('watch', 'deadline_near', so);
  return { limit_h: limit, remaining_h: limit - hours, ...judged(reasons) };
}
