import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { LoanPutDto } from '#contract/tools.ts';
import { call } from '../../shared/api.ts';
import { readOf } from '../../shared/reading.ts';

export const loansQuery = readOf('loansRead');

/** Writes a loan down or changes it; the server answers with all of them as they are then. */
export function usePutLoan() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ loanId, body }: { loanId: string; body: LoanPutDto }) =>
      call('loanPut', { params: { loanId }, body }),
    onSuccess: (view) => client.setQueryData(loansQuery.queryKey, view),
  });
}
