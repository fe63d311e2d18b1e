import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { CheckpointMarkDto, FittedDto } from '#contract/inspection.ts';
import { call } from '../../shared/api.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const inspectionQuery = (buildId: string) => readOf('inspectionRead', { params: { buildId } });

export function useMarkCheckpoint(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: CheckpointMarkDto) => call('inspectionMark', { params: { buildId }, body }),
    onSuccess: (view) => client.setQueryData(inspectionQuery(buildId).queryKey, view),
  });
}

export function useSetFitted(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: FittedDto) => call('fittedSave', { params: { buildId }, body }),
    onSuccess: (view) => {
      client.setQueryData(inspectionQuery(buildId).queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('proposalsRead', buildId) });
    },
  });
}
