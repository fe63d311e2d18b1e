/** Everything a letter is made from and held against, read in one transaction, so that its figures are the ledger's. */
import { totalsOf } from '#core/log/entries.ts';
import { pausedDays, promiseNow } from '#core/pauses/pauses.ts';
import { dayOf, daysBetween, type Day } from '#core/time/days.ts';
import type { LetterManner, LetterMoney, LetterReady } from '#core/update/figures.ts';
import type { LeakGuard } from '#core/update/leaks.ts';
import type { Letter } from '#core/update/letter.ts';
import type { PlanLine } from '#core/update/plan.ts';
import type { UnsaidInput } from '#core/update/unsaid.ts';
import type { Hold } from '#core/waits/binding.ts';
import type { ShopView } from '#contract/session.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, type BuildDetail } from '../builds/index.ts';
import { costSums, type CostSums } from '../costs/index.ts';
import { toEntry } from '../entries/index.ts';
import {
  answersTold,
  estimateNow,
  lineViews,
  ratesOf,
  type AnswerTold,
  type EstimateNow,
} from '../estimate/index.ts';
import { shopOf } from '../session/index.ts';
import { waitsNow } from '../waits/index.ts';
import { followUpsOf } from '../work/index.ts';
import * as q from './compose.queries.ts';
import * as m from './manner.queries.ts';

/** A letter as it would be drafted now, what it would have to mention, and what it is held against. */
export interface Composed {
  letter: Letter;
  ready: LetterReady;
  unsaid: Omit<UnsaidInput, 'letter'>;
}

/** The day an answer was given to a line; the day it was sent while there is none. */
function lastSaid(now: EstimateNow, lineId: string, timeZone: string): Day {
  const answer = now.answers.find((a) => a.given.some((g) => g.lineId === lineId));
  const sent = now.revisions.find((r) => r.content.lines.some((l) => l.id === lineId));
  return dayOf(answer?.at ?? sent?.sentAt ?? now.build.arrived_at, timeZone);
}

/** The build's money as a letter tells it; null while nothing is agreed and nothing begun. */
function moneyOf(now: EstimateNow, costs: CostSums, timeZone: string): LetterMoney | null {
  if (costs.build.approvedMinor === 0 && costs.lines.length === 0) return null;
  const first = new Set(now.revisions.at(-1)?.content.lines.map((l) => l.id));
  const views = lineViews(now);
  const later = views.flatMap((line, i) =>
    first.has(line.id) ? [] : [{ line, frozen: now.frozen.lines[i]! }],
  );
  return {
    approvedMinor: costs.build.approvedMinor,
    changesMinor: later.reduce((sum, l) => sum + l.line.standing.approvedMinor, 0),
    discretionMinor: views.reduce((sum, l) => sum + (l.discretionMinor ?? 0), 0),
    spentMinor: costs.build.spentMinor,
    committedMinor: costs.build.committedMinor,
    expectedMinor: costs.build.expectedMinor,
    changes: later.map(({ line, frozen }) => ({
      lineId: line.id,
      title: line.title,
      grossMinor: line.standing.approvedMinor || frozen.grossMinor,
      state: line.standing.state,
      on: lastSaid(now, line.id, timeZone),
    })),
    account: costs.instalments.map(({ id, what, askedMinor, receivedMinor, due }) => ({
      id,
      what,
      askedMinor,
      receivedMinor,
      due: due ?? null,
    })),
  };
}

/** An agreed line: what it comes to, and how far it is. */
export interface MoneyLine extends PlanLine {
  approvedMinor: number;
  spentMinor: number;
}

/** The build's money as its letters tell it; its agreed lines; what the customer answered and when. */
export async function lettersMoney(
  tx: Tx,
  deps: Deps,
  buildId: string,
): Promise<{
  money: LetterMoney | null;
  lines: MoneyLine[];
  answers: AnswerTold[];
  manner: LetterManner;
}> {
  const [shop, estimate, costs] = await Promise.all([
    shopOf(tx),
    estimateNow(tx, deps, buildId),
    costSums(tx, deps, buildId),
  ]);
  const today = dayOf(deps.clock.now(), shop.timeZone);
  const told = await m.mannerOf(tx, estimate.build.customer_id);
  const lines = costs.lines
    .filter((l) => l.approvedMinor > 0)
    .map(
      ({ id, title, approvedMinor, spentMinutes, toGoMinutes, costs: { spentMinor, committedMinor } }) => ({
        id,
        title,
        approvedMinor,
        spentMinor,
        spentMinutes,
        toGoMinutes,
        isBegun: spentMinutes > 0 || spentMinor > 0 || committedMinor > 0,
      }),
    );
  return {
    money: moneyOf(estimate, costs, shop.timeZone),
    lines,
    answers: answersTold(estimate, shop.timeZone),
    manner: mannerOf(shop, told!, today),
  };
}

/** Lines of the newest estimate that wait for the customer’s word. */
function decisionsOf(now: EstimateNow) {
  const newest = now.revisions[0]?.content;
  const asked = new Map(newest?.lines.map((l) => [l.id, l]));
  return lineViews(now).flatMap((line) => {
    const sent = asked.get(line.id);
    if (!sent || sent.proposal === 'other way' || line.standing.state !== 'asked') return [];
    return [{ lineId: line.id, title: line.title, class: line.class, grossMinor: sent.grossMinor }];
  });
}

