import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { RouteName } from '#contract/access.ts';
import type { SnagEndDto, SnagPutDto, SnagsView, TrialPutDto } from '#contract/snags.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const snagsQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['snags', buildId],
    queryFn: ({ signal }) => call<SnagsView>('snagsRead', { params: { buildId }, signal }),
  });

interface Bodies {
  snagPut: SnagPutDto;
  snagEnd: SnagEndDto;
  trialPut: TrialPutDto;
}

/** A change of what is to be put right; the server answers with all of it as it is then. */
export function useSnagChange<R extends keyof Bodies & RouteName>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ params, body }: { params: Record<string, string>; body: Bodies[R] }) =>
      call<SnagsView>(route, { params: { buildId, ...params }, body }),
    onSuccess: (view) => {
      client.setQueryData(snagsQuery(buildId).queryKey, view);
      changed(buildId);
    },
  });
}
