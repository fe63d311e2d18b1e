import type { Response } from 'express';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import { isOpenSession } from '../session/index.ts';
import type { Listener, LiveHub } from './live.hub.ts';

const HEARTBEAT_MS = 20_000;

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
        open(res);
        const listener: Listener = {
          shopId: who.shopId,
          personId: who.personId,
          send: (what) => res.write(`event: changed\ndata: ${JSON.stringify({ what })}\n\n`),
          ready: () => res.write('event: ready\ndata: {}\n\n'),
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
