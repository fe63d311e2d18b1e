import type { LoanView } from '#contract/tools.ts';
import type { Tx } from '../../db/pool.ts';

const COLUMNS =
  'select id, version, what, lent_to as "lentTo", lent_on as "lentOn", due, back_on as "backOn" from loans';

/** All that is out, and so many of those that are back, the latest. */
export const loansOf = (tx: Tx, mostBack: number): Promise<LoanView[]> =>
  tx.rows(
    `(${COLUMNS} where shop_id = :shopId and back_on is null)
     union all
     (${COLUMNS} where shop_id = :shopId and back_on is not null order by back_on desc, id limit :mostBack)`,
    { mostBack },
  );

/** Held until the transaction ends. */
export const loanForUpdate = (tx: Tx, id: string): Promise<LoanView | undefined> =>
  tx.one(`${COLUMNS} where shop_id = :shopId and id = :id for update`, { id });

type Kept = Omit<LoanView, 'version'>;

/** Answers whether it was new. */
export const insertLoan = async (tx: Tx, loan: Kept): Promise<boolean> =>
  (await tx.run(
    `insert into loans (shop_id, id, what, lent_to, lent_on, due, back_on)
     values (:shopId, :id, :what, :lentTo, :lentOn, :due, :backOn) on conflict do nothing`,
    { ...loan },
  )) === 1;

export const saveLoan = (tx: Tx, loan: Kept): Promise<number> =>
  tx.run(
    `update loans set what = :what, lent_to = :lentTo, lent_on = :lentOn, due = :due, back_on = :backOn,
       version = version + 1 where shop_id = :shopId and id = :id`,
    { ...loan },
  );
