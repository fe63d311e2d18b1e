/**
 * Pressure in a brake or clutch line, and what another master cylinder does to it.
 *
 * Sources. Pascal's law, the lever (physics). A pedal force of 500 N: UNECE R13-H (published; from memory). 140 bar: common practice.
 */
import { isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface LinePressureInput {
  pedalForce_N: number;
  pedalRatio: number;
  masterBore_mm: number;
  booster_ratio?: number | null;
  newMasterBore_mm?: number | null;
  maxPressure_bar?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface LinePressureResult extends Judged {
  masterArea_mm2: number;
  rodForce_N: number;
  pressure_MPa: number;
  pressure_bar: number;
  pressure_psi: number;
  newPressure_bar: number | null;
  pressureChange_pct: number | null;
  travelChange_pct: number | null;
  /** For the same pressure. */
  newPedalForce_N: number | null;
}

/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = { near: 0.85, heavy_N: 500 };

const BAR_PER_MPA = 10;
const PSI_PER_MPA = 1000 / 6.894757293168361;

/** Works out the pressure that a foot makes. A smaller bore gives more of it, and a longer pedal. */
export function linePressure(input: LinePressureInput): LinePressureResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const force = numberAt(input.pedalForce_N, 'pedalForce_N', { least: 0, most: 3000 });
  const ratio = numberAt(input.pedalRatio, 'pedalRatio', { least: 1, most: 20 });
  const bore = numberAt(input.masterBore_mm, 'masterBore_mm', { least: 5, most: 80 });
  const booster = numberAt(input.booster_ratio, 'booster_ratio', { least: 1, most: 15, otherwise: 1 });
  const other = isGiven(input.newMasterBore_mm)
    ? numberAt(input.newMasterBore_mm, 'newMasterBore_mm', { least: 5, most: 80 })
    : null;
  const most = numberAt(input.maxPressure_bar, 'maxPressure_bar', { above: 0, most: 1000, otherwise: 140 });
  const area = (Math.PI / 4) * bore ** 2;
  const rod = force * ratio * booster;
  const pressure = rod / area;
  const bar = pressure * BAR_PER_MPA;
  const k = other === null ? null : (bore / other) ** 2;
  const change = k === null ? null : (k - 1) * 100;
  const newForce = k === null ? null : force / k;
  const judgedBar = k === null ? bar : bar * k;
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  if (force === 0) say('no_pedal_force', 'watch', 'Nobody presses the pedal.');
  const text = `It makes ${judgedBar.toFixed(0)} bar; ${most} are allowed.`;
  if (judgedBar > most + SLACK) say('pressure_over_limit', 'fail', text);
  else if (judgedBar > allowed.near * most + SLACK) say('pressure_near_limit', 'watch', text);
  if (newForce !== null && newForce > allowed.heavy_N + SLACK)
    say('pedal_force_over_500N', 'watch', `For the same pressure it takes ${newForce.toFixed(0)} N.`);
  return {
    masterArea_mm2: area,
    rodForce_N: rod,
    pressure_MPa: pressure,
    pressure_bar: bar,
    pressure_psi: pressure * PSI_PER_MPA,
    newPressure_bar: k === null ? null : bar * k,
    pressureChange_pct: change,
    travelChange_pct: change,
    newPedalForce_N: newForce,
    ...judged(reasons),
  };
}
