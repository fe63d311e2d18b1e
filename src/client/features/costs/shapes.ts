/** What the picture of a build's money is made of, in pixels: areas and lines that step from day to day. */
import { scaleLinear, scaleUtc } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import type { CostsView } from '#contract/costs.ts';

export const HEIGHT = 240;
export const EDGE = { top: 12, right: 8, bottom: 26, left: 72 };
const asDate = (day: string): Date => new Date(`${day}T00:00:00Z`);

/** Everything to draw in a picture of this width. */
export function shapesOf(
  { overTime, expected, today }: Pick<CostsView, 'overTime' | 'expected' | 'today'>,
  width: number,
) {
  const days = [...overTime.map((p) => p.day), ...expected.map((e) => e.day)].sort();
  const most = Math.max(
    1,
    ...overTime.map((p) => Math.max(p.approvedMinor, p.spentMinor + p.committedMinor)),
    ...expected.map((e) => e.p80Minor),
  );
  const x = scaleUtc([asDate(days[0]!), asDate(today)], [EDGE.left, width - EDGE.right]);
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, EDGE.top]).nice(4);
  type Point = CostsView['overTime'][number];
  type Range = CostsView['expected'][number];
  const at = (p: { day: string }): number => x(asDate(p.day));
  const band = (low: (p: Point) => number, high: (p: Point) => number): string | null =>
    area<Point>(
      at,
      (p) => y(low(p)),
      (p) => y(high(p)),
    ).curve(curveStepAfter)(overTime);
  return {
    spent: band(
      () => 0,
      (p) => p.spentMinor,
    ),
    committed: band(
      (p) => p.spentMinor,
      (p) => p.spentMinor + p.committedMinor,
    ),
    agreed: line<Point>(at, (p) => y(p.approvedMinor)).curve(curveStepAfter)(overTime),
    range: area<Range>(
      at,
      (e) => y(e.p20Minor),
      (e) => y(e.p80Minor),
    ).curve(curveStepAfter)(expected),
    ends: expected.map((e) => ({
      x: at(e),
      low: y(e.p20Minor),
      high: y(e.p80Minor),
      mid: y(e.expectedMinor),
    })),
    moneyTicks: y.ticks(4).map((value) => ({ value, y: y(value) })),
    dayTicks: x
      .ticks(Math.max(2, Math.floor(width / 160)))
      .map((d) => ({ day: d.toISOString().slice(0, 10), x: x(d) })),
  };
}
