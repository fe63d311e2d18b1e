/**
 * Pre-charge of a high-voltage bus: how long, how hot the resistor gets, and whether the main contactor may close.
 *
 * Sources. Charging through a resistor, ½CV²: physics. Closing at 95 %, stopping after three times the time, 80 % of what the resistor
 * bears, five seconds, 15 % of the pack ahead of the exponential as a sign of a bridged resistor: common practice; the maker's data win.
 */
import { inconsistent, judged, numberAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface PreChargeInput {
  pack_V: number;
  resistor_ohm: number;
  capacitance_uF: number;
  initialBus_V?: number | null;
  target_pct?: number | null;
  /** What the resistor's sheet lets it take in one pulse. */
  resistorPulse_J?: number | null;
  timeMax_s?: number | null;
  bus_V?: number | null;
  /** Needed with bus_V. */
  elapsed_s?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface PreChargeResult extends Judged {
  tau_s: number;
  t90_s: number;
  t95_s: number;
  t98_s: number;
  t99_s: number;
  tTarget_s: number;
  peakCurrent_A: number;
  peakPower_W: number;
  resistorEnergy_J: number;
  busEnergy_J: number;
  meanPower_W: number;
  closeAllowed: boolean | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { nearEnergy: 0.8, stopAfter: 3, ahead: 0.15 };

/** A bus above the pack by more than this is a meter at fault. */
export const IMPLAUSIBLE_BUS = 1.05;

/** Works a pre-charge out and, with a reading of the bus, says whether to wait, close or stop. */
export function preCharge(input: PreChargeInput): PreChargeResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const V = numberAt(input.pack_V, 'pack_V', { above: 0, most: 1500 });
  const R = numberAt(input.resistor_ohm, 'resistor_ohm', { above: 0, most: 1e6 });
  const C = numberAt(input.capacitance_uF, 'capacitance_uF', { above: 0, most: 1e6 }) * 1e-6;
  const V0 = numberAt(input.initialBus_V, 'initialBus_V', { least: 0, most: 1500, otherwise: 0 });
  const target = numberAt(input.target_pct, 'target_pct', { least: 50, most: 99.9, otherwise: 95 }) / 100;
  const pulse = optionalAt(input.resistorPulse_J, 'resistorPulse_J', { above: 0, most: 1e7 });
  const timeMax = numberAt(input.timeMax_s, 'timeMax_s', { above: 0, most: 600, otherwise: 5 });
  const bus = optionalAt(input.bus_V, 'bus_V', { least: 0, most: 2000 });
  const elapsed = bus === null ? 0 : numberAt(input.elapsed_s, 'elapsed_s', { least: 0, most: 3600 });
  if (V0 > V) throw inconsistent('initialBus_V', 'it is above the pack');
  if (bus !== null && bus > IMPLAUSIBLE_BUS * V + SLACK) throw inconsistent('bus_V', 'it is above the pack');
  const tau = R * C;
  const after = (share: number): number =>
    V0 >= share * V ? 0 : tau * Math.log((V - V0) / (V * (1 - share)));
  const energy = 0.5 * C * (V - V0) ** 2;
  const tTarget = after(target);
  const { reasons, say } = reasonList();
  const heat = `The resistor takes ${energy.toFixed(0)} J; ${pulse ?? 0} J are allowed.`;
  if (pulse !== null && energy > pulse + SLACK) say('fail', 'resistor_energy_exceeded', heat);
  else if (pulse !== null && energy > allowed.nearEnergy * pulse + SLACK)
    say('watch', 'resistor_energy_near_limit', heat);
  if (tTarget > timeMax + SLACK)
    say('watch', 'precharge_slow', `It takes ${tTarget.toFixed(1)} s; ${timeMax} s are wanted.`);
  const isLive = V0 >= target * V - SLACK;
  if (isLive)
    say(
      'fail',
      'bus_live_before',
      'The bus has the pack’s voltage before it is charged: a contactor may be welded. Do not close; open all, and find out why.',
    );
  // What the resistor lets through by then, and what a meter and a clock started by hand may be off.
  const expected = V - (V - V0) * Math.exp(-elapsed / tau);
  const isTooFast = !isLive && bus !== null && bus > expected + allowed.ahead * V + SLACK;
  if (isTooFast)
    say(
      'fail',
      'precharge_too_fast',
      `The bus is at ${bus.toFixed(0)} V; through this resistor it has ${expected.toFixed(0)} V by then. A contactor may be welded or the resistor bridged: do not close; open all, and find out why.`,
    );
  const reached = bus === null ? null : !isLive && !isTooFast && bus >= target * V - SLACK;
  if (isLive || isTooFast) {
    // Said above: waiting for it would be wrong.
  } else if (reached === false && elapsed > allowed.stopAfter * tTarget + SLACK)
    say(
      'fail',
      'precharge_fault_stop',
      'The bus does not rise as it must: stop, open all, and find out why.',
    );
  else if (reached === false)
    say('watch', 'keep_waiting', `The bus is not yet at ${(target * 100).toFixed(1)} %: wait.`);
  return {
    tau_s: tau,
    ...{ t90_s: after(0.9), t95_s: after(0.95), t98_s: after(0.98), t99_s: after(0.99), tTarget_s: tTarget },
    peakCurrent_A: (V - V0) / R,
    peakPower_W: (V - V0) ** 2 / R,
    resistorEnergy_J: energy,
    busEnergy_J: 0.5 * C * V ** 2,
    meanPower_W: tTarget === 0 ? 0 : (energy - 0.5 * C * (V * (1 - target)) ** 2) / tTarget,
    closeAllowed: reached,
    ...judged(reasons),
  };
}
