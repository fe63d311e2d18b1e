/** Lines of the estimate as they are written, and how the shop charges. */
import { v7 as uuidv7 } from 'uuid';
import { changing } from './estimateNow.ts';
import {
  MOST_LINES,
  type EstimateLineDto,
  type EstimateView,
  type LineVersionDto,
  type OpeningDto,
  type ProposalsDto,
  type TermsDto,
  type TermsView,
} from '#contract/estimate.ts';
import type { FieldFault } from '#contract/problem.ts';
import { canonical } from '#core/approval/canonical.ts';
import { FROM_THE_BEGINNING } from '#core/costs/rates.ts';
import { whyNotThreePoint, WORKS } from '#core/estimate/lines.ts';
import type { Day } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import * as q from './estimate.queries.ts';
import { ratesOf, saveRate } from './rates.queries.ts';
import { todayOf } from './rates.service.ts';

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

/** Makes a new line for work that is done already, inside a transaction that does more; the caller holds the build. */
export async function addLineIn(
  tx: Tx,
  buildId: string,
  id: string,
  { title, minutes, moneyMinor }: { title: string; minutes: number; moneyMinor: number },
): Promise<void> {
  if (await q.lineById(tx, id))
    throw new Refusal(
      'conflict',
      'There is a line under this id already: give the work to that line instead.',
    );
  if ((await q.linesOf(tx, buildId)).length >= MOST_LINES)
    throw new Refusal('invalid', `An estimate holds at most ${MOST_LINES} lines.`);
  const always = (n: number) => ({ low: n, likely: n, high: n });
  const content: q.LineContent = {
    title: title.slice(0, 160),
    why: '',
    class: 'should',
    work: 'mechanical',
    minutes: always(minutes),
    parts: always(0),
    outwork: always(0),
    sundriesMinor: Math.max(0, moneyMinor),
    needs: [],
    access: [],
    proposal: 'do',
    wish: 'none',
    laterExtraMinor: 0,
  };
  await q.insertLine(tx, { id, buildId, content, findingId: null });
}

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

export const readTerms = (deps: Deps, who: SignedIn): Promise<TermsView> =>
  inShop(deps.db, who.shopId, async (tx) => q.termsOf(tx, await todayOf(tx, deps)));

/** What an hour is charged at changes from today; the first of all holds for what was worked before, too. */
async function keepCharges(tx: Tx, before: TermsView, dto: TermsDto, today: Day): Promise<void> {
  const known = await ratesOf(tx);
  for (const work of WORKS) {
    if (before.rates[work] === dto.rates[work]) continue;
    const isFirst = !known.some((r) => r.personId === null && r.work === work && r.chargeMinor !== null);
    const from = isFirst ? FROM_THE_BEGINNING : today;
    const rate = { id: uuidv7(), personId: null, work, from, chargeMinor: dto.rates[work], costMinor: null };
    await saveRate(tx, rate);
  }
}

export async function saveTerms(deps: Deps, who: SignedIn, dto: TermsDto): Promise<TermsView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const today = await todayOf(tx, deps);
    const before = await q.termsOf(tx, today);
    if (canonical({ ...before, version: 0 }) === canonical({ ...dto, version: 0 })) return before;
    if (!(await q.saveTerms(tx, dto)))
      throw new Refusal('conflict', 'Somebody changed the rates meanwhile. Yours are kept on the page.', {
        current: before,
      });
    await keepCharges(tx, before, dto, today);
    return q.termsOf(tx, today);
  });
}
