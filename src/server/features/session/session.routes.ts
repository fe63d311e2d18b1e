import rateLimit from 'express-rate-limit';
import type { Request } from 'express';
import { ShopCreateDto, SignInDemoDto, SignInDto } from '#contract/session.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import { handler, type Feature } from '../../http/routes.ts';
import type { SignedIn } from '../../http/session.ts';
import { createFirstShop, readSession, signIn, signInDemo } from './session.service.ts';

/** A new session id at every sign-in, so that one set beforehand is worth nothing. */
function begin(req: Request, who: SignedIn): Promise<void> {
  return new Promise((resolve, reject) => {
    req.session.regenerate((error: unknown) => {
      if (error) return reject(error as Error);
      req.session.who = who;
      req.session.save((failed: unknown) => (failed ? reject(failed as Error) : resolve()));
    });
  });
}

const end = (req: Request): Promise<void> =>
  new Promise((resolve, reject) => req.session.destroy((e: unknown) => (e ? reject(e as Error) : resolve())));

/** Ten wrong tries from one place in a quarter of an hour; right ones do not count. */
const slowDown = () =>
  rateLimit({
    windowMs: 15 * 60_000,
    limit: 10,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, _res, next) =>
      next(new Refusal('too-many', 'Too many wrong tries. Wait a quarter of an hour.')),
  });

export function sessionRoutes(deps: Deps): Feature {
  return {
    sessionRead: handler({ run: ({ who }) => readSession(deps, who) }),
    signIn: handler({
      body: SignInDto,
      before: [slowDown()],
      run: async ({ body, req }) => {
        const who = await signIn(deps, body);
        await begin(req, who);
        return readSession(deps, who);
      },
    }),
    signInDemo: handler({
      body: SignInDemoDto,
      run: async ({ body, req }) => {
        const who = await signInDemo(deps, body.role);
        await begin(req, who);
        return readSession(deps, who);
      },
    }),
    signOut: handler({
      run: async ({ req, res }) => {
        await end(req);
        res.clearCookie('avrik');
        return readSession(deps, undefined);
      },
    }),
    shopCreate: handler({
      body: ShopCreateDto,
      before: [slowDown()],
      run: async ({ body, req }) => {
        const who = await createFirstShop(deps, body);
        await begin(req, who);
        return readSession(deps, who);
      },
    }),
  };
}
