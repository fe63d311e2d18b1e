/**
 * A change by a route, as pages make it. What the route answers is shown at once; whatever the contract says that it may change is
 * read anew, also where it was refused or got no answer: somebody else may have been first, and it may have been kept.
 */
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { BodyOf, ParamsOf, RouteName } from '#contract/routes.ts';
import { callWith, type Given } from './api.ts';
import { readChanged, showAnswer } from './reading.ts';

/** `given` puts together what the route is called with, out of what the page knows. */
export function useChange<N extends RouteName, T = void>(route: N, given: (of: T) => Given<N>) {
  const client = useQueryClient();
  const paramsOf = (of: T): Record<string, string> => ({ ...given(of).params });
  return useMutation({
    mutationFn: (of: T) => callWith(route, given(of)),
    onSuccess: (answer, of) => showAnswer(client, route, paramsOf(of), answer ?? {}),
    onSettled: (_answer, _error, of) => readChanged(client, route, paramsOf(of)),
  });
}

/** Those of a route’s parameters that are not of its car, and its body. */
interface OfCar<N extends RouteName> {
  params: Omit<ParamsOf<N>, 'buildId'>;
  body: BodyOf<N>;
}

/** A change by a route of a car, which is called with what is not the car’s. */
export const useCarChange = <N extends RouteName>(buildId: string, route: N) =>
  useChange(
    route,
    ({ params, body }: OfCar<N>) => ({ params: { ...params, buildId }, body }) as unknown as Given<N>,
  );
