/**
 * Isolation of a high-voltage system from the body.
 *
 * Sources. 60 V DC and 30 V AC, 100 and 500 Ω/V, method with a voltmeter: UNECE R100 rev. 2/3, ISO 6469-3 (published; number of the annex
 * from memory). Twice the limit as a warning, 5 % between voltages: common practice.
 */
import { choiceAt, inconsistent, judged, numberAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface IsolationInput {
  workingVoltage_V: number;
  bus: 'dc' | 'ac' | 'combined';
  method: 'direct' | 'voltmeter';
  /** Direct. */
  rPos_ohm?: number | null;
  rNeg_ohm?: number | null;
  /** By voltmeter: each side against the body, then the larger with a known resistor across it. */
  vNeg_V?: number | null;
  vPos_V?: number | null;
  vPrime_V?: number | null;
  r0_ohm?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface IsolationResult extends Judged {
  isolation_ohm: number;
  ohmsPerVolt: number;
  limit_ohmsPerVolt: number;
  hazardous: boolean;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { marginal: 2, sum_pct: 5 };

const LIMIT = { dc: 100, ac: 500, combined: 500 };
const HAZARDOUS = { dc: 60, ac: 30, combined: 60 };

/** Judges resistance to the body, in ohms for every volt. */
export function isolation(input: IsolationInput): IsolationResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const V = numberAt(input.workingVoltage_V, 'workingVoltage_V', { above: 0, most: 2000 });
  const bus = choiceAt(input.bus, 'bus', ['dc', 'ac', 'combined']);
  const method = choiceAt(input.method, 'method', ['direct', 'voltmeter']);
  const at = (name: 'rPos_ohm' | 'rNeg_ohm' | 'vNeg_V' | 'vPos_V', most: number): number =>
    numberAt(input[name], name, { least: 0, most });
  const { reasons, say } = reasonList();
  let resistance: number;
  if (method === 'direct') resistance = Math.min(at('rPos_ohm', 1e12), at('rNeg_ohm', 1e12));
  else {
    const [vNeg, vPos] = [at('vNeg_V', 2000), at('vPos_V', 2000)];
    const vPrime = numberAt(input.vPrime_V, 'vPrime_V', { above: 0, most: 2000 });
    const r0 = numberAt(input.r0_ohm, 'r0_ohm', { above: 0, most: 1e9 });
    const higher = Math.max(vNeg, vPos);
    if (vPrime > higher)
      throw inconsistent('vPrime_V', 'it cannot be above what it was without the resistor');
    resistance = r0 * V * (1 / vPrime - 1 / higher);
    if (Math.abs(vNeg + vPos - V) > (allowed.sum_pct / 100) * V + SLACK)
      say(
        'watch',
        'voltages_do_not_add_up',
        'Both sides together are not the working voltage: measure again.',
      );
  }
  const perVolt = resistance / V;
  const so = `${perVolt.toFixed(0)} Ω for every volt; at least ${LIMIT[bus]} are wanted.`;
  if (perVolt < LIMIT[bus] - SLACK) say('fail', 'isolation_too_low', so);
  else if (perVolt < allowed.marginal * LIMIT[bus] - SLACK) say('watch', 'isolation_marginal', so);
  return {
    isolation_ohm: resistance,
    ohmsPerVolt: perVolt,
    limit_ohmsPerVolt: LIMIT[bus],
    hazardous: V > HAZARDOUS[bus] + SLACK,
    ...judged(reasons),
  };
}
