/** Letters: drafted from the logbook, edited, sent once, never changed after. */
import { v7 as uuidv7 } from 'uuid';
import type {
  LetterDraftDto,
  LetterRow,
  LetterSaveDto,
  LetterVersionDto,
  LetterView,
} from '#contract/letters.ts';
import { totalsOf } from '#core/log/entries.ts';
import type { ShownPicture } from '#core/photo/shown.ts';
import { pausedDays, promiseNow } from '#core/pauses/pauses.ts';
import { dayOf } from '#core/time/days.ts';
import { picturesTold } from '#core/update/html.ts';
import { draftLetter, type Letter } from '#core/update/draft.ts';
import { whyNotSend } from '#core/update/sending.ts';
import type { ShopView } from '#contract/session.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { queueLetter } from '../../jobs/queue.ts';
import { hashOfLink } from '../../links.ts';
import { buildDetail, buildForUpdate, type BuildDetail } from '../builds/index.ts';
import { logIn, lastSeq, toEntry } from '../entries/index.ts';
import { showPictures, shownOf } from '../photos/index.ts';
import { shopOf } from '../session/index.ts';
import { followUpsOf } from '../work/index.ts';
import * as q from './letters.queries.ts';

async function viewOf(tx: Tx, id: string): Promise<LetterView> {
  const row = await q.letterDetail(tx, id);
  if (!row) throw notFound('letter');
  return q.toLetterView(row);
}

/** The promise as it holds now, and what pauses did to it. */
function promiseOf(
  { promised, promised_on, pauses }: BuildDetail,
  today: string,
): { promised: string | null; rested?: { was: string; days: number } } {
  const now = promiseNow(promised, promised_on, pauses ?? [], today);
  if (promised === null || now === promised) return { promised: now };
  return { promised: now, rested: { was: promised, days: pausedDays(pauses ?? [], promised_on, today) } };
}

/** Everything a draft needs, read in one transaction: its figures are those of the build page at that moment. */
async function compose(
  tx: Tx,
  shop: ShopView,
  build: BuildDetail,
  who: SignedIn,
  now: string,
): Promise<Letter> {
  const entries = await q.entriesForDraft(tx, build.id, build.told_up_to);
  const today = dayOf(now, shop.timeZone);
  return draftLetter({
    build: { number: build.number, vehicle: build.vehicle, ...promiseOf(build, today) },
    customerFirstName: build.customer.split(/\s+/)[0] ?? build.customer,
    shopName: shop.name,
    ownerName: who.name,
    manner: { currency: shop.currency, locale: shop.locale, today },
    entries: entries.map(toEntry),
    toldUpTo: build.told_up_to,
    totals: totalsOf(build.sums),
    waits: build.standing.waits,
    next: build.next_step,
    followUps: (await followUpsOf(tx, build.id)).filter((f) => f.doneAt === null),
  });
}

/** The build's open draft; drafts one when there is none. */
export async function openLetter(
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: LetterDraftDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const shop = await shopOf(tx);
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const open = await q.openDraft(tx, buildId);
    if (open) return viewOf(tx, open.id);
    const now = deps.clock.now();
    const build = (await buildDetail(tx, buildId))!;
    const upTo = await lastSeq(tx);
    const content = await compose(tx, shop, build, who, now);
    await q.insertDraft(tx, { id: dto.id, buildId, content, upTo, now });
    return viewOf(tx, dto.id);
  });
}

export const readLetter = (deps: Deps, who: SignedIn, id: string): Promise<LetterView> =>
  inShop(deps.db, who.shopId, (tx) => viewOf(tx, id));

export const listLetters = (deps: Deps, who: SignedIn, buildId: string): Promise<LetterRow[]> =>
  inShop(deps.db, who.shopId, (tx) => q.lettersOf(tx, buildId));

