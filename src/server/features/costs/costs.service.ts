/** The money of one build: by line, in all, over time, and what came in for it. */
import { groupBy } from '#core/lists/groupBy.ts';
import type { CostLineView, CostsDeskView, CostsView } from '#contract/costs.ts';
import { standingOf } from '#core/approval/answers.ts';
import {
  buildCosts,
  lineCosts,
  UNCHARGED,
  type BuildCosts,
  type LineInput,
  type Posting,
} from '#core/costs/costs.ts';
import { costsOverTime, rangeOf, spreadToGo, type AgreedOn, type ExpectedOn } from '#core/costs/overTime.ts';
import { costOf } from '#core/estimate/lines.ts';
import { ratesByHour } from '#core/costs/rates.ts';
import { forMinutes } from '#core/money/money.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { inItsTurn } from '../../turns.ts';
import { estimateNow, lineViews, type EstimateNow } from '../estimate/index.ts';
import { effortByLine, type LineEffort } from '../work/index.ts';
import { instalmentsOf } from './instalments.queries.ts';
import { buildIds, unchargedOf, type HourRow } from './postings.queries.ts';
import { postingRows, postingsOf } from './postings.ts';

/** What was agreed after each answer, and what was expected with each revision. */
function pastOf(now: EstimateNow, timeZone: string): { agreed: AgreedOn[]; expected: ExpectedOn[] } {
  const newest = now.revisions[0]?.content;
  const oldestFirst = [...now.answers].reverse();
  const agreed = oldestFirst.map((a, i) => ({
    day: dayOf(a.at, timeZone),
    approvedMinor: now.frozen.lines.reduce(
      (sum, line) => sum + standingOf(line, newest, now.answered.slice(0, i + 1)).approvedMinor,
      0,
    ),
  }));
  const expected = [...now.revisions].reverse().map(({ sentAt, content: { grossMinor, p80GrossMinor } }) => ({
    day: dayOf(sentAt, timeZone),
    expectedMinor: grossMinor,
    p20Minor: Math.max(0, 2 * grossMinor - p80GrossMinor),
    p80Minor: p80GrossMinor,
  }));
  return { agreed, expected };
}

/** A line as its costs are worked out. */
function inputOf(now: EstimateNow, at: number, approvedMinor: number, effort: LineEffort): LineInput {
  const line = now.lines[at]!;
  return {
    id: line.id,
    approvedMinor,
    estimatedThingsMinor: line.parts.likely + line.outwork.likely + line.sundriesMinor,
    toGoMinutes: effort.toGoMinutes,
    toGoMinor: forMinutes(effort.toGoMinutes, now.terms.rates[line.work]),
    isFinished: effort.isFinished,
  };
}

/** Lines that are agreed, begun, or have something posted on them. */
function lineViewsOf(
  now: EstimateNow,
  postings: readonly Posting[],
  effort: ReadonlyMap<string, LineEffort>,
): CostLineView[] {
  const standings = lineViews(now);
  const byLine = groupBy(postings, (p) => p.lineId);
  return now.lines.flatMap(({ id, title }, i): CostLineView[] => {
    const { standing, discretionMinor } = standings[i]!;
    const { state, approvedMinor } = standing;
    const own = byLine.get(id) ?? [];
    const isOn = approvedMinor > 0 || discretionMinor !== null || own.length > 0;
    if (!isOn) return [];
    const { spentMinutes, toGoMinutes } = effort.get(id)!;
    const input = inputOf(now, i, approvedMinor, effort.get(id)!);
    const costs = lineCosts(input, own, now.terms, now.terms.overBp);
    return [{ id, title, state, approvedMinor, spentMinutes, toGoMinutes, costs }];
  });
}

/** The range that what is left leaves open, by the spread that each line's estimate had. */
function rangeNow(now: EstimateNow, lines: readonly CostLineView[], expectedMinor: number) {
  const left = lines.map(({ id, costs }) => {
    const { grossMinor, sd } = costOf(
      now.lines.find((l) => l.id === id)!,
      now.terms,
    );
    return { toGoMinor: costs.toGoMinor, estimatedMinor: grossMinor, sdMinor: sd };
  });
  return rangeOf(expectedMinor, spreadToGo(left, now.terms.sharedRisk));
}

