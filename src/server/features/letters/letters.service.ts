/** Letters: drafted from the logbook, edited, sent once, never changed after. */
import type {
  LetterDraftDto,
  LetterRow,
  LetterSaveDto,
  LetterSendDto,
  LetterVersionDto,
  LetterView,
} from '#contract/letters.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import { picturesTold } from '#core/update/html.ts';
import { whyNotWith, type Captions } from '#core/update/leaks.ts';
import { figuresTold, withFigures, type Letter } from '#core/update/letter.ts';
import { whyNotSend } from '#core/update/sending.ts';
import { unsaidIn } from '#core/update/unsaid.ts';
import { inShop, inSnapshot, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queueLetter, queueReader, queueText } from '../../jobs/queue.ts';
import { buildExists, buildForUpdate } from '../builds/index.ts';
import { logIn, lastSeq } from '../entries/index.ts';
import { ensureLink, readersOf } from '../links/index.ts';
import { showPictures, shownOf } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import { compose, guardOf, type Composed } from './compose.ts';
import * as q from './letters.queries.ts';

/** The letter as it is kept; a draft with its figures as they are now, what it leaks and what it does not mention. */
async function viewOf(tx: Tx, deps: Deps, who: SignedIn, id: string, known?: Composed): Promise<LetterView> {
  // The shop is asked for by what follows.
  const [row] = await Promise.all([q.letterDetail(tx, id), shopOf(tx)]);
  if (!row) throw notFound('letter');
  if (row.state === 'sent') return q.toLetterView(row);
  // Figures have no photographs: those of what is kept are those of what is shown.
  const [{ letter, unsaid }, guard, captions] = await Promise.all([
    known ?? compose(tx, deps, who, row.build_id),
    guardOf(tx, row.build_id),
    captionsOf(tx, row.build_id, row.content),
  ]);
  const content = withFigures(row.content, letter);
  return q.toLetterView(
    { ...row, content },
    {
      leaks: await deps.compute.run('leaks', content, guard, captions),
      unsaid: unsaidIn({ ...unsaid, letter: content }),
    },
  );
}

/** What stands below the photographs of what is told. */
async function captionsOf(tx: Tx, buildId: string, letter: Letter): Promise<Captions> {
  const shown = await shownOf(tx, buildId, [...picturesTold(letter).keys()]);
  const both = ({ id, caption, before }: ShownPicture) => [
    { id, caption },
    ...(before ? [{ id, caption: before.caption }] : []),
  ];
  return new Map([...shown].map(([entryId, pictures]) => [entryId, pictures.flatMap(both)]));
}

/** A draft of what a build's logbook says at one moment. Nothing is held meanwhile: what is logged while it is written is news. */
const draftNow = (deps: Deps, who: SignedIn, buildId: string) =>
  inSnapshot(deps.db, who.shopId, async (tx) => {
    if (!(await buildExists(tx, buildId))) throw notFound('build');
    return { upTo: await lastSeq(tx, buildId), composed: await compose(tx, deps, who, buildId) };
  });

/** The build's open draft; drafts one when there is none. */
export async function openLetter(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: LetterDraftDto,
): Promise<LetterView> {
  const open = await inShop(deps.db, who.shopId, (tx) => q.openDraft(tx, buildId));
  if (open) return readLetter(deps, who, open.id);
  const { upTo, composed } = await draftNow(deps, who, buildId);
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const meanwhile = await q.openDraft(tx, buildId);
    if (meanwhile) return viewOf(tx, deps, who, meanwhile.id);
    await q.insertDraft(tx, { id: dto.id, buildId, content: composed.letter, upTo, now: deps.clock.now() });
    return viewOf(tx, deps, who, dto.id, composed);
  });
}

export const readLetter = (deps: Deps, who: SignedIn, id: string): Promise<LetterView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, deps, who, id));

export const listLetters = (deps: Deps, who: SignedIn, buildId: string): Promise<LetterRow[]> =>
  inShop(deps.db, who.shopId, (tx) => q.lettersOf(tx, buildId));

