import type { Request, Response } from 'express';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import { lastSeq } from '../entries/index.ts';
import { isOpenSession } from '../session/index.ts';
import type { Listener, LiveHub } from './live.hub.ts';

const HEARTBEAT_MS = 20_000;

/** Where a screen left off: the browser repeats the last id it got; a first connection may say it in the address. */
function leftOffAt(req: Request): number | null {
  const said = req.get('last-event-id') ?? (typeof req.query.after === 'string' ? req.query.after : '');
  return /^\d{1,15}$/.test(said) ? Number(said) : null;
}

function open(res: Response): void {
  res.writeHead(200, {
    'content-type': 'text/event-stream; charset=utf-8',
    'cache-control': 'no-store',
    'x-accel-buffering': 'no',
  });
  res.write('retry: 1000\n\n');
}

export function liveRoutes(deps: Deps, hub: LiveHub): Feature {
  return {
    live: {
      run: async ({ req, res, who }) => {
        if (!hub.hasRoomFor(who.personId))
          throw new Refusal(
            'too-many',
            'Too many screens are open in your name. Close some, and load this one again.',
          );
        const after = leftOffAt(req) ?? (await inShop(deps.db, who.shopId, lastSeq));
        open(res);
        // The starting point has an id of its own, so that a reconnection misses nothing even before the first news.
        res.write(`id: ${after}\nevent: ready\ndata: {}\n\n`);
        const listener: Listener = {
          shopId: who.shopId,
          personId: who.personId,
          after,
          send: (news) => res.write(`id: ${news.seq}\nevent: entry\ndata: ${JSON.stringify(news)}\n\n`),
          stillSignedIn: () => inShop(deps.db, who.shopId, (tx) => isOpenSession(tx, req.sessionID)),
          end: () => res.end(),
        };
        const remove = hub.add(listener);
        const heartbeat = setInterval(() => {
          res.write(': still here\n\n');
          void hub.check(listener);
        }, HEARTBEAT_MS);
        res.on('close', () => {
          clearInterval(heartbeat);
          remove();
        });
        return undefined;
      },
    },
  };
}
