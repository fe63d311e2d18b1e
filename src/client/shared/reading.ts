/** What is read from the server, kept under the name of its route: what may have changed is known from the contract then. */
import { queryOptions, type QueryClient } from '@tanstack/react-query';
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
export function isTouched([route, of]: readonly unknown[], buildIds: ReadonlySet<unknown>): boolean {
  const reads = SPECS[String(route)]?.reads;
  return reads === 'every build' || (reads === 'its build' && buildIds.has(of));
}
