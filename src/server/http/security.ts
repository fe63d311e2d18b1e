/** Headers that keep the browser strict, and the refusal of requests that another site sends. */
import { randomBytes } from 'node:crypto';
import helmet from 'helmet';
import type { RequestHandler, Response } from 'express';
import { Refusal } from './refusal.ts';

/** The nonce of this response's content security policy. */
export const nonceOf = (res: Response): string => res.locals.cspNonce as string;

export function securityHeaders(secure: boolean): RequestHandler[] {
  const giveNonce: RequestHandler = (_req, res, next) => {
    res.locals.cspNonce = randomBytes(16).toString('base64');
    next();
  };
  const nonce = (_req: unknown, res: unknown): string => `'nonce-${nonceOf(res as Response)}'`;
  const headers = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'none'"],
        scriptSrc: ["'self'", nonce],
        styleSrc: ["'self'", nonce],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        mediaSrc: ["'self'", 'blob:'],
        connectSrc: ["'self'"],
        manifestSrc: ["'self'"],
        workerSrc: ["'self'"],
        formAction: ["'self'"],
        baseUri: ["'none'"],
        frameAncestors: ["'none'"],
        ...(secure ? { upgradeInsecureRequests: [] } : {}),
      },
    },
    referrerPolicy: { policy: 'no-referrer' },
    strictTransportSecurity: secure ? { maxAge: 31_536_000 } : false,
  });
  return [giveNonce, headers];
}

/** A browser says where a request comes from; one that changes something must come from our own pages. */
export const refuseCrossSite: RequestHandler = (req, _res, next) => {
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const site = req.get('sec-fetch-site');
  const origin = req.get('origin');
  const foreign =
    (site !== undefined && site !== 'same-origin' && site !== 'none') ||
    (origin !== undefined && hostOf(origin) !== req.get('host'));
  if (foreign) throw new Refusal('forbidden', 'Requests from other sites are refused.');
  next();
};

function hostOf(origin: string): string | null {
  return URL.canParse(origin) ? new URL(origin).host : null;
}
