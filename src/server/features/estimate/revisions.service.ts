/** What is sent and what is answered: frozen, hashed, never changed again. */
import { createHash } from 'node:crypto';
import type { AnswerTakenDto, EstimateView, RevisionSendDto } from '#contract/estimate.ts';
import { ANSWERS, takenWay, whyNotAnswers, type Answer, type LineAnswer } from '#core/approval/answers.ts';
import { canonical } from '#core/approval/canonical.ts';
import { whyNotSend, type RevisionContent } from '#core/approval/revision.ts';
import { formatMoney } from '#core/money/money.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queueRevision } from '../../jobs/queue.ts';
import type { BuildKey } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { ensureLink } from '../links/index.ts';
import { showPictures } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import { holdTaken } from './choices.service.ts';
import * as q from './estimate.queries.ts';
import { changing, estimateNow } from './estimateNow.ts';

const hashOf = (content: RevisionContent): string =>
  createHash('sha256').update(canonical(content)).digest('hex');

/** The same lines and money, whatever the number and the note. */
const sameOffer = (a: RevisionContent, b: RevisionContent): boolean =>
  canonical({ ...a, number: 0, note: '' }) === canonical({ ...b, number: 0, note: '' });

/** Freezes the estimate as the next revision and mails the customer where to read it. The same id again is the same one. */
export const sendRevision = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: RevisionSendDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    if (await q.revisionById(tx, dto.id)) return;
    const { build, lines, choices, frozen, revisions } = await estimateNow(tx, deps, buildId);
    const newest = revisions[0];
    if ((newest?.number ?? 0) !== dto.after)
      throw new Refusal('conflict', `Revision ${newest?.number} was sent meanwhile. Look at it first.`, {
        current: newest,
      });
    const refused = whyNotSend(lines, choices);
    if (refused !== null) throw new Refusal('invalid', refused);
    if (newest && sameOffer(newest.content, frozen))
      throw new Refusal('invalid', `Nothing has changed since revision ${newest.number}.`);
    const shop = await shopOf(tx);
    const content = { ...frozen, note: dto.note.trim() };
    const now = deps.clock.now();
    await q.insertRevision(tx, {
      id: dto.id,
      buildId,
      content,
      hash: hashOf(content),
      now,
      by: who.personId,
    });
    const pictures = content.lines.flatMap((l) => l.pictures ?? []);
    await showPictures(tx, buildId, pictures);
    await ensureLink(tx, deps, buildId, now);
    const price = formatMoney(content.grossMinor, shop.currency, shop.locale);
    await logIn(tx, deps, build, {
      kind: 'asked',
      text: `Estimate ${content.number} sent to ${build.customer}, ${price}`,
      audience: 'shop',
      about: { type: 'revision', id: dto.id },
      personId: who.personId,
    });
    await queueRevision(tx, { shopId: who.shopId, revisionId: dto.id });
  });

const SAID: Record<Answer, string> = {
  approve: 'agreed to',
  wait: 'put off',
  decline: 'declined',
  ask: 'asked about',
};

function inWords(given: readonly LineAnswer[], content: RevisionContent): string {
  const title = new Map(content.lines.map((l) => [l.id, l.title]));
  const ways = (content.choices ?? []).flatMap((c) => {
    const way = c.ways.find((w) => w.id === takenWay(content, c, given));
    return way ? [`for ${c.title}: ${way.name}`] : [];
  });
  const lines = ANSWERS.flatMap((answer) => {
    const these = given.filter((g) => g.answer === answer).map((g) => title.get(g.lineId)!);
    if (these.length === 0) return [];
    return [
      these.length > 3 ? `${SAID[answer]} ${these.length} lines` : `${SAID[answer]} ${these.join(', ')}`,
    ];
  });
  return [...ways, ...lines].join('; ');
}

/**
 * Keeps an answer to the newest revision. Throws a conflict where a newer one was sent, and names every field that is
 * missing; the caller holds the build.
 */
export async function keepAnswer(
  tx: Tx,
  deps: Deps,
  build: BuildKey,
  revision: q.Revision,
  answer: q.NewAnswer,
): Promise<void> {
  if (await q.answerExists(tx, answer.id)) return;
  const [newest] = await q.revisionsOf(tx, build.id);
  if (newest?.id !== revision.id)
    throw new Refusal(
      'conflict',
      `Revision ${newest?.number} was sent meanwhile. The answer must be to that one.`,
      {
        current: newest,
      },
    );
  const fields = whyNotAnswers(revision.content, answer.given, answer.understood);
  if (fields.length > 0) throw new Refusal('invalid', `${fields[0]!.reason}. Nothing was kept.`, { fields });
  await q.insertAnswer(tx, answer, revision, deps.clock.now());
  await holdTaken(tx, build.id, revision.content, answer.given);
  const how = answer.via === 'telephone' ? ' by telephone' : '';
  await logIn(tx, deps, build, {
    kind: 'decided',
    text: `${answer.name}${how} ${inWords(answer.given, revision.content)} (estimate ${revision.number})`.slice(
      0,
      4000,
    ),
    audience: 'shop',
    about: { type: 'answer', id: answer.id },
    personId: answer.takenBy,
  });
}

/** Takes down what the customer said by telephone. */
export const takeAnswer = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  revisionId: string,
  dto: AnswerTakenDto,
): Promise<EstimateView> =>
  changing(deps, who, buildId, async (tx) => {
    const revision = await q.revisionById(tx, revisionId);
    if (!revision || revision.buildId !== buildId) throw notFound('revision');
    const { build } = await estimateNow(tx, deps, buildId);
    await keepAnswer(tx, deps, build, revision, {
      id: dto.id,
      name: dto.name.trim(),
      via: 'telephone',
      takenBy: who.personId,
      said: dto.said.trim(),
      understood: dto.understood,
      given: dto.answers,
    });
  });
