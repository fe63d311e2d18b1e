/** Beginning work on a line: only what is agreed, or what the discretion limit allows. */
import { changing, estimateNow, lineViews, type EstimateNow } from './estimateNow.ts';
import { type EstimateView } from '#contract/estimate.ts';
import type { ShopView } from '#contract/session.ts';
import { allowedBy, whyNotWork, type LineState, type WorkCase } from '#core/approval/answers.ts';
import type { Work } from '#core/estimate/lines.ts';
import { formatMoney } from '#core/money/money.ts';
import { type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { logIn, seesPrices } from '../entries/index.ts';
import * as q from './estimate.queries.ts';

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
  work: Work;
  /** Why work on it is refused; for those who see no prices, without a word of money. */
  whyNot: string | null;
}

/** The lines of a build that are to be worked on, or could be. `known`: its estimate, where it was read already. */
export async function workableLines(
  tx: Tx,
  deps: Deps,
  buildId: string,
  withPrices: boolean,
): Promise<WorkableLine[]> {
  const now = await estimateNow(tx, deps, buildId);
  const { shop } = now;
  const standings = lineViews(now).map((l) => l.standing);
  return now.lines.flatMap((l, i): WorkableLine[] => {
    if (l.proposal === 'other way') return [];
    const whyNot = whyNotBegin(now, i, shop);
    return [
      {
        id: l.id,
        title: l.title,
        state: standings[i]!.state,
        minutes: l.minutes.likely,
        work: l.work,
        whyNot: withPrices || whyNot === null ? whyNot : 'not agreed yet: ask the owner or the office',
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
  const now = await estimateNow(tx, deps, buildId);
  const at = now.rows.findIndex((l) => l.id === lineId);
  if (at === -1) throw notFound('line');
  if (now.rows[at]!.discretion_minor !== null) return;
  const { shop } = now;
  const refused = whyNotBegin(now, at, shop);
  if (refused !== null)
    throw new Refusal(
      'forbidden',
      seesPrices(who) ? refused : `“${now.lines[at]!.title}” is not agreed yet: ask the owner or the office.`,
    );
  const work = workCase(now, at);
  if (allowedBy(work) === 'agreed' || work.grossMinor === 0) return;
  await q.useDiscretion(tx, lineId, work.grossMinor, deps.clock.now());
  const price = formatMoney(work.grossMinor, shop.currency, shop.locale);
  await logIn(
    tx,
    deps,
    { id: buildId, nickname: now.build.nickname },
    {
      personId: who.personId,
      kind: 'decided',
      text: `${work.title} begun within what may be spent without asking, ${price}`,
      facts: { subject: work.title.slice(0, 300) },
      about: { type: 'line', id: lineId },
    },
  );
}

export const beginLine = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  lineId: string,
): Promise<EstimateView> => changing(deps, who, buildId, (tx) => beginIn(tx, deps, who, buildId, lineId));
