/** The estimate as it stands: everything it is read from, and how it is shown. */
import { type EstimateLineView, type EstimateView, type TermsView } from '#contract/estimate.ts';
import type { RateView } from '#contract/rates.ts';
import type { ShopView } from '#contract/session.ts';
import { standingOf, whyNotRoadworthy, type Answered } from '#core/approval/answers.ts';
import { freeze, settleWays, type ProposedLine, type RevisionContent } from '#core/approval/revision.ts';
import type { Choice } from '#core/estimate/ways.ts';
import { dayOf } from '#core/time/days.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildDetail, buildForUpdate, type BuildDetail } from '../builds/index.ts';
import { shownOf } from '../photos/index.ts';
import { inItsTurn } from '../../turns.ts';
import { shopOf } from '../session/index.ts';
import * as q from './estimate.queries.ts';

/** Everything that the estimate of a build is read from, in one transaction. */
export interface EstimateNow {
  build: BuildDetail;
  rows: q.LineRow[];
  lines: ProposedLine[];
  choices: (Choice & { version: number })[];
  shop: ShopView;
  rates: RateView[];
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

export async function estimateNow(tx: Tx, deps: Deps, buildId: string): Promise<EstimateNow> {
  const shop = await shopOf(tx);
  const { currency, timeZone } = shop;
  const [build, every, chosen, { terms, rates }, revisions, answers] = await Promise.all([
    buildDetail(tx, buildId),
    q.everyLineOf(tx, buildId),
    q.choicesOf(tx, buildId),
    q.chargesOf(tx, dayOf(deps.clock.now(), timeZone)),
    q.revisionsOf(tx, buildId),
    q.answersOf(tx, buildId),
  ]);
  if (!build) throw notFound('build');
  const rows = every.filter((l) => !l.removed);
  const pictures = await picturesOf(tx, buildId, rows);
  return inItsTurn(tx, () => {
    const choices = chosen.map(({ id, content, version }) => ({ id, ...content, version }));
    const lines = settleWays(
      rows.map(({ id, content }) => ({ id, ...content })),
      choices,
    );
    const contents = new Map(revisions.map((r) => [r.id, r.content]));
    const number = (revisions[0]?.number ?? 0) + 1;
    const head = { number, currency, note: '', budgetMinor: build.budget_minor };
    const ways = choices.map(({ id, title, ways, heldId }) => ({ id, title, ways, heldId }));
    return {
      build,
      rows,
      lines,
      choices,
      shop,
      rates,
      terms,
      frozen: freeze(lines, terms, head, pictures, ways),
      revisions,
      answers,
      answered: answers.map((a) => ({ revision: contents.get(a.revision_id)!, answers: a.given })).reverse(),
      discretionUsedMinor: q.usedOf(every),
    };
  });
}

export function lineViews({ rows, lines, frozen, revisions, answered }: EstimateNow): EstimateLineView[] {
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
export async function notRoadworthyOf(tx: Tx, deps: Deps, buildId: string): Promise<string[]> {
  if (!(await q.hasAnswers(tx, buildId))) return [];
  return notRoadworthyNow(lineViews(await estimateNow(tx, deps, buildId)));
}

const notRoadworthyNow = (lines: readonly EstimateLineView[]): string[] =>
  whyNotRoadworthy(lines.map((l) => ({ title: l.title, class: l.class, state: l.standing.state })));

async function viewOf(tx: Tx, deps: Deps, buildId: string): Promise<EstimateView> {
  const now = await estimateNow(tx, deps, buildId);
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
    notRoadworthy: notRoadworthyNow(lines),
  };
}

export const readEstimate = (deps: Deps, who: SignedIn, buildId: string): Promise<EstimateView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, buildId));

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
    return viewOf(tx, deps, buildId);
  });
}