/** Kinds of hold that may be named in saying why a day moved: nothing of them is another customer’s or a person’s. */
const NAMEABLE: ReadonlySet<Hold['kind']> = new Set(['part', 'vendor', 'batch', 'said']);

/** When it is to be ready, as a letter tells it. `since`: the day of the last one. */
export function readyOf(
  build: BuildDetail,
  told: Day | null,
  since: Day,
  holds: readonly Hold[],
  today: Day,
): LetterReady {
  const { promised, promised_on, pauses } = build;
  const waited = holds
    .filter((h) => NAMEABLE.has(h.kind))
    .map((h) => ({ what: h.what, days: daysBetween(h.since > since ? h.since : since, today) }))
    .filter((w) => w.days > 0)
    .sort((a, b) => b.days - a.days);
  return {
    promised: promiseNow(promised, promised_on, pauses ?? [], today),
    told,
    restedDays: promised === null ? 0 : pausedDays(pauses ?? [], promised_on, today),
    waited,
  };
}

function mannerOf(shop: ShopView, told: m.MannerRow, today: Day): LetterManner {
  const { currency, locale, units } = shop;
  const also =
    told.also_currency === null || told.also_rate === null
      ? {}
      : { also: { currency: told.also_currency, rateMillionths: told.also_rate } };
  return { currency, locale, today, metric: told.metric ?? units === 'metric', ...also };
}

/** The build, and what its customer has not been told yet. */
async function sinceTold(tx: Tx, buildId: string) {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const upTo = build.told_up_to;
  return Promise.all([
    build,
    m.mannerOf(tx, build.customer_id),
    q.entriesForDraft(tx, buildId, upTo),
    q.openQuestions(tx, buildId, upTo),
    q.picturesSince(tx, buildId, upTo),
  ]);
}

/** Everything a draft needs: its figures are those of the build's own pages at that moment. */
export async function compose(tx: Tx, deps: Deps, who: SignedIn, buildId: string): Promise<Composed> {
  const [
    shop,
    [build, told, entries, questions, pictures],
    last,
    estimate,
    [held],
    costs,
    followUps,
    withoutPrice,
  ] = await Promise.all([
    shopOf(tx),
    sinceTold(tx, buildId),
    q.lastSent(tx, buildId),
    estimateNow(tx, deps, buildId),
    waitsNow(tx, deps, buildId),
    costSums(tx, deps, buildId),
    followUpsOf(tx, buildId),
    q.findingsWithoutPrice(tx, buildId),
  ]);
  const today = dayOf(deps.clock.now(), shop.timeZone);
  const since = dayOf(last?.sent_at ?? build.arrived_at, shop.timeZone);
  const holds = { binding: held!.binding, others: held!.others };
  const all = [...(holds.binding ? [holds.binding] : []), ...holds.others];
  const manner = mannerOf(shop, told!, today);
  const money = moneyOf(estimate, costs, shop.timeZone);
  const ready = readyOf(build, last?.promised ?? null, since, all, today);
  const letter = await deps.compute.run('draftLetter', {
    build: { number: build.number, vehicle: build.vehicle },
    customerFirstName: build.customer.split(/\s+/)[0] ?? build.customer,
    shopName: shop.name,
    ownerName: who.name,
    words: {
      greeting: told!.greeting || told!.shop_greeting,
      closing: told!.closing || told!.shop_closing,
    },
    detail: told!.detail,
    manner,
    entries: entries.map(toEntry),
    toldUpTo: build.told_up_to,
    // Without an agreed line all that was spent lies on none.
    totals: {
      spentMinor: costs.build.unallocated.spentMinor,
      workedMinutes: totalsOf(build.sums).workedMinutes,
    },
    money,
    waits: build.standing.waits,
    rests: new Set((build.pauses ?? []).map((p) => p.entryId)),
    holds,
    decisions: decisionsOf(estimate),
    openQuestions: questions.map(({ id, text, at }) => ({ id, text, on: dayOf(at, shop.timeZone) })),
    ready,
    next: build.next_step,
    followUps: followUps.filter((f) => f.doneAt === null),
  });
  return {
    letter,
    ready,
    unsaid: { withoutPrice, pictures, money, ready, manner },
  };
}

/** What a letter of this build must not say. */
export async function guardOf(tx: Tx, buildId: string): Promise<LeakGuard> {
  const [{ currency, name: shopName }, own, { internal, told }, rates, customers, cars, costsMinor] =
    await Promise.all([
      shopOf(tx),
      q.ownWords(tx, buildId),
      q.saidHere(tx, buildId),
      ratesOf(tx),
      q.otherCustomers(tx, buildId),
      q.otherCars(tx, buildId),
      q.shopCosts(tx, buildId),
    ]);
  const { words, people, absences } = own!;
  return {
    currency,
    own: [shopName, ...words.filter((w): w is string => w !== null && w !== '')],
    customers,
    cars,
    people,
    absences,
    ratesMinor: rates
      .flatMap((r) => [r.chargeMinor, r.costMinor])
      .filter((r): r is number => r !== null && r > 0),
    costsMinor,
    internal,
    told,
  };
}
