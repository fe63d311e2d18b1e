import type { LoanPutDto } from '#contract/tools.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const loansQuery = readOf('loansRead');

/** Writes a loan down or changes it. */
export const usePutLoan = () =>
  useChange('loanPut', ({ loanId, body }: { loanId: string; body: LoanPutDto }) => ({
    params: { loanId },
    body,
  }));
