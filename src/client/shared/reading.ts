/** What is read from the server, kept under the name of its route: what may have changed is known from the contract then. */
import { queryOptions, type Query, type QueryClient } from '@tanstack/react-query';
import { ROUTES, type AnswerOf, type RouteName } from '#contract/routes.ts';
import { paramNames, type RouteSpec, type Topic } from '#contract/route.ts';
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

/** What may be another: the builds that something was logged on, by their ids, and what a shop keeps beside them. */
interface Changed {
  builds: ReadonlySet<unknown> | 'every build';
  topics?: readonly Topic[];
}

/** Whether what stands under a key may be another after that. */
function isTouched([route, of]: readonly unknown[], { builds, topics = [] }: Changed): boolean {
  const spec = SPECS[String(route)];
  if (spec?.method !== 'get') return false;
  if (topics.some((topic) => spec.topics.includes(topic))) return true;
  if (spec.builds === 'every build') return builds === 'every build' || builds.size > 0;
  return spec.builds === 'its build' && (builds === 'every build' || builds.has(of));
}

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
  readAnew(client, ([route]) => SPECS[String(route)]?.method === 'get' && !but.includes(route as RouteName));

/** Reads anew what something that was logged on these builds may have changed. */
export const readTouched = (client: QueryClient, builds: ReadonlySet<unknown>): void =>
  readAnew(client, (key) => isTouched(key, { builds }));

/** Reads anew what a call of a route may have changed. */
export function readChanged(client: QueryClient, route: RouteName, params: Params = {}): void {
  const { builds, topics } = ROUTES[route] as RouteSpec;
  const its = new Set(builds === 'its build' ? [params.buildId] : []);
  readAnew(client, (key) => isTouched(key, { builds: builds === 'every build' ? builds : its, topics }));
}

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
