/** What is read from the server, kept under the name of its route: what may have changed is known from the contract then. */
import { queryOptions, type Query, type QueryClient } from '@tanstack/react-query';
import { ROUTES, type AnswerOf, type RouteName } from '#contract/routes.ts';
import type { RouteSpec } from '#contract/route.ts';
import { callUntil, type GivenTo } from './api.ts';

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

/** Reads anew what these routes answered, of whatever it was asked. */
export function readAgain(client: QueryClient, ...routes: readonly RouteName[]): void {
  for (const route of routes) void client.invalidateQueries({ queryKey: keyOf(route) });
}

const SPECS: Readonly<Record<string, RouteSpec>> = ROUTES;

/** Whether what stands under a key may be another once something was logged on these builds. */
function isTouched([route, of]: readonly unknown[], buildIds: ReadonlySet<unknown>): boolean {
  const reads = SPECS[String(route)]?.reads;
  return reads === 'every build' || (reads === 'its build' && buildIds.has(of));
}

/**
 * Reads anew what may be another by now. What is on its way for the first time may have been read before that: it is read once more
 * when it is here.
 */
export function readAnew(client: QueryClient, mayBeAnother: (key: readonly unknown[]) => boolean): void {
  const all = client.getQueryCache().findAll({ predicate: ({ queryKey }) => mayBeAnother(queryKey) });
  const first = all.filter((q) => q.state.data === undefined && q.state.fetchStatus !== 'idle');
  const readThese = (these: readonly Query[]): Promise<void> =>
    client.invalidateQueries({ predicate: (q) => these.includes(q) });
  void readThese(all).then(() => (first.length > 0 ? readThese(first) : undefined));
}

/** Reads anew what something that was logged on these builds may have changed. */
export const readTouched = (client: QueryClient, buildIds: ReadonlySet<unknown>): void =>
  readAnew(client, (key) => isTouched(key, buildIds));
