/**
 * Parasitic drain: how long a battery lasts in a car that stands.
 *
 * Source. Limits of 50 and 100 mA, half of the charge kept, 5 % of self-discharge a month: common practice.
 */
import { judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface ParasiticDrainInput {
  drain_mA: number;
  capacity_Ah: number;
  stateOfCharge_pct?: number | null;
  minimumCharge_pct?: number | null;
  selfDischarge_pct_per_month?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface ParasiticDrainResult extends Judged {
  perDay_Ah: number;
  usable_Ah: number;
  days: number | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { raised_mA: 50, high_mA: 100 };

const DAYS_A_MONTH = 30;

/** Works out the days until a battery is down to what it must keep. */
export function parasiticDrain(input: ParasiticDrainInput): ParasiticDrainResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const at = (name: keyof ParasiticDrainInput, most: number, otherwise?: number): number =>
    numberAt(input[name], name, { least: 0, most, otherwise });
  const drain = at('drain_mA', 100_000);
  const capacity = at('capacity_Ah', 10_000);
  const charge = at('stateOfCharge_pct', 100, 100);
  const least = at('minimumCharge_pct', 100, 50);
  const self = at('selfDischarge_pct_per_month', 100, 5);
  const perDay_Ah = (drain * 24) / 1000 + (capacity * self) / 100 / DAYS_A_MONTH;
  const usable_Ah = Math.max(0, (capacity * (charge - least)) / 100);
  const reasons: Reason[] = [];
  const text = `It draws ${drain.toFixed(0)} mA while it stands.`;
  if (drain > allowed.high_mA + SLACK) reasons.push({ code: 'drain_high', level: 'fail', text });
  else if (drain > allowed.raised_mA + SLACK) reasons.push({ code: 'drain_raised', level: 'watch', text });
  if (usable_Ah === 0)
    reasons.push({
      code: 'already_at_minimum',
      level: 'watch',
      text: 'The battery is down to what it must keep.',
    });
  return { perDay_Ah, usable_Ah, days: perDay_Ah === 0 ? null : usable_Ah / perDay_Ah, ...judged(reasons) };
}
