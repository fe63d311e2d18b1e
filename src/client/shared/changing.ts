/**
 * A change by a route, as pages make it. What the route answers is shown at once; whatever the contract says that it may change is
 * read anew, also where it was refused or got no answer: somebody else may have been first, and it may have been kept.
 */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { RouteName } from '#contract/routes.ts';
import { callOfCar, callWith, type Given, type OfCar } from './api.ts';
import { readChanged, showAnswer } from './reading.ts';

interface Ways<T, A> {
  ask: (of: T) => Promise<A>;
  /** What its address is filled in with. */
  paramsOf: (of: T) => Readonly<Record<string, string>>;
}

function useChanging<T, A>(route: RouteName, { ask, paramsOf }: Ways<T, A>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ask,
    onSuccess: (answer, of) => showAnswer(client, route, paramsOf(of), answer ?? {}),
    onSettled: (_answer, _error, of) => readChanged(client, route, paramsOf(of)),
  });
}

/** `given` puts together what the route is called with, out of what the page knows. */
export const useChange = <N extends RouteName, T = void>(route: N, given: (of: T) => Given<N>) =>
  useChanging(route, {
    ask: (of: T) => callWith(route, given(of)),
    paramsOf: (of) => ({ ...given(of).params }),
  });

/** A change by a route of a car, which is called with what is not the car’s. */
export const useCarChange = <N extends RouteName>(buildId: string, route: N) =>
  useChanging(route, {
    ask: (given: OfCar<N>) => callOfCar(route, buildId, given),
    paramsOf: ({ params }) => ({ ...params, buildId }),
  });

/** Why the last of several changes was refused: what one of them was refused before is no news once another went. */
export const lastFault = (
  ...changes: readonly { error: Error | null; submittedAt: number }[]
): Error | null => changes.reduce((a, b) => (b.submittedAt > a.submittedAt ? b : a)).error;
