/** Serves the built client: assets by their hashed names, and the page for every other address. */
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import express, { Router, type Request } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { ROUTES } from '#contract/routes.ts';
import { Refusal } from './refusal.ts';
import { nonceOf } from './security.ts';

const PLACEHOLDER = '__CSP_NONCE__';
const YEAR_MS = 365 * 24 * 3600 * 1000;

/** The Floor's page asks for its cars while its script is still on the way; nobody signed in, nothing to ask for. */
const floorAhead = (req: Request): string =>
  req.path === '/' && req.headers.cookie !== undefined
    ? `<link rel="preload" href="${ROUTES.floor.path}" as="fetch" crossorigin></head>`
    : '</head>';

export function serveClient(folder: string): Router {
  const router = Router();
  const index = path.join(folder, 'index.html');
  const html = existsSync(index) ? readFileSync(index, 'utf8') : null;
  if (html !== null)
    router.use(
      '/assets',
      // Sent as the build compressed them, which is smaller than what is compressed on the way.
      expressStaticGzip(path.join(folder, 'assets'), {
        index: false,
        enableBrotli: true,
        orderPreference: ['br'],
        serveStatic: { immutable: true, maxAge: YEAR_MS },
      }),
    );
  router.use(express.static(folder, { index: false, maxAge: 3600_000 }));
  router.get('/{*page}', (req, res) => {
    // A missing asset or API address is missing; it is not the page.
    if (/^\/(?:assets|api|l)\//.test(req.path) || /\.\w{1,5}$/.test(req.path))
      throw new Refusal('not-found', 'There is no such address.');
    if (html === null) throw new Refusal('unavailable', 'The client has not been built.');
    res
      .set('cache-control', 'no-store')
      .type('html')
      .send(html.replaceAll(PLACEHOLDER, nonceOf(res)).replace('</head>', floorAhead(req)));
  });
  return router;
}
