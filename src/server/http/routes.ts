/** Mounts features by the route table: who may, what shape, then the handler. */
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { newsBy, type RouteSpec } from '#contract/route.ts';
import {
  ROUTES,
  type AnswerOf,
  type BodyOf,
  type ParamsOf,
  type QueryOf,
  type RouteName,
} from '#contract/routes.ts';
import { refuseUnbounded } from './bounds.ts';
import { Refusal } from './refusal.ts';
import { asWriter } from '../db/writers.ts';
import { isUuid } from '../uuid.ts';
import { readShape, type Shape } from './validate.ts';
import type { SignedIn } from './session.ts';

/** What a handler gets: parameters, the checked body and query, and who asks. */
export interface Call<N extends RouteName> {
  params: ParamsOf<N>;
  body: BodyOf<N>;
  query: QueryOf<N>;
  who: SignedIn;
  req: Request;
  res: Response;
}

/** The class that checks the body, where the route takes one; by what stands in the address where that decides. */
type BodyCheck<N extends RouteName> = [BodyOf<N>] extends [object]
  ? { body: Shape<BodyOf<N>> } | { bodyBy: (params: ParamsOf<N>) => Shape<BodyOf<N>> }
  : { body?: undefined };

type QueryCheck<N extends RouteName> = [QueryOf<N>] extends [object]
  ? { query: Shape<QueryOf<N>> }
  : { query?: undefined };

/** `run`: its value is sent as JSON; where the route has no answer, it answers by itself. */
export type HandlerOf<N extends RouteName> = {
  before?: RequestHandler[];
  run: (call: Call<N>) => Promise<AnswerOf<N> extends object ? AnswerOf<N> : void>;
} & BodyCheck<N> &
  QueryCheck<N>;

export type Feature = { [N in RouteName]?: HandlerOf<N> };

/** A handler whose route is not known by name. */
export interface Handler {
  before?: RequestHandler[];
  body?: Shape<object>;
  /** Where it depends on what stands in the address. */
  bodyBy?: (params: Record<string, string>) => Shape<object>;
  query?: Shape<object>;
  run: (call: object) => Promise<unknown>;
}

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
    for (const [name, h] of Object.entries(feature) as unknown as [RouteName, Handler][]) {
      const spec: RouteSpec = ROUTES[name];
      const guard: RequestHandler = (req, _res, next) =>
        next(whyNotAllowed(spec, req.session?.who) ?? undefined);
      router[spec.method](spec.path, guard, ...(h.before ?? []), async (req, res) => {
        const params = paramsOf(req);
        const shape = h.bodyBy?.(params) ?? h.body;
        if (shape) refuseUnbounded(req.body);
        const body = shape ? readShape(shape, req.body ?? {}) : undefined;
        const query = h.query ? readShape(h.query, req.query) : undefined;
        const call = { params, body, query, who: req.session?.who, req, res };
        const { who } = call;
        if (who && body) refuseHidden(who, body);
        try {
          const run = (): Promise<unknown> => h.run(call);
          const hasGone = (): boolean => res.destroyed;
          const answer = await (spec.method === 'get'
            ? run()
            : asWriter(
                {
                  of: params.buildId ?? Object.values(params)[0] ?? null,
                  news: newsBy(spec, params.buildId),
                  hasGone,
                },
                run,
              ));
          if (answer !== undefined) res.json(who ? await asReadBy(who, answer) : answer);
        } catch (error) {
          throw who && error instanceof Refusal ? await asRead(error, (told) => asReadBy(who, told)) : error;
        }
      });
    }
  return router;
}
