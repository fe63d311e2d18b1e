/** Mounts features by the route table: who may, what shape, then the handler. */
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { ROUTES, type RouteName, type RouteSpec } from '#contract/access.ts';
import { refuseUnbounded } from './bounds.ts';
import { Refusal } from './refusal.ts';
import { isUuid } from '../uuid.ts';
import { readShape, type Shape } from './validate.ts';
import type { SignedIn } from './session.ts';

/** What a handler gets: parameters, the checked body and query, and who asks. */
export interface Call<B = undefined, Q = undefined> {
  params: Record<string, string>;
  body: B;
  query: Q;
  who: SignedIn;
  req: Request;
  res: Response;
}

export interface Handler {
  body?: Shape<object>;
  query?: Shape<object>;
  before?: RequestHandler[];
  /** Its value is sent as JSON; undefined means that the handler has answered by itself. */
  run: (call: Call<never, never>) => Promise<unknown>;
}

/** A handler with its shapes bound to its types. */
export function handler<B extends object = never, Q extends object = never>(h: {
  body?: Shape<B>;
  query?: Shape<Q>;
  before?: RequestHandler[];
  run: (call: Call<B, Q>) => Promise<unknown>;
}): Handler {
  return h as unknown as Handler;
}

export type Feature = Partial<Record<RouteName, Handler>>;

/** The rule of the route table: why this caller may not, or null. */
function whyNotAllowed(spec: RouteSpec, who: SignedIn | undefined): Refusal | null {
  if (spec.allow === 'anyone') return null;
  if (!who)
    return new Refusal(
      'sign-in',
      'You are not signed in, or were signed out. What you typed is kept on the page.',
    );
  if (!spec.allow.includes(who.role))
    return new Refusal('forbidden', `Only ${spec.allow.join(' or ')} can do this.`);
  return null;
}

function paramsOf(req: Request): Record<string, string> {
  const params = req.params as Record<string, string>;
  for (const [name, value] of Object.entries(params))
    if (name.endsWith('Id') && !isUuid(value)) throw new Refusal('not-found', 'There is no such address.');
  return params;
}

/** What somebody may read, and send back of what they could not read. */
export interface Readable {
  /** An answer as the person who asked may read it. */
  asReadBy: <T>(who: SignedIn, answer: T) => Promise<T> | T;
  /** Throws a refusal where what was hidden from them would be overwritten. */
  refuseHidden: (who: SignedIn, body: object) => void;
}

/** A refusal too tells what is there now. */
async function asRead(refusal: Refusal, read: <T>(told: T) => Promise<T> | T): Promise<Refusal> {
  const { message, more } = await read({ message: refusal.message, more: refusal.more });
  return new Refusal(refusal.code, message, more);
}

export function mount(features: readonly Feature[], { asReadBy, refuseHidden }: Readable): Router {
  const router = Router({ caseSensitive: true, strict: true });
  for (const feature of features)
    for (const [name, h] of Object.entries(feature) as [RouteName, Handler][]) {
      const spec: RouteSpec = ROUTES[name];
      const guard: RequestHandler = (req, _res, next) =>
        next(whyNotAllowed(spec, req.session?.who) ?? undefined);
      router[spec.method](spec.path, guard, ...(h.before ?? []), async (req, res) => {
        if (h.body) refuseUnbounded(req.body, spec.mostValues);
        const body = h.body ? readShape(h.body, req.body ?? {}) : undefined;
        const query = h.query ? readShape(h.query, req.query) : undefined;
        const call = { params: paramsOf(req), body, query, who: req.session?.who, req, res };
        const { who } = call;
        if (who && body) refuseHidden(who, body);
        try {
          const answer = await h.run(call as unknown as Call<never, never>);
          if (answer !== undefined) res.json(who ? await asReadBy(who, answer) : answer);
        } catch (error) {
          throw who && error instanceof Refusal ? await asRead(error, (told) => asReadBy(who, told)) : error;
        }
      });
    }
  return router;
}
