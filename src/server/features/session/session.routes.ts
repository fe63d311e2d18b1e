import { createHash } from 'node:crypto';
import rateLimit, { type Options, type RateLimitExceededEventHandler } from 'express-rate-limit';
import type { Request, RequestHandler } from 'express';
import {
  PasswordChangeDto,
  PasswordForgotDto,
  PasswordSetDto,
  SecondFactorDto,
  SecondFactorOffDto,
} from '#contract/account.ts';
import { ShopCreateDto, SignInDemoDto, SignInDto } from '#contract/session.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { Feature } from '../../http/routes.ts';
import type { SignedIn } from '../../http/session.ts';
import * as account from './account.service.ts';
import { createFirstShop, noteSignOut, readSession, signIn, signInDemo } from './session.service.ts';

/** A new session id at every sign-in, so that one set beforehand is worth nothing. */
function begin(deps: Deps, req: Request, who: SignedIn): Promise<void> {
  return new Promise((resolve, reject) => {
    req.session.regenerate((error: unknown) => {
      if (error) return reject(error as Error);
      req.session.who = who;
      req.session.since = deps.clock.now();
      req.session.device = (req.get('user-agent') ?? '').slice(0, 200);
      req.session.save((failed: unknown) => (failed ? reject(failed as Error) : resolve()));
    });
  });
}

const end = (req: Request): Promise<void> =>
  new Promise((resolve, reject) => req.session.destroy((e: unknown) => (e ? reject(e as Error) : resolve())));

const WINDOW_MS = 15 * 60_000;
const PER_ACCOUNT = 10;
/** Behind one address there may be a whole shop. */
const PER_ADDRESS = 50;

const tooMany: RateLimitExceededEventHandler = (_req, res, next) => {
  res.set('retry-after', String(WINDOW_MS / 1000));
  next(new Refusal('too-many', 'Too many wrong tries. Wait a quarter of an hour.'));
};

const limit = (most: number, more: Partial<Options> = {}) =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: tooMany,
    // Anybody can write X-Forwarded-For; it is believed only where a setting names the proxy.
    validate: { xForwardedForHeader: false },
    ...more,
  });

/** The account that is tried, whatever address the tries come from. */
const accountTried = (req: Request): string => {
  const { email } = (req.body ?? {}) as { email?: unknown };
  return createHash('sha256')
    .update(typeof email === 'string' ? email.trim().toLowerCase() : '')
    .digest('hex');
};

/** Wrong tries are counted for each address and for each account; right ones do not count. */
const slowDown = (): RequestHandler[] => [
  limit(PER_ADDRESS),
  limit(PER_ACCOUNT, {
    keyGenerator: accountTried,
    skip: (req) => accountTried(req) === accountTried({ body: {} } as Request),
  }),
];

/** Links by mail: few for each account, whether it is there or not, so that nobody’s mailbox is filled. */
const fewLinks = (): RequestHandler[] => [
  limit(20, { skipSuccessfulRequests: false }),
  limit(3, { skipSuccessfulRequests: false, keyGenerator: accountTried }),
];

export function sessionRoutes(deps: Deps): Feature {
  return {
    sessionRead: { run: ({ who }) => readSession(deps, who) },
    signIn: {
      body: SignInDto,
      before: slowDown(),
      run: async ({ body, req }) => {
        const who = await signIn(deps, body);
        await begin(deps, req, who);
        return readSession(deps, who);
      },
    },
    signInDemo: {
      body: SignInDemoDto,
      run: async ({ body, req }) => {
        const who = await signInDemo(deps, body.role);
        await begin(deps, req, who);
        return readSession(deps, who);
      },
    },
    signOut: {
      run: async ({ req, res, who }) => {
        await end(req);
        if (who) await noteSignOut(deps, who);
        res.clearCookie('avrik');
        return readSession(deps, undefined);
      },
    },
    accountRead: { run: ({ who, req }) => account.readAccount(deps, who, req.sessionID) },
    accountEvents: { run: ({ who }) => account.listEvents(deps, who) },
    passwordForgot: {
      body: PasswordForgotDto,
      before: fewLinks(),
      run: async ({ body }) => {
        await account.askReset(deps, body.email);
        return { asked: true };
      },
    },
    passwordSet: {
      body: PasswordSetDto,
      before: [limit(PER_ADDRESS)],
      run: ({ body }) => account.setByLink(deps, body),
    },
    passwordChange: {
      body: PasswordChangeDto,
      before: [limit(PER_ACCOUNT, { keyGenerator: ({ session }) => session?.who?.personId ?? '' })],
      run: ({ body, who, req }) => account.changePassword(deps, who, req.sessionID, body),
    },
    sessionEnd: {
      run: ({ who, req, params }) => account.endSession(deps, who, req.sessionID, params.session),
    },
    secondFactorBegin: { run: ({ who }) => account.beginSecondFactor(deps, who) },
    secondFactorConfirm: {
      body: SecondFactorDto,
      before: [limit(PER_ACCOUNT, { keyGenerator: ({ session }) => session?.who?.personId ?? '' })],
      run: ({ who, body }) => account.confirmSecondFactor(deps, who, body.code),
    },
    secondFactorOff: {
      body: SecondFactorOffDto,
      before: [limit(PER_ACCOUNT, { keyGenerator: ({ session }) => session?.who?.personId ?? '' })],
      run: ({ who, req, body }) => account.dropSecondFactor(deps, who, req.sessionID, body.password),
    },
    shopCreate: {
      body: ShopCreateDto,
      before: slowDown(),
      run: async ({ body, req }) => {
        const who = await createFirstShop(deps, body);
        await begin(deps, req, who);
        return readSession(deps, who);
      },
    },
  };
}
