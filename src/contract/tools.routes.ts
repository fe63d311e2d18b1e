/** Routes of tools. */
import type { LoanPutDto, LoansView } from './tools.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

const loansRead = get('/api/tools/loans', EVERYBODY).answers<LoansView>().about('loans');

export const toolsRoutes = {
  loansRead,
  loanPut: put('/api/tools/loans/:loanId', EVERYBODY).takes<LoanPutDto>().answersAs(loansRead).about('loans'),
} as const;