/** The draft held for a change, if it still is one and nobody changed it meanwhile. */
async function draftToChange(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  id: string,
  version: number,
): Promise<q.LetterRecord> {
  const letter = await q.letterForUpdate(tx, id);
  if (!letter) throw notFound('letter');
  if (letter.state === 'sent')
    throw new Refusal('conflict', 'This letter has been sent; it never changes. Write a new one.');
  if (letter.version !== version) throw changedMeanwhile('this letter', await viewOf(tx, deps, who, id));
  return letter;
}

export async function saveLetter(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterSaveDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const letter = await draftToChange(tx, deps, who, id, dto.version);
    await q.saveContent(tx, { id, content: dto.content as Letter, upTo: letter.up_to });
    return viewOf(tx, deps, who, id);
  });
}

/** Drafts again from the logbook as it is now; what was edited is thrown away. */
export async function redraft(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterVersionDto,
): Promise<LetterView> {
  const { build_id: buildId } = await inShop(deps.db, who.shopId, (tx) =>
    draftToChange(tx, deps, who, id, dto.version),
  );
  const { upTo, composed } = await draftNow(deps, who, buildId);
  return inShop(deps.db, who.shopId, async (tx) => {
    await draftToChange(tx, deps, who, id, dto.version);
    await q.saveContent(tx, { id, content: composed.letter, upTo });
    return viewOf(tx, deps, who, id, composed);
  });
}

/** The photographs that the letter tells, as they are now; what is no photograph of its entry goes unsaid. */
async function picturesOf(tx: Tx, buildId: string, letter: Letter): Promise<ShownPicture[]> {
  const told = picturesTold(letter);
  const shown = await shownOf(tx, buildId, [...told.keys()]);
  return [...told].flatMap(([entryId, ids]) => (shown.get(entryId) ?? []).filter((p) => ids.includes(p.id)));
}

/** What would go now: with the figures of this moment. Refused where they are not those that the sender saw. */
function readyToGo(view: LetterView, seen: readonly string[]): Letter {
  const refused = whyNotSend(view.content, view.customer.email) ?? whyNotWith(view.leaks);
  if (refused !== null) throw new Refusal('invalid', `${refused} The letter was not sent.`);
  const now = figuresTold(view.content);
  if (now.length !== seen.length || now.some((text) => !seen.includes(text)))
    throw new Refusal(
      'conflict',
      'The figures have changed since you read it. They are as they should be now: look at them, then send.',
      { current: view },
    );
  return view.content;
}

/**
 * Sends a letter: freezes it, logs that the customer was told, makes sure they have a link, and queues the mail, all
 * in one transaction. A letter that was sent already is answered as it is.
 */
export async function sendLetter(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterSendDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const known = await q.letterForUpdate(tx, id);
    if (known?.state === 'sent') return viewOf(tx, deps, who, id);
    const letter = await draftToChange(tx, deps, who, id, dto.version);
    const now = deps.clock.now();
    const build = (await buildForUpdate(tx, letter.build_id))!;
    const composed = await compose(tx, deps, who, build.id);
    const view = await viewOf(tx, deps, who, id, composed);
    const content = readyToGo(view, dto.figures);
    const pictures = await picturesOf(tx, build.id, content);
    await q.markSent(tx, {
      id,
      buildId: build.id,
      upTo: letter.up_to,
      now,
      by: who.personId,
      content,
      promised: composed.ready.promised,
      pictures,
    });
    await showPictures(tx, build.id, pictures);
    await ensureLink(tx, deps, build.id, now);
    await logIn(tx, deps, build, {
      personId: who.personId,
      kind: 'told',
      text: `Letter to ${view.customer.name}: ${content.subject}`,
      facts: { subject: content.subject.slice(0, 300) },
      about: { type: 'letter', id },
    });
    await queueLetter(tx, { shopId: who.shopId, letterId: id });
    for (const { id: readerId } of await readersOf(tx, build.id))
      await queueReader(tx, { shopId: who.shopId, letterId: id, readerId });
    // Whether they want a text message too, is looked at when it goes.
    await queueText(tx, { shopId: who.shopId, letterId: id });
    return viewOf(tx, deps, who, id);
  });
}
