import type { Tx } from './pool.ts';

/**
 * Holds a name until the transaction ends: whoever comes for it meanwhile waits. For what has no row yet that could be
 * held, so that the same thing made twice at once is made once.
 */
export const holdName = async (tx: Tx, name: string): Promise<void> => {
  await tx.run('select pg_advisory_xact_lock(hashtextextended(:key, 0))', { key: `${tx.shopId} ${name}` });
};

/**
 * Holds what of a shop is one thing for all: its lists, names and numbers, and what stands where. Whoever changes any of it waits
 * until this transaction ends; logging does not.
 */
export const holdShop = async (tx: Tx): Promise<void> => {
  await tx.run('select 1 from shop_counters where shop_id = :shopId for update');
};
