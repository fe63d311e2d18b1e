/** The estimate as it is being written: lines, what they stand at, how the shop charges. */
import { v7 as uuidv7 } from 'uuid';
import {
  MOST_LINES,
  type EstimateLineDto,
  type EstimateLineView,
  type EstimateView,
  type LineVersionDto,
  type OpeningDto,
  type ProposalsDto,
  type TermsDto,
  type TermsView,
} from '#contract/estimate.ts';
import type { FieldFault } from '#contract/problem.ts';
import type { ShopView } from '#contract/session.ts';
import { canonical } from '#core/approval/canonical.ts';
import {
  allowedBy,
  standingOf,
  whyNotRoadworthy,
  whyNotWork,
  type Answered,
  type LineState,
  type WorkCase,
} from '#core/approval/answers.ts';
import { freeze, settleWays, type ProposedLine, type RevisionContent } from '#core/approval/revision.ts';
import type { Choice } from '#core/estimate/ways.ts';
import { whyNotThreePoint } from '#core/estimate/lines.ts';
import { totalsOf } from '#core/log/entries.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import { formatMoney } from '#core/money/money.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, buildForUpdate, type BuildDetail } from '../builds/index.ts';
import { keep, seesPrices } from '../entries/index.ts';
import { shownOf } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import * as q from './estimate.queries.ts';

/** Everything that the estimate of a build is read from, in one transaction. */
export interface EstimateNow {
  build: BuildDetail;
  rows: q.LineRow[];
  lines: ProposedLine[];
  choices: (Choice & { version: number })[];
  terms: TermsView;
  /** The lines as they would be sent now. */
  frozen: RevisionContent;
  revisions: q.Revision[];
  answers: q.AnswerRow[];
  answered: Answered[];
  discretionUsedMinor: number;
}

/** The photographs of the findings that lines were made from, by line. */
async function picturesOf(
  tx: Tx,
  buildId: string,
  rows: readonly q.LineRow[],
): Promise<Map<string, ShownPicture[]>> {
  const findings = rows.flatMap((r) => r.finding_id ?? []);
  const shown = await shownOf(tx, buildId, findings);
  return new Map(rows.map((r) => [r.id, shown.get(r.finding_id ?? '') ?? []]));
}

export async function estimateNow(tx: Tx, buildId: string): Promise<EstimateNow> {
  const build = await buildDetail(tx, buildId);
  if (!build) throw notFound('build');
  const rows = await q.linesOf(tx, buildId);
  const choices = (await q.choicesOf(tx, buildId)).map(({ id, content, version }) => ({
    id,
    ...content,
    version,
  }));
  const lines = settleWays(
    rows.map(({ id, content }) => ({ id, ...content })),
    choices,
  );
  const terms = await q.termsOf(tx);
  const revisions = await q.revisionsOf(tx, buildId);
  const answers = await q.answersOf(tx, buildId);
  const { currency } = await shopOf(tx);
  const contents = new Map(revisions.map((r) => [r.id, r.content]));
  const number = (revisions[0]?.number ?? 0) + 1;
  const head = { number, currency, note: '', budgetMinor: build.budget_minor };
  return {
    build,
    rows,
    lines,
    choices,
    terms,
    frozen: freeze(
      lines,
      terms,
      head,
      await picturesOf(tx, buildId, rows),
      choices.map(({ id, title, ways, heldId }) => ({ id, title, ways, heldId })),
    ),
    revisions,
    answers,
    answered: answers.map((a) => ({ revision: contents.get(a.revision_id)!, answers: a.given })).reverse(),
    discretionUsedMinor: await q.discretionUsed(tx, buildId),
  };
}

function lineViews({ rows, lines, frozen, revisions, answered }: EstimateNow): EstimateLineView[] {
  return rows.map(({ id, content, finding_id, version, discretion_minor }, i) => ({
    id,
    ...content,
    proposal: lines[i]!.proposal,
    version,
    findingId: finding_id,
    discretionMinor: discretion_minor,
    standing: standingOf(frozen.lines[i]!, revisions[0]?.content, answered),
  }));
}

/** Why a car cannot be handed over as roadworthy; asked with every look at a build, so only where something was answered. */
export async function notRoadworthyOf(tx: Tx, buildId: string): Promise<string[]> {
  if (!(await q.hasAnswers(tx, buildId))) return [];
  return notRoadworthyNow(lineViews(await estimateNow(tx, buildId)));
}

const notRoadworthyNow = (lines: readonly EstimateLineView[]): string[] =>
  whyNotRoadworthy(lines.map((l) => ({ title: l.title, class: l.class, state: l.standing.state })));