/** What no line bears, with its hours; only what there is. */
const borneOf = (build: BuildCosts, hours: readonly HourRow[]): CostsView['borne'] =>
  UNCHARGED.map((uncharged) => ({
    uncharged,
    minutes: hours.filter((h) => unchargedOf(h) === uncharged).reduce((s, h) => s + h.minutes, 0),
    ...(build.borne.find((b) => b.uncharged === uncharged) ?? { costMinor: 0, committedMinor: 0 }),
  })).filter((b) => b.minutes > 0 || b.costMinor !== 0);

/** What a build comes to, by line and in all, and what came in for it. */
export type CostSums = Pick<CostsView, 'buildId' | 'nickname' | 'lines' | 'build' | 'instalments'>;

/** The sums of a build, and what they were worked out from. */
async function reckon(tx: Tx, deps: Deps, buildId: string) {
  const [now, rows, instalments, effortOf] = await Promise.all([
    estimateNow(tx, deps, buildId),
    postingRows(tx, buildId),
    instalmentsOf(tx, buildId),
    effortByLine(tx, buildId),
  ]);
  const effort = effortOf(now.lines.map((l) => ({ id: l.id, minutes: l.minutes.likely })));
  return inItsTurn(tx, () => {
    const { terms } = now;
    const manner = { ratesOn: ratesByHour(now.rates), additionBp: terms.additionBp };
    const { postings, hours } = postingsOf(rows, buildId, manner, new Set(now.lines.map((l) => l.id)));
    const lines = lineViewsOf(now, postings, effort);
    const build = buildCosts(lines, postings, terms, terms.overBp);
    const sums: CostSums = { buildId, nickname: now.build.nickname, lines, build, instalments };
    return { now, postings, hours, sums };
  });
}

export const costSums = async (tx: Tx, deps: Deps, buildId: string): Promise<CostSums> =>
  (await reckon(tx, deps, buildId)).sums;

export async function costsOf(tx: Tx, deps: Deps, buildId: string): Promise<CostsView> {
  const { now, postings, hours, sums } = await reckon(tx, deps, buildId);
  const { lines, build } = sums;
  const today = dayOf(deps.clock.now(), now.shop.timeZone);
  const { agreed, expected } = pastOf(now, now.shop.timeZone);
  const lineIds = lines.map((l) => l.id);
  return {
    ...sums,
    today,
    borne: borneOf(build, hours),
    overBp: now.terms.overBp,
    overTime: costsOverTime(postings, lineIds, agreed, now.terms, today),
    expected: [...expected, { day: today, ...rangeNow(now, lines, build.expectedMinor) }],
  };
}

export const readCosts = (deps: Deps, who: SignedIn, buildId: string): Promise<CostsView> =>
  inShop(deps.db, who.shopId, (tx) => costsOf(tx, deps, buildId));

/** One build of the desk, or none where nothing is agreed, begun or borne. */
function deskRow({ buildId, nickname, lines, build, instalments }: CostSums): CostsDeskView['builds'] {
  if (lines.length === 0 && build.costMinor === 0 && instalments.length === 0) return [];
  return [
    {
      buildId,
      nickname,
      build,
      over: lines.filter((l) => l.costs.isOver).map(({ id, title }) => ({ id, title })),
      receivedMinor: instalments.reduce((s, i) => s + i.receivedMinor, 0),
      owedMinor: instalments.reduce((s, i) => s + Math.max(0, i.askedMinor - i.receivedMinor), 0),
    },
  ];
}

/** Every build, in the order of their numbers; each is worked out as on its own page, so that they cannot disagree. */
export const readCostsDesk = (deps: Deps, who: SignedIn): Promise<CostsDeskView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const all = await Promise.all((await buildIds(tx)).map((id) => costSums(tx, deps, id)));
    return { builds: all.flatMap(deskRow) };
  });
