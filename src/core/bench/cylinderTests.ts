/**
 * Compression and leak-down of an engine's cylinders: which are low, which lie beside one another, what oil changes.
 *
 * Sources. The lowest at least three quarters of the highest: US shop manuals (from memory). Standard atmosphere: ISO 2533, ICAO
 * Doc 7488 (published). Leak-down of 25 % allowed on aircraft engines: FAA AC 43.13-1B (published, from memory). Grades of
 * leak-down, what oil must change, unevenness, two low ones side by side: common practice.
 */
import { countAt, inconsistent, isGiven, judged, listAt, numberAt, SLACK, type Judged, type Reason, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export type WetDry = 'rings' | 'valvesOrGasket' | 'unclear';
export type LeakGrade = 'good' | 'serviceable' | 'poor' | 'failed';

export interface CylinderTestsInput {
  /** Gauge, by cylinder. */
  dry_psi: number[];
  /** With a spoon of oil; null where it was not tried. */
  wet_psi?: (number | null)[] | null;
  leakdown_pct?: (number | null)[] | null;
  /** Cylinder numbers as they stand along each bank. */
  banks?: number[][] | null;
  altitude_m?: number | null;
  specMinSeaLevel_psi?: number | null;
  warm?: boolean | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export interface CylinderTestsResult extends Judged {
  highest_psi: number;
  lowest_psi: number;
  spread_pct: number;
  lowToHigh: number;
  lowCylinders: number[];
  adjacentLowPairs: [number, number][];
  altitudeFactor: number;
  seaLevel_psi: number[];
  wetDry: (WetDry | null)[] | null;
  leakGrades: (LeakGrade | null)[] | null;
}

/** Of the highest. */
/** Percent that oil adds (common practice). */
/** From memory or common practice; a shop may put its own in their place. */
export const LIMITS = { low: 0.75, uneven: 0.85, ringsRise_pct: 15, noRise_pct: 5, woken_psi: 30 };

/** A dead cylinder that oil brings to this much has dead rings (common practice). */
const LEAK: readonly [LeakGrade, number][] = [['good', 10], ['serviceable', 20], ['poor', 30]]; // prettier-ignore

/** ISO 2533: pressure at an altitude against that at sea level. */
const atmosphere = (metres: number): number =>
  (1 - (0.0065 * metres) / 288.15) ** (9.80665 / (287.05287 * 0.0065));

function valuesAt(value: unknown, field: string, length: number, most: number): (number | null)[] | null {
  if (!isGiven(value)) return null;
  return listAt(value, field, { least: length, most: length }).map((v, i) =>
    v === null ? null : numberAt(v, `${field}[${i}]`, { least: 0, most }),
  );
}

function banksAt(value: unknown, cylinders: number): number[][] {
  if (!isGiven(value)) return [Array.from({ length: cylinders }, (_, i) => i + 1)];
  const banks = listAt(value, 'banks', { least: 1, most: 4 }).map((bank, i) =>
    listAt(bank, `banks[${i}]`, { least: 1, most: cylinders }).map((n, j) =>
      countAt(n, `banks[${i}][${j}]`, 1, cylinders),
    ),
  );
  const all = banks.flat();
  if (all.length !== cylinders || new Set(all).size !== cylinders)
    throw inconsistent('banks', 'every cylinder must stand in them once');
  return banks;
}

function wetDryOf(dry: number, wet: number | null, allowed: typeof LIMITS): WetDry | null {
  if (wet === null) return null;
  if (dry === 0) return wet >= allowed.woken_psi - SLACK ? 'rings' : 'valvesOrGasket';
  const rise = ((wet - dry) / dry) * 100;
  if (rise >= allowed.ringsRise_pct - SLACK) return 'rings';
  return rise <= allowed.noRise_pct + SLACK ? 'valvesOrGasket' : 'unclear';
}

const gradeOf = (leak: number | null): LeakGrade | null =>
  leak === null ? null : (LEAK.find(([, most]) => leak <= most + SLACK)?.[0] ?? 'failed');

function pairsIn(banks: readonly (readonly number[])[], low: readonly number[]): [number, number][] {
  return banks.flatMap((bank) =>
    bank.flatMap((n, i): [number, number][] => {
      const next = bank[i + 1];
      return next !== undefined && low.includes(n) && low.includes(next) ? [[n, next]] : [];
    }),
  );
}

const WHERE_IT_HISSES =
  'A hiss at the carburettor is an inlet valve, at the tail pipe an exhaust valve, at the filler the rings; bubbles are the gasket or a crack, at the next plug hole the gasket.';

/** Judges the cylinders of an engine against one another, and against a specification where there is one. */
export function cylinderTests(input: CylinderTestsInput): CylinderTestsResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const dry = listAt(input.dry_psi, 'dry_psi', { least: 2, most: 16 }).map((v, i) =>
    numberAt(v, `dry_psi[${i}]`, { least: 0, most: 700 }),
  );
  const wet = valuesAt(input.wet_psi, 'wet_psi', dry.length, 900);
  const leak = valuesAt(input.leakdown_pct, 'leakdown_pct', dry.length, 100);
  const banks = banksAt(input.banks, dry.length);
  const altitude = numberAt(input.altitude_m, 'altitude_m', { least: -400, most: 6000, otherwise: 0 });
  const least = isGiven(input.specMinSeaLevel_psi)
    ? numberAt(input.specMinSeaLevel_psi, 'specMinSeaLevel_psi', { least: 20, most: 700 })
    : null;
  const [highest, lowest] = [Math.max(...dry), Math.min(...dry)];
  if (highest === 0)
    throw inconsistent(
      'dry_psi',
      'nothing anywhere: look at the gauge, the throttle and the drive of the cam',
    );

  const lowToHigh = lowest / highest;
  const lowCylinders = dry.flatMap((p, i) => (p < allowed.low * highest - SLACK ? [i + 1] : []));
  const pairs = pairsIn(banks, lowCylinders);
  const factor = atmosphere(altitude);
  const seaLevel = dry.map((p) => p / factor);
  const leakGrades = leak && leak.map(gradeOf);
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number =>
    reasons.push({ code, level, text });
  const share = `The lowest has ${(lowToHigh * 100).toFixed(0)} % of the highest`;
  if (lowToHigh < allowed.low - SLACK)
    say('low_cylinder', 'fail', `${share}, under ${(allowed.low * 100).toFixed(0)} %.`);
  else if (lowToHigh < allowed.uneven - SLACK)
    say('uneven', 'watch', `${share}, under ${(allowed.uneven * 100).toFixed(0)} %.`);
  if (pairs.length > 0)
    say('adjacent_low_pair', 'fail', `Two low ones lie side by side (${pairs.map((p) => p.join(' and ')).join(', ')}): the gasket between them.`); // prettier-ignore
  if (leakGrades?.some((g) => g === 'poor' || g === 'failed')) say('leakdown', 'fail', WHERE_IT_HISSES);
  else if (leakGrades?.includes('serviceable')) say('leakdown', 'watch', WHERE_IT_HISSES);
  if (least !== null && Math.min(...seaLevel) < least - SLACK)
    say('below_spec', 'fail', `At sea level the lowest would have ${Math.min(...seaLevel).toFixed(0)} psi, under the ${least} that are asked for.`); // prettier-ignore
  if (input.warm !== true)
    say(
      'cold_test',
      'info',
      'Measured as it should be: engine warm, all plugs out, throttle open, battery full.',
    );
  return {
    highest_psi: highest,
    lowest_psi: lowest,
    spread_pct: ((highest - lowest) / highest) * 100,
    lowToHigh,
    lowCylinders,
    adjacentLowPairs: pairs,
    altitudeFactor: factor,
    seaLevel_psi: seaLevel,
    wetDry: wet && wet.map((w, i) => wetDryOf(dry[i]!, w, allowed)),
    leakGrades,
    ...judged(reasons),
  };
}
