import type { Tx } from '../../db/pool.ts';

export const liveLink = (tx: Tx, buildId: string): Promise<{ id: string } | undefined> =>
  tx.one(
    'select id from customer_links where shop_id = :shopId and build_id = :buildId and revoked_at is null',
    { buildId },
  );

export const insertLink = (
  tx: Tx,
  l: { id: string; buildId: string; hash: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into customer_links (shop_id, id, build_id, token_hash, made_at)
     values (:shopId, :id, :buildId, decode(:hash, 'hex'), :now)`,
    l,
  );

export const revokeLinks = (tx: Tx, buildId: string, now: string): Promise<number> =>
  tx.run(
    'update customer_links set revoked_at = :now where shop_id = :shopId and build_id = :buildId and revoked_at is null',
    { buildId, now },
  );

/** The build that a live link opens; looked up before any shop is known. */
export const linkAtTheDoor = (
  tx: Tx,
  hash: string,
): Promise<{ shop_id: string; id: string; build_id: string } | undefined> =>
  tx.one(
    `select shop_id, id, build_id from customer_links where token_hash = decode(:hash, 'hex') and revoked_at is null`,
    { hash },
  );
