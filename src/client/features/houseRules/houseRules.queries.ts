import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { HouseRuleDto, PastDto, SettleDto } from '#contract/houseRules.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const rulesQuery = readOf('rulesRead');

export const proposalsQuery = (buildId: string) => readOf('proposalsRead', { params: { buildId } });

export function useSaveRule() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ rule, body }: { rule: string; body: HouseRuleDto }) =>
      call('ruleSave', { params: { rule }, body }),
    onSuccess: (view) => {
      client.setQueryData(rulesQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('proposalsRead') });
    },
  });
}

export function useSavePast(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: PastDto) => call('pastSave', { params: { buildId }, body }),
    onSuccess: (view) => client.setQueryData(proposalsQuery(buildId).queryKey, view),
  });
}

export function useSettle(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: SettleDto) => call('proposalsSettle', { params: { buildId }, body }),
    onSuccess: (view) => {
      client.setQueryData(proposalsQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('proposalsRead', buildId) }),
  });
}
