/**
 * Cell taps of a pack: which cells stand out, and whether taps are in order, doubled or swapped.
 *
 * Sources. Modified z-score above 3.5: Iglewicz & Hoaglin 1993, How to Detect and Handle Outliers (published). Hazardous above 60 V DC:
 * UNECE R100, ISO 6469-3 (published). Limits of cells and spread, 0.5 % of the pack: common practice; the maker's data win.
 */
import { choiceAt, inconsistent, isGiven, judged, listAt, numberAt, optionalAt, reasonList, SLACK, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore
import { mean, median, populationSd } from './statistics.ts';

export interface TapSurveyInput {
  /** Each tap against the pack's negative, or each cell by itself. */
  kind: 'cumulative' | 'cells';
  readings_V: number[];
  packReading_V?: number | null;
  /** What the cells are: it says how full and how empty one may be, where its sheet does not. */
  chemistry?: Chemistry | null;
  cellMin_V?: number | null;
  cellMax_V?: number | null;
  spreadWatch_mV?: number | null;
  spreadFail_mV?: number | null;
  resolution_mV?: number | null;
  packTolerance_pct?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

export type TapFault = 'out_of_order' | 'duplicate' | 'double_step' | 'reversed_or_zero';

export interface TapSurveyResult extends Judged {
  count: number;
  cellsUsed: number;
  min_V: number;
  minTap: number;
  max_V: number;
  maxTap: number;
  mean_V: number;
  sigma_mV: number;
  spread_mV: number;
  /** Numbers of taps, from 1. */
  outliers: number[];
  faults: { tap: number; kind: TapFault }[];
  misplacedTaps: number[];
  total_V: number;
  difference_V: number | null;
  hazardous: boolean;
  /** By tap: what its cell has, or null where the step is at fault. */
  cells_V: (number | null)[];
}

/** Common practice; a shop may put its own in their place. */
export const LIMITS = { stepNone: 0.1, stepDoubled: 1.5 };

/** Above it, work on a pack is for trained people only (UNECE R100, ISO 6469-3). */
const HAZARDOUS_DC_V = 60;
/** Of the step that most have (common practice). */
const OUTLIER = { z: 3.5, scale: 0.6745, fromCells: 5 };

/**
 * Volts of a cell at rest, from empty to full, by what it is. Sheets of makers differ by a tenth; theirs go first. LFP 2.5 to
 * 3.65, NMC 2.5 to 4.25 (4.20 and what a meter may be off), LTO 1.5 to 2.8, NiMH 0.9 to 1.6: from memory.
 */
export const CHEMISTRIES = {
  nmc: [2.5, 4.25],
  lfp: [2.5, 3.65],
  lto: [1.5, 2.8],
  nimh: [0.9, 1.6],
} as const;
export type Chemistry = keyof typeof CHEMISTRIES;
/** Where nobody said what the cells are: outside this no lithium cell is well. */
const ANY_LITHIUM = CHEMISTRIES.nmc;

const TAP_WORDS: [TapFault, string, string][] = [
  ['out_of_order', 'tap_out_of_order', 'The voltage falls from one tap to the next'],
  ['duplicate', 'tap_duplicate', 'A tap has the voltage of the one before it'],
  ['double_step', 'tap_double_step', 'Two cells lie between a tap and the one before it'],
];

interface Cells {
  cells: (number | null)[];
  faults: TapSurveyResult['faults'];
  misplaced: number[];
  total: number;
}

const toMicrovolt = (v: number): number => Math.round(v * 1e6) / 1e6;

function fromTaps(taps: readonly number[], allowed: typeof LIMITS): Cells {
  const steps = taps.map((v, i) => toMicrovolt(v - (taps[i - 1] ?? 0)));
  const rising = steps.filter((s) => s > 0);
  if (rising.length === 0) throw inconsistent('readings_V', 'no tap is higher than the one before it');
  const nominal = median(rising);
  const faults: Cells['faults'] = [];
  const cells = steps.map((step, i) => {
    const q = step / nominal;
    const kind = q < -allowed.stepNone ? 'out_of_order' : q <= allowed.stepNone ? 'duplicate' : q >= allowed.stepDoubled ? 'double_step' : null; // prettier-ignore
    if (kind) faults.push({ tap: i + 1, kind });
    return kind ? null : step;
  });
  const ranked = taps.map((v, i) => ({ v, i })).sort((a, b) => a.v - b.v || a.i - b.i);
  const misplaced = ranked.flatMap(({ i }, rank) => (i === rank ? [] : [i + 1])).sort((a, b) => a - b);
  return { cells, faults, misplaced, total: taps.reduce((a, b) => Math.max(a, b), -Infinity) };
}

function fromCells(readings: readonly number[]): Cells {
  return {
    cells: readings.map((v) => (v > 0 ? v : null)),
    faults: readings.flatMap((v, i) => (v > 0 ? [] : [{ tap: i + 1, kind: 'reversed_or_zero' as const }])),
    misplaced: [],
    total: readings.reduce((a, b) => a + b, 0),
  };
}

function outliersOf(used: readonly { v: number; tap: number }[], resolution_mV: number): number[] {
  if (used.length < OUTLIER.fromCells) return [];
  const middle = median(used.map((c) => c.v));
  const off = (v: number): number => Math.abs(v - middle);
  const mad = Math.max(median(used.map((c) => off(c.v))), resolution_mV / 1000);
  return used.filter((c) => (OUTLIER.scale * off(c.v)) / mad > OUTLIER.z + SLACK).map((c) => c.tap);
}

function read(input: TapSurveyInput) {
  const kind = choiceAt(input.kind, 'kind', ['cumulative', 'cells']);
  const most = kind === 'cells' ? 5 : 1500;
  const readings = listAt(input.readings_V, 'readings_V', { least: 2, most: 400 }).map((v, i) =>
    numberAt(v, `readings_V[${i}]`, { least: -most, most }),
  );
  const at = (name: keyof TapSurveyInput, otherwise: number, top: number): number =>
    numberAt(input[name], name, { least: 0, most: top, otherwise });
  const chemistry = isGiven(input.chemistry)
    ? choiceAt(input.chemistry, 'chemistry', Object.keys(CHEMISTRIES) as Chemistry[])
    : null;
  const [least, full] = chemistry === null ? ANY_LITHIUM : CHEMISTRIES[chemistry];
  const isKnown = chemistry !== null || (isGiven(input.cellMin_V) && isGiven(input.cellMax_V));
  return {
    ...{ kind, readings, isKnown },
    pack: optionalAt(input.packReading_V, 'packReading_V', { least: 0, most: 1500 }),
    cellMin: at('cellMin_V', least, 5),
    cellMax: at('cellMax_V', full, 5),
    spreadWatch: at('spreadWatch_mV', 20, 5000),
    spreadFail: at('spreadFail_mV', 50, 5000),
    resolution: numberAt(input.resolution_mV, 'resolution_mV', { above: 0, most: 1000, otherwise: 1 }),
    tolerance: at('packTolerance_pct', 0.5, 100),
  };
}

/** Judges the taps or cells of a pack. Numbers of taps count from 1. */
export function tapSurvey(input: TapSurveyInput): TapSurveyResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const by = read(input);
  const { cells, faults, misplaced, total } =
    by.kind === 'cells' ? fromCells(by.readings) : fromTaps(by.readings, allowed);
  const used = cells.flatMap((v, i) => (v === null ? [] : [{ v, tap: i + 1 }]));
  const first = used[0];
  if (!first) throw inconsistent('readings_V', 'none of them is a cell that can be used');
  const low = used.reduce((a, b) => (b.v < a.v ? b : a), first);
  const high = used.reduce((a, b) => (b.v > a.v ? b : a), first);
  const values = used.map((c) => c.v);
  const spread = (high.v - low.v) * 1000;
  const difference = by.pack === null ? null : total - by.pack;
  const outliers = outliersOf(used, by.resolution);
  const { reasons, say } = reasonList();
  const listed = (kind: TapFault): string => faults.filter((f) => f.kind === kind).map((f) => f.tap).join(', '); // prettier-ignore
  for (const [kind, code, words] of TAP_WORDS)
    if (listed(kind)) say('fail', code, `${words}: ${listed(kind)}.`);
  if (listed('reversed_or_zero'))
    say('fail', 'cell_reversed_or_zero', `Reversed, or nothing there: ${listed('reversed_or_zero')}.`);
  if (low.v < by.cellMin - SLACK)
    say('fail', 'cell_under_minimum', `Cell ${low.tap} has ${low.v.toFixed(3)} V; at least ${by.cellMin} V.`);
  if (high.v > by.cellMax + SLACK)
    say('fail', 'cell_over_maximum', `Cell ${high.tap} has ${high.v.toFixed(3)} V; at most ${by.cellMax} V.`);
  if (!by.isKnown)
    say(
      'watch',
      'cells_not_judged',
      'How full the cells are was not judged: say what they are, or give the limits of their sheet.',
    );
  const wide = (limit: number): string =>
    `From lowest to highest ${spread.toFixed(0)} mV; up to ${limit} mV.`;
  if (spread > by.spreadFail + SLACK) say('fail', 'spread_too_wide', wide(by.spreadFail));
  else if (spread > by.spreadWatch + SLACK) say('watch', 'spread_wide', wide(by.spreadWatch));
  if (outliers.length > 0) say('watch', 'outlier_cells', `Unlike the others: ${outliers.join(', ')}.`);
  if (difference === null || by.pack === null)
    say('watch', 'pack_reading_missing', 'The pack itself was not measured.');
  else if (Math.abs(difference) > 0.5 * median(values) + SLACK)
    say('fail', 'sum_differs_by_a_cell', 'Together they differ from the pack by a cell or more.');
  else if (Math.abs(difference) > (by.tolerance / 100) * by.pack + SLACK)
    say('watch', 'sum_differs', `Together they differ from the pack by ${difference.toFixed(2)} V.`);
  return {
    count: by.readings.length,
    cellsUsed: used.length,
    ...{ min_V: low.v, minTap: low.tap, max_V: high.v, maxTap: high.tap },
    mean_V: mean(values),
    sigma_mV: populationSd(values) * 1000,
    spread_mV: spread,
    ...{ outliers, faults, misplacedTaps: misplaced },
    total_V: total,
    difference_V: difference,
    hazardous: total > HAZARDOUS_DC_V + SLACK,
    cells_V: cells,
    ...judged(reasons),
  };
}
