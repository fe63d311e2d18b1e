/** How long an overrun takes to be balanced, beside an exact solver on the same cases; and an estimate to be added up. */
import highsLoader from 'highs';
import { balance, type Waiting } from '../src/core/estimate/balance.ts';
import { balanceModel } from '../tests/support/balanceModel.ts';
import { counter } from './counter.ts';
import type { Line } from './line.ts';
import { RECOMPUTED_LINES, recomputeMs } from './recompute.ts';

const CASES = 40;
const LINES = 60;
const ALTERNATIVES = 5;

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Sixty lines, half of them needing one or two before them, one in ten a safety line. */
function makeCase(next: () => number): { lines: Waiting[]; over: number } {
  const lines = Array.from({ length: LINES }, (_, i): Waiting => {
    const savesMinor = Math.round(5000 + next() * 200_000);
    const needs = [0.5, 0.2].flatMap((p) => (i > 0 && next() < p ? [`l${Math.floor(next() * i)}`] : []));
    return {
      id: `l${i}`,
      savesMinor,
      loss: Math.round(savesMinor * (0.05 + next())),
      needs: [...new Set(needs)],
      whyNot: next() < 0.1 ? 'a safety line is never put off' : null,
    };
  });
  const most = balance(lines, 0).mostMinor;
  return { lines, over: Math.round(most * (0.1 + 0.7 * next())) };
}

const timed = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

async function benchBalance(): Promise<Line[]> {
  const highs = await highsLoader();
  const next = counter(7);
  const cases = Array.from({ length: CASES }, () => makeCase(next));
  const models = cases.map((c) => balanceModel(c.lines, c.over));
  const solve = (model: string): unknown => highs.solve(model, { mip_rel_gap: 0, mip_abs_gap: 0 });
  cases.slice(0, 10).forEach((c, i) => [balance(c.lines, c.over, { most: ALTERNATIVES }), solve(models[i]!)]);
  const [ours, theirs]: [number[], number[]] = [[], []];
  cases.forEach((c, i) => {
    ours.push(timed(() => balance(c.lines, c.over, { most: ALTERNATIVES })));
    theirs.push(timed(() => solve(models[i]!)));
  });
  return [
    {
      what: `Balance: ${LINES} lines with precedence, ${ALTERNATIVES} alternatives, median of ${CASES}`,
      value: median(ours),
      unit: 'ms',
      goal: { atMost: 10 },
    },
    {
      what: 'Balance: times as quick as an exact solver (HiGHS, its best answer only)',
      value: median(theirs) / median(ours),
      unit: 'times',
      goal: { atLeast: 5 },
    },
  ];
}

const benchTotals = (): Line => ({
  what: `An estimate of ${RECOMPUTED_LINES} lines added up (in Node)`,
  value: median(recomputeMs()),
  unit: 'ms',
  goal: { atMost: 16 },
});

export const benchEstimate = async (): Promise<Line[]> => [...(await benchBalance()), benchTotals()];
