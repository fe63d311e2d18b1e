/** A customer's link: one that works at a time, renewed or closed when the shop says so. */
import { v7 as uuidv7 } from 'uuid';
import { atTheDoor, inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { hashOfLink, hashOfToken } from '../../links.ts';
import { buildForUpdate } from '../builds/index.ts';
import * as q from './links.queries.ts';

/** The build's live link, made where there is none; answers its id. */
export async function ensureLink(tx: Tx, deps: Deps, buildId: string, now: string): Promise<string> {
  const live = await q.liveLink(tx, buildId);
  if (live) return live.id;
  const id = uuidv7();
  await q.insertLink(tx, { id, buildId, hash: hashOfLink(deps, id), now });
  return id;
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

/** What a link has opened: the build behind it, in a transaction of its shop. */
export interface Opened {
  tx: Tx;
  link: { id: string; shop_id: string; build_id: string };
}

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
