import { useMutation, useQueryClient } from '@tanstack/react-query';
import { callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { readOf } from '../../shared/reading.ts';

export const jobsQuery = (buildId: string) => readOf('jobsRead', { params: { buildId } });

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
