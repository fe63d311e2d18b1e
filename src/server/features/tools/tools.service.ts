/** Tools of the shop that somebody has taken with them. */
import type { LoanPutDto, LoansView } from '#contract/tools.ts';
import { canonical } from '#core/approval/canonical.ts';
import { dayOf } from '#core/time/days.ts';
import { inOrder, whyNotLoan } from '#core/tools/loans.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { changedMeanwhile, invalidFields } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { shopOf } from '../session/index.ts';
import * as q from './tools.queries.ts';

/** So many of those that are back are listed. */
const MOST_BACK = 50;

const loansNow = async (tx: Tx): Promise<LoansView> => ({ loans: inOrder(await q.loansOf(tx, MOST_BACK)) });

export const readLoans = (deps: Deps, who: SignedIn): Promise<LoansView> =>
  inShop(deps.db, who.shopId, loansNow);

/** Writes a loan down, or changes it: its day, that it is back. The same again changes nothing. */
export const putLoan = (deps: Deps, who: SignedIn, id: string, dto: LoanPutDto): Promise<LoansView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const { version, what, lentTo, lentOn, due = null, backOn = null } = dto;
    const loan = { id, what: what.trim(), lentTo: lentTo.trim(), lentOn, due, backOn };
    const faults = whyNotLoan(loan, dayOf(deps.clock.now(), (await shopOf(tx)).timeZone));
    if (faults.length > 0) throw invalidFields(faults);
    if (await q.insertLoan(tx, loan)) return loansNow(tx);
    const known = (await q.loanForUpdate(tx, id))!;
    if (canonical({ ...known, version: 0 }) === canonical({ ...loan, version: 0 })) return loansNow(tx);
    if (known.version !== version) throw changedMeanwhile('this loan', known);
    await q.saveLoan(tx, loan);
    return loansNow(tx);
  });
