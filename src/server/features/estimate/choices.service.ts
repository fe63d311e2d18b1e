/** Ways to do it: offered side by side, held one at a time, settled when it is clear. */
import type { ChoicePutDto, EstimateView, LineVersionDto } from '#contract/estimate.ts';
import { canonical } from '#core/approval/canonical.ts';
import { takenWay, type LineAnswer } from '#core/approval/answers.ts';
import type { RevisionContent } from '#core/approval/revision.ts';
import { whyNotChoice } from '#core/estimate/ways.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import * as q from './estimate.queries.ts';
import { changing } from './estimateNow.ts';

/** Choices of one estimate. */
const MOST_CHOICES = 20;

const conflict = (current: unknown): Refusal =>
  new Refusal('conflict', 'Somebody changed these ways meanwhile. What you typed is kept on the page.', {
    current,
  });

async function choiceFor(tx: Tx, buildId: string, id: string, version: number): Promise<q.ChoiceRow> {
  const known = await q.choiceById(tx, id);
  if (!known || known.build_id !== buildId) throw notFound('choice');
  if (known.version !== version || known.removed) throw conflict(known);
  return known;
}

/** Makes a choice (version 0) or changes it. A way that lines belong to is not taken away under them. */
export const putChoice = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: ChoicePutDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const { version, ...content } = dto;
    const known = await q.choiceById(tx, id);
    if (known && known.build_id !== buildId) throw notFound('choice');
    if (known && !known.removed && canonical(known.content) === canonical(content)) return;
    const fields = whyNotChoice({ id, ...content });
    const kept = new Set(content.ways.map((w) => w.id));
    const gone = known?.content.ways.filter((w) => !kept.has(w.id)) ?? [];
    const rows = gone.length > 0 ? await q.linesOf(tx, buildId) : [];
    const needed = gone.find((w) => rows.some((r) => r.content.wayId === w.id));
    if (needed) fields.push({ field: 'ways', reason: `lines still belong to “${needed.name}”` });
    const others = (await q.choicesOf(tx, buildId)).filter((c) => c.id !== id);
    const elsewhere = new Set(others.flatMap((c) => c.content.ways.map((w) => w.id)));
    if (content.ways.some((w) => elsewhere.has(w.id)))
      fields.push({ field: 'ways', reason: 'a way belongs to one choice only' });
    if (fields.length > 0)
      throw new Refusal('invalid', `${fields[0]!.reason}. Nothing was kept.`, { fields });
    if (version === 0 && !known) {
      if (others.length >= MOST_CHOICES)
        throw new Refusal('too-many', `At most ${MOST_CHOICES} choices in an estimate.`);
      return q.insertChoice(tx, id, buildId, content);
    }
    await choiceFor(tx, buildId, id, version);
    return q.saveChoice(tx, id, content);
  });

/** Ends a choice: the lines of the way that is held become lines like others, those of the other ways go. */
export const settleChoice = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  id: string,
  dto: LineVersionDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const before = await q.choiceById(tx, id);
    if (before?.build_id === buildId && before.removed) return;
    const { content } = await choiceFor(tx, buildId, id, dto.version);
    const rows = await q.linesOf(tx, buildId);
    const others = new Set(content.ways.map((w) => w.id).filter((w) => w !== content.heldId));
    const going = rows.filter((r) => r.content.wayId !== undefined && others.has(r.content.wayId));
    const gone = new Set(going.map((r) => r.id));
    const needer = rows.find((r) => !gone.has(r.id) && r.content.needs.some((n) => gone.has(n)));
    if (needer)
      throw new Refusal(
        'invalid',
        `“${needer.content.title}” needs a line of another way. Change that one first.`,
      );
    for (const { id: lineId } of going) await q.dropLine(tx, lineId, deps.clock.now());
    for (const { id: lineId, content: line } of rows)
      if (line.wayId === content.heldId) {
        const inAnyCase = { ...line };
        delete inAnyCase.wayId;
        await q.saveLine(tx, lineId, inAnyCase);
      }
    await q.removeChoice(tx, id, deps.clock.now());
  });

/** After an answer: the ways that the customer took are the ones that the estimate counts. */
export async function holdTaken(
  tx: Tx,
  buildId: string,
  content: RevisionContent,
  given: readonly LineAnswer[],
): Promise<void> {
  const now = new Map((await q.choicesOf(tx, buildId)).map((c) => [c.id, c.content]));
  for (const choice of content.choices ?? []) {
    const wayId = takenWay(content, choice, given);
    const current = now.get(choice.id);
    if (!current || wayId === undefined || wayId === current.heldId) continue;
    if (current.ways.some((w) => w.id === wayId))
      await q.saveChoice(tx, choice.id, { ...current, heldId: wayId });
  }
}
