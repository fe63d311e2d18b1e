/**
 * Gaps of a panel along its edges: how even they are, which way to move the panel, and when moving cannot help.
 *
 * Sources. Tolerances of gap, taper and flush: common practice.
 */
import { isGiven, judged, listAt, numberAt, objectAt, optionalAt, reasonList, SLACK, type Judged, type Level } from './input.ts'; // prettier-ignore
import { mean } from './statistics.ts';

export interface PanelPoint {
  gap_mm: number;
  /** Above nothing: the panel stands proud. */
  flush_mm?: number | null;
}

export interface PanelGapsInput {
  /** In order along the edge. */
  edgeA: PanelPoint[];
  /** The edge across from it. */
  edgeB?: PanelPoint[] | null;
  targetGap_mm: number;
  gapTolerance_mm?: number | null;
  taperMax_mm?: number | null;
  targetFlush_mm?: number | null;
  flushTolerance_mm?: number | null;
}

export interface PanelEdge {
  mean_mm: number;
  min_mm: number;
  max_mm: number;
  spread_mm: number;
  taper_mm: number;
  worstError_mm: number;
}

export interface PanelGapsResult extends Judged {
  edgeA: PanelEdge;
  edgeB: PanelEdge | null;
  shiftTowardsA_mm: number | null;
  afterShiftWorst_mm: number | null;
  /** Above nothing: the panel is too wide. */
  panelSizeError_mm: number | null;
  shiftOut_mm: number | null;
}

interface Edge {
  gaps: number[];
  flush: number[];
}

function edgeAt(value: unknown, field: string): Edge {
  const points = listAt(value, field, { least: 1, most: 50 }).map((point, i) => {
    const at = `${field}[${i}]`;
    const of = objectAt(point, at);
    return {
      gap: numberAt(of.gap_mm, `${at}.gap_mm`, { least: 0, most: 60 }),
      flush: optionalAt(of.flush_mm, `${at}.flush_mm`, { least: -30, most: 30 }),
    };
  });
  return {
    gaps: points.map((p) => p.gap),
    flush: points.flatMap((p) => (p.flush === null ? [] : [p.flush])),
  };
}

/** What is furthest from what is wanted, with its sign. */
const worstOf = (values: readonly number[], wanted: number): number =>
  values.map((v) => v - wanted).reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0);

function edgeOf({ gaps }: Edge, target: number): PanelEdge {
  const [min, max] = [Math.min(...gaps), Math.max(...gaps)];
  return {
    mean_mm: mean(gaps),
    min_mm: min,
    max_mm: max,
    spread_mm: max - min,
    taper_mm: gaps.at(-1)! - gaps[0]!,
    worstError_mm: worstOf(gaps, target),
  };
}

function moves(a: Edge, b: Edge | null, target: number) {
  if (!b) return { shiftTowardsA_mm: null, afterShiftWorst_mm: null, panelSizeError_mm: null };
  const [meanA, meanB] = [mean(a.gaps), mean(b.gaps)];
  const shift = (meanA - meanB) / 2;
  const after = [...a.gaps.map((g) => g - shift), ...b.gaps.map((g) => g + shift)];
  return {
    shiftTowardsA_mm: shift,
    afterShiftWorst_mm: Math.abs(worstOf(after, target)),
    panelSizeError_mm: 2 * target - meanA - meanB,
  };
}

const levelOf = (off: number, tolerance: number): Level | null =>
  Math.abs(off) > 2 * tolerance + SLACK ? 'fail' : Math.abs(off) > tolerance + SLACK ? 'watch' : null;

/** Judges the gaps of one edge, or of two that lie across from each other. */
export function panelGaps(input: PanelGapsInput): PanelGapsResult {
  const a = edgeAt(input.edgeA, 'edgeA');
  const b = isGiven(input.edgeB) ? edgeAt(input.edgeB, 'edgeB') : null;
  const target = numberAt(input.targetGap_mm, 'targetGap_mm', { above: 0, most: 50 });
  const gapTolerance = numberAt(input.gapTolerance_mm, 'gapTolerance_mm', {
    above: 0,
    most: 50,
    otherwise: 1,
  });
  const taperMax = numberAt(input.taperMax_mm, 'taperMax_mm', { least: 0, most: 50, otherwise: 1 });
  const targetFlush = numberAt(input.targetFlush_mm, 'targetFlush_mm', {
    least: -30,
    most: 30,
    otherwise: 0,
  });
  const flushTolerance = numberAt(input.flushTolerance_mm, 'flushTolerance_mm', {
    above: 0,
    most: 30,
    otherwise: 1,
  });
  const [edgeA, edgeB] = [edgeOf(a, target), b && edgeOf(b, target)];
  const edges = edgeB ? [edgeA, edgeB] : [edgeA];
  const flush = [...a.flush, ...(b?.flush ?? [])];
  const moved = moves(a, b, target);
  const { reasons, say } = reasonList();
  if (edges.some((e) => e.min_mm === 0)) say('fail', 'panels_touch', 'The panels touch.');
  const worst = worstOf(edges.map((e) => e.worstError_mm), 0); // prettier-ignore
  const gapLevel = levelOf(worst, gapTolerance);
  if (gapLevel) say(gapLevel, 'gap_out_of_tolerance', `The worst gap is ${worst.toFixed(1)} mm off; ${gapTolerance} mm are allowed.`); // prettier-ignore
  if (edges.some((e) => Math.abs(e.taper_mm) > taperMax + SLACK))
    say(
      'watch',
      'taper_rotate_panel',
      `The gap opens along the edge by more than ${taperMax} mm: turn the panel.`,
    );
  const proud = worstOf(flush, targetFlush);
  const flushLevel = levelOf(proud, flushTolerance);
  if (flushLevel) say(flushLevel, 'flush_out_of_tolerance', `It stands ${proud.toFixed(1)} mm off; ${flushTolerance} mm are allowed.`); // prettier-ignore
  if (Math.abs(moved.panelSizeError_mm ?? 0) > 2 * gapTolerance + SLACK)
    say(
      'watch',
      'shift_cannot_fix_panel_size',
      'The panel itself is too wide or too narrow: moving it cannot help.',
    );
  return {
    ...{ edgeA, edgeB },
    ...moved,
    shiftOut_mm: flush.length === 0 ? null : targetFlush - mean(flush),
    ...judged(reasons),
  };
}
