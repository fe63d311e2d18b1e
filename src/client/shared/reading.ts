/** What is read from the server, kept under the name of its route: what may have changed is known from the contract then. */
import { queryOptions, type Query, type QueryClient } from '@tanstack/react-query';
import { ROUTES, type AnswerOf, type RouteName } from '#contract/routes.ts';
import { changedIn, isTouched, newsBy, paramNames, type RouteSpec } from '#contract/route.ts';
import { callUntil, type GivenTo } from './api.ts';

type Params = Readonly<Record<string, string>>;

/** The key of what a route answers, or the beginning of it: the route, its parameters in the order of its path, its query. */
export const keyOf = (route: RouteName, ...of: readonly unknown[]): readonly unknown[] => [route, ...of];

/** Key and fetch of what a route answers, for a query that says more of it. */
export function reading<N extends RouteName>(route: N, ...given: GivenTo<N>) {
  const { params, query } = (given[0] ?? {}) as { params?: Record<string, string>; query?: object };
  return {
    queryKey: keyOf(route, ...Object.values(params ?? {}), ...(query ? [query] : [])),
    queryFn: ({ signal }: { signal: AbortSignal }): Promise<AnswerOf<N>> =>
      callUntil(signal, route, ...given),
  };
}

/** What a route answers. */
export const readOf = <N extends RouteName>(route: N, ...given: GivenTo<N>) =>
  queryOptions(reading(route, ...given));

const SPECS: Readonly<Record<string, RouteSpec>> = ROUTES;

const specOf = ([route]: readonly unknown[]): RouteSpec | undefined => SPECS[String(route)];

/**
 * Reads anew what may be another by now. What is on its way for the first time may have been read before that: it is read once more
 * when it is here.
 */
function readAnew(client: QueryClient, mayBeAnother: (key: readonly unknown[]) => boolean): void {
  const all = client.getQueryCache().findAll({ predicate: ({ queryKey }) => mayBeAnother(queryKey) });
  const first = all.filter((q) => q.state.data === undefined && q.state.fetchStatus !== 'idle');
  const readThese = (these: readonly Query[]): Promise<void> =>
    client.invalidateQueries({ predicate: (q) => these.includes(q) });
  void readThese(all).then(() => (first.length > 0 ? readThese(first) : undefined));
}

/** Reads everything anew but what these routes answered. */
export const readAllAnew = (client: QueryClient, ...but: readonly RouteName[]): void =>
  readAnew(client, (key) => specOf(key)?.method === 'get' && !but.includes(key[0] as RouteName));

/** Reads anew what news is of: builds by their ids, and topics. */
export function readTold(client: QueryClient, news: Iterable<string>): void {
  const changed = changedIn(news);
  readAnew(client, (key) => {
    const spec = specOf(key);
    return spec !== undefined && isTouched(spec, key[1], changed);
  });
}

/** Reads anew what a call of a route may have changed. */
export const readChanged = (client: QueryClient, route: RouteName, params: Params = {}): void =>
  readTold(client, newsBy(ROUTES[route], params.buildId));

const NAMES = new Map((Object.keys(ROUTES) as RouteName[]).map((name) => [ROUTES[name] as RouteSpec, name]));

/**
 * Shows what a route answered to a change wherever the same is read. A read of it that is on its way may have been answered before the
 * change: it is dropped, and asked again.
 */
export async function showAnswer(
  client: QueryClient,
  route: RouteName,
  params: Params,
  answer: object,
): Promise<void> {
  const { shown } = ROUTES[route] as RouteSpec;
  if (!shown) return;
  const of = shown.paramsOf?.(answer) ?? params;
  const queryKey = keyOf(NAMES.get(shown.by)!, ...paramNames(shown.by.path).map((name) => of[name]));
  const isOnItsWay = client.isFetching({ queryKey, exact: true }) > 0;
  await client.cancelQueries({ queryKey, exact: true });
  client.setQueryData(queryKey, answer);
  if (isOnItsWay) void client.invalidateQueries({ queryKey, exact: true });
}
