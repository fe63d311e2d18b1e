/** Routes of tools. */
import type { LoanPutDto, LoansView } from './tools.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

export const toolsRoutes = {
  loansRead: get('/api/tools/loans', EVERYBODY).answers<LoansView>(),
  loanPut: put('/api/tools/loans/:loanId', EVERYBODY).takes<LoanPutDto>().answers<LoansView>(),
} as const;
