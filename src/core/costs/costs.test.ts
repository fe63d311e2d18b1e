/**
 * Costs of lines and builds. Nasty cases: nothing agreed, to the penny at the threshold, a part sent back, what is on no
 * line, another order of the same postings, invoiced before it came, a finished line with an estimate left over.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { buildCosts, lineCosts, UNCHARGED, withAddition, type LineInput, type Posting } from './costs.ts';
import { costsOverTime, rangeOf, spreadToGo } from './overTime.ts';

const TAX = { taxBp: 2000, taxIncluded: false };
const line: LineInput = {
  id: 'a',
  approvedMinor: 60_000,
  estimatedThingsMinor: 0,
  toGoMinutes: 60,
  toGoMinor: 6000,
  isFinished: false,
};
const post = (more: Partial<Posting>): Posting => ({
  kind: 'part',
  lineId: 'a',
  uncharged: null,
  committedOn: null,
  spentOn: null,
  priceMinor: 0,
  costMinor: 0,
  ...more,
});
const postings = [
  post({ kind: 'hours', spentOn: '2026-03-02', priceMinor: 15_000, costMinor: 7000 }),
  post({ committedOn: '2026-03-01', spentOn: '2026-03-05', priceMinor: 5000, costMinor: 4000 }),
  post({ committedOn: '2026-03-03', priceMinor: 8000, costMinor: 6500 }),
  post({ priceMinor: 2000, costMinor: 1500 }),
];

describe('a line', () => {
  test('by hand: £150 of hours and a £50 part, £80 on order, an hour at £60 and £20 to go', () => {
    // With 20 %: (150 + 50) → 240; 80 → 96; (60 + 20) → 96. Together £432; the shop pays 70 + 40 + 65.
    expect(lineCosts(line, postings, TAX, 1000)).toEqual({
      spentMinor: 24_000,
      committedMinor: 9600,
      toGoMinor: 9600,
      expectedMinor: 43_200,
      isOver: false,
      costMinor: 17_500,
    });
    expect(lineCosts(line, postings, { ...TAX, taxIncluded: true }, 1000).expectedMinor).toBe(36_000);
  });

  test('a tenth over is still in it; a penny more is not; what was never agreed is not over; the shop’s own share', () => {
    // £432 is a tenth over £392.72 (39 272 + 3927 = 43 199) by a penny, and inside a tenth over £392.73.
    const over = (approvedMinor: number, overBp = 1000): boolean =>
      lineCosts({ ...line, approvedMinor }, postings, TAX, overBp).isOver;
    expect([over(39_272), over(39_273), over(0)]).toEqual([true, false, false]);
    expect([over(42_000, 0), over(43_200, 0), over(42_000, 500)]).toEqual([true, false, false]);
  });

  test('things that were estimated and are not posted are to go, until the line is finished', () => {
    // Estimated £300 of things: £130 are here or ordered, so £170 are to come, more than the £20 that are written down.
    const estimated = { ...line, estimatedThingsMinor: 30_000 };
    expect(lineCosts(estimated, postings, TAX, 1000).toGoMinor).toBe(1.2 * (6000 + 17_000));
    expect(lineCosts({ ...estimated, isFinished: true }, postings, TAX, 1000).toGoMinor).toBe(9600);
    expect(lineCosts({ ...line, estimatedThingsMinor: 100 }, postings, TAX, 1000).toGoMinor).toBe(9600);
  });
});

const DAYS = ['2026-01-05', '2026-02-10', '2026-03-15', '2026-04-20'];
const anyPosting = fc
  .record({
    kind: fc.constantFrom('hours' as const, 'part' as const, 'outwork' as const, 'sundry' as const),
    lineId: fc.constantFrom('a', 'b', 'c', null),
    uncharged: fc.constantFrom(...UNCHARGED),
    committedOn: fc.option(fc.constantFrom(...DAYS), { nil: null }),
    spentOn: fc.option(fc.constantFrom(...DAYS), { nil: null }),
    priceMinor: fc.integer({ min: -50_000, max: 1_000_000 }),
    costMinor: fc.integer({ min: -50_000, max: 1_000_000 }),
  })
  .map((p): Posting => ({ ...p, uncharged: p.lineId === null ? p.uncharged : null }));
const LINES: LineInput[] = ['a', 'b', 'c'].map((id, i) => ({
  id,
  approvedMinor: i * 40_000,
  estimatedThingsMinor: i * 9000,
  toGoMinutes: 60 * i,
  toGoMinor: 6000 * i,
  isFinished: i === 2,
}));
const whole = (of: readonly Posting[]) => {
  const lines = LINES.map((l) => ({ approvedMinor: l.approvedMinor, costs: lineCosts(l, of, TAX, 1000) }));
  return { lines, build: buildCosts(lines, of, TAX, 1000) };
};

describe('a build', () => {
  test('is the sum of its lines and of what the shop bears; no order of the same postings changes a total (seed 31)', () => {
    fc.assert(
      fc.property(fc.array(anyPosting, { maxLength: 40 }), fc.nat(1000), (of, turn) => {
        const { lines, build } = whole(of);
        for (const key of ['spentMinor', 'committedMinor', 'toGoMinor', 'expectedMinor'] as const)
          expect(build[key]).toBe(lines.reduce((s, l) => s + l.costs[key], 0));
        expect(build.spentMinor + build.committedMinor + build.toGoMinor).toBe(build.expectedMinor);
        // Every penny that the shop pays is on a line or borne: nothing is lost between them.
        const paid = of.filter((p) => p.spentOn !== null || p.committedOn !== null);
        expect(build.costMinor).toBe(paid.reduce((s, p) => s + p.costMinor, 0));
        const at = of.length === 0 ? 0 : turn % of.length;
        expect(whole([...of.slice(at), ...of.slice(0, at)].reverse()).build).toEqual(build);
      }),
      { seed: 31, numRuns: 300 },
    );
  });

  test('its picture over time ends with its sums, and what was spent by a day is what was posted by then (seed 32)', () => {
    fc.assert(
      fc.property(fc.array(anyPosting, { maxLength: 30 }), (of) => {
        const { build } = whole(of);
        const points = costsOverTime(of, ['a', 'b', 'c'], [], TAX, '2026-03-20');
        const last = points.at(-1)!;
        expect([last.day, last.spentMinor, last.committedMinor]).toEqual([
          '2026-03-20',
          build.spentMinor,
          build.committedMinor,
        ]);
        expect(points.map((p) => p.day)).toEqual([...new Set(points.map((p) => p.day))].sort());
      }),
      { seed: 32, numRuns: 200 },
    );
  });

  test('by hand: ordered in March, here in April; agreed in February and once more in March', () => {
    const of = [post({ committedOn: '2026-03-01', spentOn: '2026-04-02', priceMinor: 10_000 })];
    const agreed = [
      { day: '2026-02-01', approvedMinor: 20_000 },
      { day: '2026-03-10', approvedMinor: 26_000 },
    ];
    expect(costsOverTime(of, ['a'], agreed, TAX, '2026-04-30')).toEqual([
      { day: '2026-02-01', approvedMinor: 20_000, spentMinor: 0, committedMinor: 0 },
      { day: '2026-03-01', approvedMinor: 20_000, spentMinor: 0, committedMinor: 12_000 },
      { day: '2026-03-10', approvedMinor: 26_000, spentMinor: 0, committedMinor: 12_000 },
      { day: '2026-04-02', approvedMinor: 26_000, spentMinor: 12_000, committedMinor: 0 },
      { day: '2026-04-30', approvedMinor: 26_000, spentMinor: 12_000, committedMinor: 0 },
    ]);
  });
});

describe('the range of what is left', () => {
  // By hand: two lines of £1,000 ± £100 each. Half to go: spreads of 50 each; alone √(50² + 50²), shared wholly 100.
  const halves = [1, 2].map(() => ({ toGoMinor: 50_000, estimatedMinor: 100_000, sdMinor: 10_000 }));
  test.each([
    [0, Math.sqrt(2) * 5000],
    [1, 10_000],
  ])('with %d shared: %d', (rho, sd) => expect(spreadToGo(halves, rho)).toBeCloseTo(sd, 9));

  test('nothing left has no range; P20 and P80 lie as far apart as the normal quantile of 0.8 says', () => {
    expect(spreadToGo([{ toGoMinor: 0, estimatedMinor: 100, sdMinor: 50 }], 0.3)).toBe(0);
    // z(0.8) = 0.8416 (standard normal table, any text): 10 000 ± 842 for a spread of 1,000.
    expect(rangeOf(10_000, 1000)).toEqual({ expectedMinor: 10_000, p20Minor: 9158, p80Minor: 10_842 });
    expect(rangeOf(100, 1000).p20Minor).toBe(0);
  });
});

test('a price that nobody named is what it cost with the shop’s addition', () => {
  expect([withAddition(1000, 0), withAddition(1000, 1500), withAddition(-1000, 1500)]).toEqual([
    1000, 1150, -1150,
  ]);
});
