import type { RatePutDto } from '#contract/rates.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const ratesQuery = readOf('ratesRead');

export const usePutRate = () =>
  useChange('ratePut', ({ rateId, body }: { rateId: string; body: RatePutDto }) => ({
    params: { rateId },
    body,
  }));

export const useDropRate = () => useChange('rateDrop', (rateId: string) => ({ params: { rateId } }));
