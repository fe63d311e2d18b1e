import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { call, callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const jobsQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['jobs', buildId],
    queryFn: ({ signal }) => call('jobsRead', { params: { buildId }, signal }),
  });

/** A change of a car's jobs; the server answers with all of them as they are then. */
export function useJobChange<R extends 'jobPut' | 'jobJoin' | 'jobSplit'>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (given: OfCar<R>) => callOfCar(route, buildId, given),
    onSuccess: (view) => {
      client.setQueryData(jobsQuery(buildId).queryKey, view);
      changed(buildId);
    },
  });
}
