import { LoanPutDto } from '#contract/tools.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './tools.service.ts';

export function toolsRoutes(deps: Deps): Feature {
  return {
    loansRead: { run: ({ who }) => s.readLoans(deps, who) },
    loanPut: {
      body: LoanPutDto,
      run: ({ who, params, body }) => s.putLoan(deps, who, params.loanId, body),
    },
  };
}
