/**
 * Voltage drop along a wire, and the wire that keeps it small. What a wire may carry is the fuse's matter.
 *
 * Sources. Copper 1/58 Ω·mm²/m at 20 °C and 0.00393 a degree: IEC 60028 (published). Gauge sizes: ASTM B258 (published). Metric
 * sizes: ISO 6722, 19642 (published; list from memory). A drop of 3 %: common practice.
 */
import { choiceAt, inconsistent, isGiven, judged, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface VoltageDropInput {
  current_A: number;
  /** One way. */
  length_m: number;
  returnPath?: 'wire' | 'chassis' | null;
  system_V?: number | null;
  maxDrop_pct?: number | null;
  conductor_C?: number | null;
  area_mm2?: number | null;
  /** −3 is 4/0. */
  awg?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface VoltageDropResult extends Judged {
  rho_ohm_mm2_per_m: number;
  requiredArea_mm2: number;
  recommended_mm2: number | null;
  recommendedAwg: number | null;
  area_mm2: number | null;
  resistance_ohm: number | null;
  drop_V: number | null;
  drop_pct: number | null;
  loss_W: number | null;
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { near: 0.8 };

const AREAS_MM2 = [0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120];
const GAUGES = [24, 22, 20, 18, 16, 14, 12, 10, 8, 6, 4, 2, 1, 0, -1, -2, -3];

/** ASTM B258. */
const areaOfGauge = (awg: number): number => (Math.PI / 4) * (0.127 * 92 ** ((36 - awg) / 39)) ** 2;

/** Works out the wire that a current needs, and judges the one that is there. */
export function voltageDrop(input: VoltageDropInput): VoltageDropResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const current = numberAt(input.current_A, 'current_A', { above: 0, most: 5000 });
  const length = numberAt(input.length_m, 'length_m', { above: 0, most: 200 });
  const path = choiceAt(input.returnPath, 'returnPath', ['wire', 'chassis'], 'wire');
  const system = numberAt(input.system_V, 'system_V', { above: 0, most: 1000, otherwise: 12 });
  const maxDrop = numberAt(input.maxDrop_pct, 'maxDrop_pct', { above: 0, most: 100, otherwise: 3 });
  const celsius = numberAt(input.conductor_C, 'conductor_C', { least: -60, most: 200, otherwise: 20 });
  const area = isGiven(input.area_mm2)
    ? numberAt(input.area_mm2, 'area_mm2', { above: 0, most: 1000 })
    : null;
  const gauge = isGiven(input.awg) ? numberAt(input.awg, 'awg', { least: -3, most: 30 }) : null;
  if (area !== null && gauge !== null) throw inconsistent('area_mm2', 'the area or the gauge, not both');

  const rho = (1 / 58) * (1 + 0.00393 * (celsius - 20));
  const metres = path === 'wire' ? 2 * length : length;
  const required = (rho * metres * current) / ((system * maxDrop) / 100);
  const recommended = AREAS_MM2.find((a) => a >= required - SLACK) ?? null;
  const reasons: Reason[] = [];
  if (recommended === null)
    reasons.push({ code: 'larger_than_list', level: 'watch', text: 'It takes more than the largest wire of the list.' }); // prettier-ignore
  const there = area ?? (gauge === null ? null : areaOfGauge(gauge));
  const resistance = there === null ? null : (rho * metres) / there;
  const drop = resistance === null ? null : resistance * current;
  const dropPct = drop === null ? null : (drop / system) * 100;
  if (dropPct !== null) {
    const text = `It drops ${dropPct.toFixed(1)} %; ${maxDrop} % are allowed.`;
    if (dropPct > maxDrop + SLACK) reasons.push({ code: 'drop_too_large', level: 'fail', text });
    else if (dropPct > allowed.near * maxDrop + SLACK)
      reasons.push({ code: 'drop_near_limit', level: 'watch', text });
  }
  return {
    rho_ohm_mm2_per_m: rho,
    requiredArea_mm2: required,
    recommended_mm2: recommended,
    recommendedAwg: GAUGES.find((g) => areaOfGauge(g) >= required - SLACK) ?? null,
    area_mm2: there,
    resistance_ohm: resistance,
    drop_V: drop,
    drop_pct: dropPct,
    loss_W: drop === null ? null : drop * current,
    ...judged(reasons),
  };
}