/** The draft held for a change, if it still is one and nobody changed it meanwhile. */
async function draftToChange(tx: Tx, id: string, version: number): Promise<q.LetterRecord> {
  const letter = await q.letterForUpdate(tx, id);
  if (!letter) throw notFound('letter');
  if (letter.state === 'sent')
    throw new Refusal('conflict', 'This letter has been sent; it never changes. Write a new one.');
  if (letter.version !== version) throw changedMeanwhile('this letter', await viewOf(tx, id));
  return letter;
}

export async function saveLetter(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterSaveDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const letter = await draftToChange(tx, id, dto.version);
    await q.saveContent(tx, { id, content: dto.content as Letter, upTo: letter.up_to });
    return viewOf(tx, id);
  });
}

/** Drafts again from the logbook as it is now; what was edited is thrown away. */
export async function redraft(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterVersionDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const shop = await shopOf(tx);
    const letter = await draftToChange(tx, id, dto.version);
    await buildForUpdate(tx, letter.build_id);
    const build = (await buildDetail(tx, letter.build_id))!;
    const upTo = await lastSeq(tx);
    await q.saveContent(tx, { id, content: await compose(tx, shop, build, who, deps.clock.now()), upTo });
    return viewOf(tx, id);
  });
}

/** The build's live link, made where there is none; answers its id. */
export async function ensureLink(tx: Tx, deps: Deps, buildId: string, now: string): Promise<string> {
  const live = await q.liveLink(tx, buildId);
  if (live) return live.id;
  const id = uuidv7();
  await q.insertLink(tx, { id, buildId, hash: hashOfLink(deps, id), now });
  return id;
}

/** The photographs that the letter tells, as they are now; what is no photograph of its entry goes unsaid. */
async function picturesOf(tx: Tx, buildId: string, letter: Letter): Promise<ShownPicture[]> {
  const told = picturesTold(letter);
  const shown = await shownOf(tx, buildId, [...told.keys()]);
  return [...told].flatMap(([entryId, ids]) => (shown.get(entryId) ?? []).filter((p) => ids.includes(p.id)));
}

/**
 * Sends a letter: freezes it, logs that the customer was told, makes sure they have a link, and queues the mail, all
 * in one transaction. A letter that was sent already is answered as it is.
 */
export async function sendLetter(
  deps: Deps,
  who: SignedIn,
  id: string,
  dto: LetterVersionDto,
): Promise<LetterView> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const known = await q.letterForUpdate(tx, id);
    if (known?.state === 'sent') return viewOf(tx, id);
    const letter = await draftToChange(tx, id, dto.version);
    const now = deps.clock.now();
    const { customer } = await viewOf(tx, id);
    const refused = whyNotSend(letter.content, customer.email);
    if (refused) throw new Refusal('invalid', refused);
    const build = (await buildForUpdate(tx, letter.build_id))!;
    const pictures = await picturesOf(tx, build.id, letter.content);
    await q.markSent(tx, { id, buildId: build.id, upTo: letter.up_to, now, by: who.personId, pictures });
    await showPictures(tx, build.id, pictures);
    await ensureLink(tx, deps, build.id, now);
    await logIn(tx, deps, build, {
      personId: who.personId,
      kind: 'told',
      text: `Letter to ${customer.name}: ${letter.content.subject}`,
      facts: { subject: letter.content.subject.slice(0, 300) },
      about: { type: 'letter', id },
    });
    await queueLetter(tx, { shopId: who.shopId, letterId: id });
    return viewOf(tx, id);
  });
}

/** A new link for the customer; the old one stops working. */
export async function renewLink(deps: Deps, who: SignedIn, buildId: string): Promise<{ made: true }> {
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    const now = deps.clock.now();
    await q.revokeLinks(tx, buildId, now);
    await ensureLink(tx, deps, buildId, now);
    return { made: true as const };
  });
}

export async function revokeLink(deps: Deps, who: SignedIn, buildId: string): Promise<{ revoked: true }> {
  return inShop(deps.db, who.shopId, async (tx) => {
    if (!(await buildForUpdate(tx, buildId))) throw notFound('build');
    await q.revokeLinks(tx, buildId, deps.clock.now());
    return { revoked: true as const };
  });
}
