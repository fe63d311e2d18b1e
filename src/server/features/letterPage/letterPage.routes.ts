import rateLimit from 'express-rate-limit';
import type { Response } from 'express';
import { dayOf } from '#core/time/days.ts';
import { atTheDoor, inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { nonceOf } from '../../http/security.ts';
import { hashOfToken } from '../../links.ts';
import { sendPhoto, wasShown } from '../photos/index.ts';
import { letterPageHtml, noLetterHtml } from './letterPage.html.ts';
import * as q from './letterPage.queries.ts';

async function pageFor(deps: Deps, token: string, nonce: string): Promise<string | null> {
  const linkHash = hashOfToken(token);
  const link = await atTheDoor(deps.db, { linkHash }, (tx) => q.linkAtTheDoor(tx, linkHash));
  if (!link) return null;
  return inShop(deps.db, link.shop_id, async (tx) => {
    const now = deps.clock.now();
    const head = (await q.pageHead(tx, link.build_id))!;
    await q.noteOpened(tx, link.id, now);
    const hasEstimate = await q.hasRevision(tx, link.build_id);
    return letterPageHtml(head, await q.sentLetters(tx, link.build_id), nonce, dayOf(now, head.time_zone), {
      hasEstimate,
      address: `/l/${token}`,
    });
  });
}

export function sendPage(res: Response, status: number, html: string): void {
  res
    .status(status)
    .set('cache-control', 'private, no-store')
    .set('x-robots-tag', 'noindex')
    .type('html')
    .send(html);
}

/** The shop whose link this is, if a picture of this hash was sent to this customer. */
async function shopShowing(deps: Deps, token: string, hash: string): Promise<string | null> {
  const linkHash = hashOfToken(token);
  const link = await atTheDoor(deps.db, { linkHash }, (tx) => q.linkAtTheDoor(tx, linkHash));
  const shown = link && (await inShop(deps.db, link.shop_id, (tx) => wasShown(tx, link.build_id, hash)));
  return link && shown ? link.shop_id : null;
}

/** Nobody guesses 256 bits, but nobody need try a thousand times a minute either. */
const patience = () =>
  rateLimit({
    windowMs: 60_000,
    limit: 120,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
  });

export function letterPageRoutes(deps: Deps): Feature {
  return {
    letterPage: handler({
      before: [patience()],
      run: async ({ params, res }) => {
        const html = await pageFor(deps, params.token ?? '', nonceOf(res));
        sendPage(res, html === null ? 404 : 200, html ?? noLetterHtml(nonceOf(res)));
        return undefined;
      },
    }),
    letterPicture: handler({
      before: [patience()],
      run: async ({ params, res }) => {
        const { token = '', hash = '' } = params;
        const shopId = await shopShowing(deps, token, hash);
        if (shopId === null) throw notFound('picture');
        await sendPhoto(deps, res, shopId, { hash, type: 'image/jpeg' });
        return undefined;
      },
    }),
  };
}
