import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { RatePutDto, RatesView } from '#contract/rates.ts';
import { call } from '../../shared/api.ts';
import { readAgain, readOf } from '../../shared/reading.ts';

export const ratesQuery = readOf('ratesRead');

function useTaken() {
  const client = useQueryClient();
  return (view: RatesView): void => {
    client.setQueryData(ratesQuery.queryKey, view);
    readAgain(client, 'termsRead', 'costsRead', 'estimateRead');
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
