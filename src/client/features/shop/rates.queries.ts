import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { RatePutDto, RatesView } from '#contract/rates.ts';
import { call } from '../../shared/api.ts';

export const ratesQuery = queryOptions({
  queryKey: ['rates'],
  queryFn: ({ signal }) => call('ratesRead', { signal }),
});

function useTaken() {
  const client = useQueryClient();
  return (view: RatesView): void => {
    client.setQueryData(ratesQuery.queryKey, view);
    for (const queryKey of [['terms'], ['costs'], ['estimate']]) void client.invalidateQueries({ queryKey });
  };
}

export function usePutRate() {
  const taken = useTaken();
  return useMutation({
    mutationFn: ({ rateId, body }: { rateId: string; body: RatePutDto }) =>
      call('ratePut', { params: { rateId }, body }),
    onSuccess: taken,
  });
}

export function useDropRate() {
  const taken = useTaken();
  return useMutation({
    mutationFn: (rateId: string) => call('rateDrop', { params: { rateId } }),
    onSuccess: taken,
  });
}
