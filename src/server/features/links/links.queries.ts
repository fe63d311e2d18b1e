import type { Scope } from '#core/update/scope.ts';
import type { Tx } from '../../db/pool.ts';

/** The customer's own. */
export const liveLink = (tx: Tx, buildId: string): Promise<{ id: string } | undefined> =>
  tx.one(
    `select id from customer_links where shop_id = :shopId and build_id = :buildId and revoked_at is null and name = ''`,
    { buildId },
  );

export const insertLink = (
  tx: Tx,
  l: { id: string; buildId: string; hash: string; now: string },
): Promise<number> =>
  tx.run(
    `insert into customer_links (shop_id, id, build_id, token_hash, made_at, scope)
     values (:shopId, :id, :buildId, decode(:hash, 'hex'), :now, 'approve')`,
    l,
  );

export const revokeLinks = (tx: Tx, buildId: string, now: string): Promise<number> =>
  tx.run(
    `update customer_links set revoked_at = :now
     where shop_id = :shopId and build_id = :buildId and revoked_at is null and name = ''`,
    { buildId, now },
  );

/** A link; without a name it is the customer's own. */
export interface LinkRow {
  shop_id: string;
  id: string;
  build_id: string;
  name: string;
  scope: Scope;
}

/** The build that a live link opens; looked up before any shop is known. */
export const linkAtTheDoor = (tx: Tx, hash: string): Promise<LinkRow | undefined> =>
  tx.one(
    `select shop_id, id, build_id, name, scope from customer_links where token_hash = decode(:hash, 'hex') and revoked_at is null`,
    { hash },
  );

export interface ReaderRow {
  id: string;
  build_id: string;
  name: string;
  email: string;
  scope: Scope;
  last_opened_at: string | null;
}

const READERS = `select id, build_id, name, email, scope, last_opened_at from customer_links
  where shop_id = :shopId and name <> ''`;

/** Others who are told of a build, by name. */
export const readersOf = (tx: Tx, buildId: string): Promise<ReaderRow[]> =>
  tx.rows(`${READERS} and build_id = :buildId and revoked_at is null order by name collate "und-x-icu", id`, {
    buildId,
  });

export const readerById = (
  tx: Tx,
  id: string,
): Promise<(ReaderRow & { revoked_at: string | null }) | undefined> =>
  tx.one(
    'select id, build_id, name, email, scope, last_opened_at, revoked_at from customer_links where shop_id = :shopId and id = :id',
    { id },
  );

export const insertReader = (
  tx: Tx,
  l: { id: string; buildId: string; hash: string; name: string; email: string; scope: Scope; now: string },
): Promise<number> =>
  tx.run(
    `insert into customer_links (shop_id, id, build_id, token_hash, name, email, scope, made_at)
     values (:shopId, :id, :buildId, decode(:hash, 'hex'), :name, :email, :scope, :now)`,
    l,
  );

export const saveScope = (tx: Tx, id: string, scope: Scope): Promise<number> =>
  tx.run('update customer_links set scope = :scope where shop_id = :shopId and id = :id', { id, scope });

export const revokeReader = (tx: Tx, id: string, now: string): Promise<number> =>
  tx.run(
    `update customer_links set revoked_at = :now
     where shop_id = :shopId and id = :id and name <> '' and revoked_at is null`,
    { id, now },
  );
