import { useMutation, useQueryClient } from '@tanstack/react-query';
import { callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { readOf } from '../../shared/reading.ts';

export const snagsQuery = (buildId: string) => readOf('snagsRead', { params: { buildId } });

/** A change of what is to be put right; the server answers with all of it as it is then. */
export function useSnagChange<R extends 'snagPut' | 'snagEnd' | 'trialPut'>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (given: OfCar<R>) => callOfCar(route, buildId, given),
    onSuccess: (view) => {
      client.setQueryData(snagsQuery(buildId).queryKey, view);
      changed(buildId);
    },
  });
}
