/**
 * Four ride heights of an air suspension: whether pressures rise with them, keep their limits and their sides.
 *
 * Sources. 690 and 35 kPa, 35 kPa between sides: common practice; the maker's data win.
 */
import { pressureLimits } from './airSpring.ts';
import { inconsistent, judged, listAt, numberAt, objectAt, reasonList, SLACK, textAt, type Judged } from './input.ts'; // prettier-ignore

const CORNERS = ['lf_kPa', 'rf_kPa', 'lr_kPa', 'rr_kPa'] as const;

export interface Preset {
  name: string;
  height_mm: number;
  lf_kPa: number;
  rf_kPa: number;
  lr_kPa: number;
  rr_kPa: number;
}

export interface PresetTableInput {
  /** Exactly four. */
  presets: Preset[];
  minPressure_kPa?: number | null;
  maxPressure_kPa?: number | null;
  sideMax_kPa?: number | null;
}

export interface PresetTableResult extends Judged {
  /** Names by height. */
  order: string[];
  outside: string[];
  /** Lower and higher, where height and pressure do not rise together. */
  disagree: [string, string][];
  sideDifference: string[];
  frontMean_kPa: number[];
  rearMean_kPa: number[];
}

function presetAt(value: unknown, field: string): Preset {
  const of = objectAt(value, field);
  const name = textAt(of.name, `${field}.name`).trim();
  const height_mm = numberAt(of.height_mm, `${field}.height_mm`, { least: -1000, most: 1000 });
  const at = (corner: (typeof CORNERS)[number]): number =>
    numberAt(of[corner], `${field}.${corner}`, { least: 0, most: 5000 });
  return {
    name,
    height_mm,
    lf_kPa: at('lf_kPa'),
    rf_kPa: at('rf_kPa'),
    lr_kPa: at('lr_kPa'),
    rr_kPa: at('rr_kPa'),
  };
}

const front = (p: Preset): number => (p.lf_kPa + p.rf_kPa) / 2;
const rear = (p: Preset): number => (p.lr_kPa + p.rr_kPa) / 2;
const rises = (low: Preset, high: Preset): boolean =>
  high.height_mm > low.height_mm && front(high) > front(low) && rear(high) > rear(low);

/** Judges four presets together. */
export function presetTable(input: PresetTableInput): PresetTableResult {
  const presets = listAt(input.presets, 'presets', { least: 4, most: 4 }).map((p, i) =>
    presetAt(p, `presets[${i}]`),
  );
  const { least, most } = pressureLimits(input);
  const sideMax = numberAt(input.sideMax_kPa, 'sideMax_kPa', { least: 0, most: 5000, otherwise: 35 });
  presets.forEach((p, i) => {
    if (presets.findIndex((other) => other.name.toLowerCase() === p.name.toLowerCase()) < i)
      throw inconsistent(`presets[${i}].name`, 'two have this name');
  });
  const sorted = [...presets].sort((a, b) => a.height_mm - b.height_mm);
  const isOutside = (p: Preset): boolean => CORNERS.some((c) => p[c] < least - SLACK || p[c] > most + SLACK);
  const leans = (p: Preset): boolean =>
    Math.max(Math.abs(p.lf_kPa - p.rf_kPa), Math.abs(p.lr_kPa - p.rr_kPa)) > sideMax + SLACK;
  const outside = presets.filter(isOutside).map((p) => p.name);
  const sideDifference = presets.filter(leans).map((p) => p.name);
  const disagree = sorted.flatMap((high, i): [string, string][] => {
    const low = sorted[i - 1];
    return low && !rises(low, high) ? [[low.name, high.name]] : [];
  });
  const { reasons, say } = reasonList();
  if (outside.length > 0)
    say('fail', 'pressure_outside_limits', `Outside ${least} to ${most} kPa: ${outside.join(', ')}.`);
  if (disagree.length > 0)
    say('fail', 'height_and_pressure_disagree', `Height and pressure do not rise together: ${disagree.map((d) => d.join(' to ')).join(', ')}.`); // prettier-ignore
  if (sideDifference.length > 0)
    say('watch', 'side_difference', `More than ${sideMax} kPa between sides: ${sideDifference.join(', ')}.`);
  return {
    order: sorted.map((p) => p.name),
    ...{ outside, disagree, sideDifference },
    frontMean_kPa: presets.map(front),
    rearMean_kPa: presets.map(rear),
    ...judged(reasons),
  };
}