async function viewOf(tx: Tx, buildId: string): Promise<EstimateView> {
  const now = await estimateNow(tx, buildId);
  const lines = lineViews(now);
  return {
    buildId,
    customer: now.build.customer,
    complaint: now.build.complaint,
    terms: now.terms,
    lines,
    choices: now.choices.map(({ version, id, title, ways, heldId }) => ({
      version,
      id,
      title,
      ways: [...ways],
      heldId,
    })),
    findings: await q.freeFindings(tx, buildId),
    openings: await q.openingsOf(tx, buildId),
    revisions: now.revisions,
    answers: now.answers.map(({ taken_by, ...a }) => ({ ...a, takenBy: taken_by })),
    budgetMinor: now.build.budget_minor,
    discretionMinor: now.build.discretion_minor,
    discretionUsedMinor: now.discretionUsedMinor,
    approvedMinor: lines.reduce((s, l) => s + l.standing.approvedMinor, 0),
    spentMinor: totalsOf(now.build.sums).spentMinor,
    notRoadworthy: notRoadworthyNow(lines),
  };
}

export const readEstimate = (deps: Deps, who: SignedIn, buildId: string): Promise<EstimateView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, buildId));

/** Runs a change with the build held, so that changes of one estimate come one after the other. */
export async function changing<T>(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  change: (tx: Tx) => Promise<T>,
): Promise<EstimateView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    await change(tx);
    return viewOf(tx, buildId);
  });
}

/** Says how long taking something apart takes; no minutes forget it. */
export const setOpening = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: OpeningDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const name = dto.name.trim().toLowerCase();
    if (dto.minutes === 0) await q.forgetOpening(tx, buildId, name);
    else await q.setOpening(tx, buildId, { ...dto, name });
  });

/** What no class can check by itself. */
function refuseLine(
  dto: EstimateLineDto,
  id: string,
  others: readonly q.LineRow[],
  choices: readonly q.ChoiceRow[],
): void {
  const fields = (['minutes', 'parts', 'outwork'] as const).flatMap((field): FieldFault[] => {
    const reason = whyNotThreePoint(dto[field]);
    return reason === null ? [] : [{ field, reason }];
  });
  const known = new Set(others.map((l) => l.id));
  if (dto.needs.some((n) => n === id || !known.has(n)))
    fields.push({ field: 'needs', reason: 'a line can only need another line of this estimate' });
  if (needsItself(id, dto.needs, others))
    fields.push({ field: 'needs', reason: 'lines would need each other in a circle' });
  const ways = choices.flatMap((c) => c.content.ways.map((w) => w.id));
  if (dto.wayId !== undefined && !ways.includes(dto.wayId))
    fields.push({ field: 'wayId', reason: 'that way to do it is not there any more' });
  if (dto.class === 'safety' && dto.proposal === 'wait')
    fields.push({ field: 'proposal', reason: 'a safety line is never put off to pay for another' });
  if (fields.length > 0)
    throw new Refusal('invalid', `${fields[0]!.field}: ${fields[0]!.reason}. Nothing was kept.`, { fields });
}

function needsItself(id: string, needs: readonly string[], others: readonly q.LineRow[]): boolean {
  const needsOf = new Map(others.map((l) => [l.id, l.content.needs]));
  const seen = new Set<string>();
  const open = [...needs];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    if (next === id) return true;
    if (seen.has(next)) continue;
    seen.add(next);
    open.push(...(needsOf.get(next) ?? []));
  }
  return false;
}

const conflict = (what: string, current: unknown): Refusal =>
  new Refusal('conflict', `Somebody changed this ${what} meanwhile. What you typed is kept on the page.`, {
    current,
  });

/** Makes a line (version 0) or changes it. The same words again change nothing. */
export const putLine = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
  dto: EstimateLineDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const { version, findingId, ...content } = dto;
    const known = await q.lineById(tx, lineId);
    if (known && known.build_id !== buildId) throw notFound('line');
    if (known && !known.removed && canonical(known.content) === canonical(content)) return;
    const others = (await q.linesOf(tx, buildId)).filter((l) => l.id !== lineId);
    if (known?.removed) throw conflict('line', null);
    if (known && known.version !== version) throw conflict('line', known);
    refuseLine(dto, lineId, others, await q.choicesOf(tx, buildId));
    if (known) return q.saveLine(tx, lineId, content);
    if (version !== 0) throw notFound('line');
    if (others.length >= MOST_LINES)
      throw new Refusal('invalid', `An estimate holds at most ${MOST_LINES} lines.`);
    if (findingId !== undefined && !(await q.isFindingOf(tx, buildId, findingId))) throw notFound('finding');
    return q.insertLine(tx, { id: lineId, buildId, content, findingId: findingId ?? null });
  });

/** Takes a line out of the estimate. What was sent of it stays in its revision. */
export const removeLine = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
  dto: LineVersionDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const known = await q.lineById(tx, lineId);
    if (!known || known.build_id !== buildId) throw notFound('line');
    if (known.removed) return;
    if (known.version !== dto.version) throw conflict('line', known);
    const needer = (await q.linesOf(tx, buildId)).find((l) => l.content.needs.includes(lineId));
    if (needer)
      throw new Refusal('invalid', `“${needer.content.title}” needs this line. Change that one first.`);
    await q.dropLine(tx, lineId, deps.clock.now());
  });

