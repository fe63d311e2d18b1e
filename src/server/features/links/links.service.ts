/** A customer's link: one that works at a time, renewed or closed when the shop says so. */
import { v7 as uuidv7 } from 'uuid';
import type { ReaderDto, ReaderView } from '#contract/readers.ts';
import { SCOPE_WORDS } from '#core/update/scope.ts';
import { atTheDoor, inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidAt, notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { hashOfLink, hashOfToken, linkUrl } from '../../links.ts';
import { buildForUpdate } from '../builds/index.ts';
import { logIn } from '../entries/index.ts';
import { noteEvent } from '../session/index.ts';
import * as q from './links.queries.ts';

/** The build's live link, made where there is none; answers its id. */
export async function ensureLink(tx: Tx, deps: Deps, buildId: string, now: string): Promise<string> {
  const live = await q.liveLink(tx, buildId);
  if (live) return live.id;
  const id = uuidv7();
  await q.insertLink(tx, { id, buildId, hash: hashOfLink(deps, id), now });
  return id;
}

const noteLink = (tx: Tx, now: string, who: SignedIn, text: string): Promise<number> =>
  noteEvent(tx, now, { kind: 'link', text, byId: who.personId });

/** A new link for the customer; the old one stops working. */
export async function renewLink(deps: Deps, who: SignedIn, buildId: string): Promise<{ made: true }> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const now = deps.clock.now();
    await q.revokeLinks(tx, buildId, now);
    await ensureLink(tx, deps, buildId, now);
    await noteLink(tx, now, who, `The link of the ${build.nickname}’s customer was made anew.`);
    return { made: true as const };
  });
}

export async function revokeLink(deps: Deps, who: SignedIn, buildId: string): Promise<{ revoked: true }> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const now = deps.clock.now();
    await q.revokeLinks(tx, buildId, now);
    await noteLink(tx, now, who, `The link of the ${build.nickname}’s customer was closed.`);
    return { revoked: true as const };
  });
}

const viewsOf = async (tx: Tx, deps: Deps, buildId: string): Promise<ReaderView[]> =>
  (await q.readersOf(tx, buildId)).map(({ id, name, email, scope, last_opened_at: lastOpenedAt }) => ({
    ...{ id, name, email, scope, lastOpenedAt },
    url: linkUrl(deps, id),
  }));

export const readReaders = (deps: Deps, who: SignedIn, buildId: string): Promise<ReaderView[]> =>
  inShop(deps.db, who.shopId, (tx) => viewsOf(tx, deps, buildId));

/** More than that is a mailing list. */
const MOST_READERS = 20;

/**
 * Somebody else who is told of this car, with a link of their own. The same id again is the same; with another scope they see
 * more or less from now on.
 */
export async function addReader(
  deps: Deps,
  who: SignedIn,
  { buildId, id }: { buildId: string; id: string },
  dto: ReaderDto,
): Promise<ReaderView[]> {
  const [name, email] = [dto.name.trim(), dto.email.trim()];
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    const known = await q.readerById(tx, id);
    if (
      known &&
      (known.build_id !== buildId || known.name !== name || known.email !== email || known.revoked_at)
    )
      throw new Refusal('conflict', 'Another link was made under this id already.');
    const { scope } = dto;
    const now = deps.clock.now();
    if (known) {
      if (known.scope === scope) return viewsOf(tx, deps, buildId);
      await q.saveScope(tx, id, scope);
      const text = `${name} now sees ${SCOPE_WORDS[scope]}`;
      await logIn(tx, deps, build, { kind: 'note', text, personId: who.personId });
      await noteLink(tx, now, who, `${text}, of the ${build.nickname}.`);
      return viewsOf(tx, deps, buildId);
    }
    const others = await q.readersOf(tx, buildId);
    if (others.some((r) => r.email.toLowerCase() === email.toLowerCase()))
      throw invalidAt('email', 'they are told already');
    if (others.length >= MOST_READERS) throw invalidAt('name', `at most ${MOST_READERS} for one car`);
    await q.insertReader(tx, { id, buildId, hash: hashOfLink(deps, id), name, email, scope, now });
    await logIn(tx, deps, build, {
      kind: 'note',
      text: `${name} is told of it too, at ${email}: ${SCOPE_WORDS[scope]}`,
      personId: who.personId,
    });
    await noteLink(
      tx,
      now,
      who,
      `${name}, ${email}, got a link to the ${build.nickname}: ${SCOPE_WORDS[scope]}.`,
    );
    return viewsOf(tx, deps, buildId);
  });
}

/** Their link works no longer, and the next letter does not go to them. */
export async function dropReader(
  deps: Deps,
  who: SignedIn,
  { buildId, id }: { buildId: string; id: string },
): Promise<ReaderView[]> {
  return inShop(deps.db, who.shopId, async (tx) => {
    const build = await buildForUpdate(tx, buildId);
    const known = build && (await q.readerById(tx, id));
    if (!build || known?.build_id !== buildId) throw notFound('link');
    const now = deps.clock.now();
    if ((await q.revokeReader(tx, id, now)) === 1) {
      await logIn(tx, deps, build, {
        kind: 'note',
        text: `${known.name} is told of it no longer`,
        personId: who.personId,
      });
      await noteLink(tx, now, who, `The link of ${known.name} to the ${build.nickname} was closed.`);
    }
    return viewsOf(tx, deps, buildId);
  });
}

/** What a link has opened: the build behind it, in a transaction of its shop. */
export interface Opened {
  tx: Tx;
  link: q.LinkRow;
}

/** Whoever comes through this link may see what things cost. Papers and books may say it too. */
export const seesMoney = ({ scope }: Pick<q.LinkRow, 'scope'>): boolean => scope !== 'letters';

async function throughHash<T>(
  deps: Deps,
  linkHash: string,
  work: (opened: Opened) => Promise<T>,
): Promise<T | null> {
  const link = await atTheDoor(deps.db, { linkHash }, (tx) => q.linkAtTheDoor(tx, linkHash));
  return link ? inShop(deps.db, link.shop_id, (tx) => work({ tx, link })) : null;
}

/** Does `work` on the build behind a live link; null where there is none. */
export const throughLink = <T>(
  deps: Deps,
  token: string,
  work: (opened: Opened) => Promise<T>,
): Promise<T | null> => throughHash(deps, hashOfToken(token), work);

/** The same by the id of a link that somebody has proved to know. */
export const throughLinkOf = <T>(
  deps: Deps,
  linkId: string,
  work: (opened: Opened) => Promise<T>,
): Promise<T | null> => throughHash(deps, hashOfLink(deps, linkId), work);
