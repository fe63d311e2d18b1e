/**
 * The one-time code that an answer on the customer's page takes: six digits, mailed to the address on file. Derived from
 * the waiting answer's id and the installation's secret, so that the database keeps only its hash, and the mail that
 * carries it can be written later.
 */
import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import type { LineAnswer } from '#core/approval/answers.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';

const DIGITS = 6;
const VALID_MS = 30 * 60_000;
const MOST_TRIES = 5;

export function codeOf({ secret }: Pick<Deps, 'secret'>, id: string): string {
  const digest = createHmac('sha256', secret).update(`answer-code:${id}`).digest();
  return String(digest.readUInt32BE(0) % 10 ** DIGITS).padStart(DIGITS, '0');
}

const hashOf = (id: string, code: string): string =>
  createHash('sha256').update(`${id}:${code}`).digest('hex');

export interface WaitingAnswer {
  id: string;
  revision_id: string;
  /** Through which link; null for an answer of before links were noted. */
  link_id: string | null;
  name: string;
  understood: boolean;
  given: LineAnswer[];
  code_hash: string;
  made_at: string;
  tries: number;
  used_at: string | null;
}

/** Keeps an answer until its code comes back. */
export const insertWaiting = (
  tx: Tx,
  deps: Deps,
  a: {
    id: string;
    revisionId: string;
    linkId: string;
    name: string;
    understood: boolean;
    given: readonly LineAnswer[];
  },
): Promise<number> =>
  tx.run(
    `insert into answer_codes (shop_id, id, revision_id, link_id, name, understood, given, code_hash, made_at)
     values (:shopId, :id, :revisionId, :linkId, :name, :understood, :given::jsonb, :hash, :now)`,
    { ...a, given: JSON.stringify(a.given), hash: hashOf(a.id, codeOf(deps, a.id)), now: deps.clock.now() },
  );

/** Mails with a code that one link may cause in an hour: enough to mistype, too few to fill a mailbox. */
export const MOST_CODES_AN_HOUR = 6;

/** Codes mailed for a build since then. */
export const codesSince = async (tx: Tx, buildId: string, since: string): Promise<number> =>
  (await tx.one<{ n: number }>(
    `select count(*)::int as n from answer_codes c
     join revisions r on r.shop_id = c.shop_id and r.id = c.revision_id
     where c.shop_id = :shopId and r.build_id = :buildId and c.made_at > :since`,
    { buildId, since },
  ))!.n;

export const waitingAnswer = (tx: Tx, id: string): Promise<WaitingAnswer | undefined> =>
  tx.one('select * from answer_codes where shop_id = :shopId and id = :id for update', { id });

/** Why this code does not count, or null; the try is counted by `noteTry`. */
export function whyNotCode(waiting: WaitingAnswer, code: string, now: string): string | null {
  if (waiting.used_at !== null) return null;
  if (Date.parse(now) - Date.parse(waiting.made_at) > VALID_MS)
    return 'That code is older than half an hour. Send your answers again for a new one.';
  if (waiting.tries >= MOST_TRIES)
    return 'That was one try too many. Send your answers again for a new code.';
  const given = Buffer.from(hashOf(waiting.id, code.replace(/\s/g, '')));
  return timingSafeEqual(given, Buffer.from(waiting.code_hash)) ? null : 'That is not the code in the mail.';
}

export const noteTry = (tx: Tx, id: string, usedAt: string | null): Promise<number> =>
  tx.run(
    'update answer_codes set tries = tries + 1, used_at = :usedAt::timestamptz where shop_id = :shopId and id = :id',
    { id, usedAt },
  );
