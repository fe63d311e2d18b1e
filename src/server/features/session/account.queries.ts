import { createHash } from 'node:crypto';
import type { OpenSession } from '#contract/account.ts';
import type { Role } from '#contract/access.ts';
import type { Tx } from '../../db/pool.ts';

export interface AccountRow {
  id: string;
  name: string;
  email: string;
  role: Role;
  has_left: boolean;
  password_hash: string;
  totp_secret: Buffer | null;
  totp_on: boolean;
  totp_step: number;
  recovery_hashes: string[];
}

/** Held until the transaction ends: no code counts twice, no two passwords are set at once. */
export const accountForUpdate = (tx: Tx, personId: string): Promise<AccountRow | undefined> =>
  tx.one(
    `select id, name, email, role, has_left, password_hash, totp_secret, totp_on, totp_step, recovery_hashes
     from people where shop_id = :shopId and id = :personId for update`,
    { personId },
  );

export const setPassword = (tx: Tx, personId: string, passwordHash: string): Promise<number> =>
  tx.run(
    `update people set password_hash = :passwordHash, invited_at = null, version = version + 1
     where shop_id = :shopId and id = :personId`,
    { personId, passwordHash },
  );

export const setTotp = (
  tx: Tx,
  personId: string,
  t: { secret: Buffer | null; isOn: boolean; step: number; recovery: readonly string[] },
): Promise<number> =>
  tx.run(
    `update people set totp_secret = :secret, totp_on = :isOn, totp_step = :step, recovery_hashes = :recovery
     where shop_id = :shopId and id = :personId`,
    { personId, ...t },
  );

/** A session is named by a hash of its id: the id itself would open it. */
const idOfSession = (sid: string): string => createHash('sha256').update(sid).digest('hex').slice(0, 32);

interface SessionRow {
  sid: string;
  sess: { since?: string; device?: string };
}

/** Everywhere that a person is signed in, the newest first. */
export async function sessionsOf(tx: Tx, personId: string, thisSid: string): Promise<OpenSession[]> {
  const rows = await tx.rows<SessionRow>(
    `select sid, sess from sessions where sess->'who'->>'personId' = :personId and expire > now()
     order by sess->>'since' desc nulls last`,
    { personId },
  );
  return rows.map(({ sid, sess }) => ({
    id: idOfSession(sid),
    since: sess.since ?? null,
    device: sess.device ?? '',
    isThis: sid === thisSid,
  }));
}

/** Signs a person out: everywhere, or everywhere but here, or in one place. Screens that are open there are told to look. */
export async function endSessions(
  tx: Tx,
  personId: string,
  which: { but?: string; only?: string } = {},
): Promise<number> {
  const ended = await tx.run(
    `delete from sessions where sess->'who'->>'personId' = :personId and sid <> :but
       and (:only = '' or left(encode(sha256(convert_to(sid, 'UTF8')), 'hex'), 32) = :only)`,
    { personId, but: which.but ?? '', only: which.only ?? '' },
  );
  await tx.one(`select pg_notify('avrik_sessions', :personId)`, { personId });
  return ended;
}

export const isOpenSession = async (tx: Tx, sid: string): Promise<boolean> =>
  (await tx.one('select 1 from sessions where sid = :sid and expire > now()', { sid })) !== undefined;