/** Sets which lines are to wait; all others are to be done. */
export const propose = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: ProposalsDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const wait = new Set(dto.wait);
    const rows = await q.linesOf(tx, buildId);
    const safety = rows.find((l) => wait.has(l.id) && l.content.class === 'safety');
    if (safety)
      throw new Refusal('invalid', `“${safety.content.title}” is a safety line: it is never put off.`);
    for (const { id, content } of rows) {
      const proposal = wait.has(id) ? 'wait' : 'do';
      if (content.proposal !== proposal) await q.saveLine(tx, id, { ...content, proposal });
    }
  });

/** What a line's work hangs on, as things stand. */
function workCase(now: EstimateNow, at: number): WorkCase {
  return {
    title: now.lines[at]!.title,
    standing: lineViews(now)[at]!.standing,
    grossMinor: now.frozen.lines[at]!.grossMinor,
    discretionLeftMinor: now.build.discretion_minor - now.discretionUsedMinor,
  };
}

/** Why nobody may work on the line yet, or null. */
function whyNotBegin(now: EstimateNow, at: number, shop: ShopView): string | null {
  if (now.rows[at]!.discretion_minor !== null) return null;
  if (now.lines[at]!.proposal === 'other way')
    return `“${now.lines[at]!.title}” belongs to a way of doing it that is not the one held. Hold that way, or send it first.`;
  return whyNotWork(workCase(now, at), now.build.customer, shop);
}

/** A line as work sees it. */
export interface WorkableLine {
  id: string;
  title: string;
  state: LineState;
  minutes: number;
  /** Why work on it is refused; for those who see no prices, without a word of money. */
  whyNot: string | null;
  approvedMinor: number;
  perHourMinor: number;
  taxBp: number;
  taxIncluded: boolean;
}

/** The lines of a build that are to be worked on, or could be. */
export async function workableLines(tx: Tx, buildId: string, withPrices: boolean): Promise<WorkableLine[]> {
  const now = await estimateNow(tx, buildId);
  const shop = await shopOf(tx);
  const standings = lineViews(now).map((l) => l.standing);
  const { rates, taxBp, taxIncluded } = now.terms;
  return now.lines.flatMap((l, i): WorkableLine[] => {
    if (l.proposal === 'other way') return [];
    const whyNot = whyNotBegin(now, i, shop);
    return [
      {
        id: l.id,
        title: l.title,
        state: standings[i]!.state,
        minutes: l.minutes.likely,
        whyNot: withPrices || whyNot === null ? whyNot : 'not agreed yet: ask the owner or the office',
        approvedMinor: standings[i]!.approvedMinor,
        perHourMinor: rates[l.work],
        taxBp,
        taxIncluded,
      },
    ];
  });
}

/**
 * Begins work on a line inside a transaction that does more, if it is agreed or inside the discretion limit; refuses it
 * with the way out otherwise. Discretion used is logged for the customer, so the next letter tells of it.
 */
export async function beginIn(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
): Promise<void> {
  const now = await estimateNow(tx, buildId);
  const at = now.rows.findIndex((l) => l.id === lineId);
  if (at === -1) throw notFound('line');
  if (now.rows[at]!.discretion_minor !== null) return;
  const shop = await shopOf(tx);
  const refused = whyNotBegin(now, at, shop);
  if (refused !== null)
    throw new Refusal(
      'forbidden',
      seesPrices(who) ? refused : `“${now.lines[at]!.title}” is not agreed yet: ask the owner or the office.`,
    );
  const work = workCase(now, at);
  if (allowedBy(work) === 'agreed' || work.grossMinor === 0) return;
  const instant = deps.clock.now();
  await q.useDiscretion(tx, lineId, work.grossMinor, instant);
  const price = formatMoney(work.grossMinor, shop.currency, shop.locale);
  await keep(tx, { id: buildId, nickname: now.build.nickname }, shop, {
    id: uuidv7(),
    build_id: buildId,
    at: instant,
    recorded_at: instant,
    person_id: who.personId,
    kind: 'decided',
    text: `${work.title} begun within what may be spent without asking, ${price}`,
    facts: { subject: work.title.slice(0, 300) },
    audience: 'customer',
    about_type: 'line',
    about_id: lineId,
    corrects_id: null,
    now: null,
  });
}

export const beginLine = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
): Promise<EstimateView> => changing(deps, who, buildId, (tx) => beginIn(tx, deps, who, buildId, lineId));

export const readTerms = (deps: Deps, who: SignedIn): Promise<TermsView> =>
  inShop(deps.db, who.shopId, q.termsOf);

export async function saveTerms(deps: Deps, who: SignedIn, dto: TermsDto): Promise<TermsView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const before = await q.termsOf(tx);
    if (canonical({ ...before, version: 0 }) === canonical({ ...dto, version: 0 })) return before;
    if (!(await q.saveTerms(tx, dto)))
      throw new Refusal('conflict', 'Somebody changed the rates meanwhile. Yours are kept on the page.', {
        current: before,
      });
    return q.termsOf(tx);
  });
}
