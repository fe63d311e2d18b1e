/**
 * Links by which somebody sets a password: an invitation, or a reset. Nothing is kept of them: the link carries whom it is for
 * and until when, under the installation's secret and the hash of the password that holds now, so that it is worth nothing once
 * that has been changed.
 */
import { createHmac, timingSafeEqual } from 'node:crypto';
import type { Deps } from '../../deps.ts';
import { isUuid } from '../../uuid.ts';

const HOUR_MS = 3600_000;
export const RESET_MS = HOUR_MS;
export const INVITATION_MS = 7 * 24 * HOUR_MS;

interface Holder {
  shopId: string;
  personId: string;
  passwordHash: string;
}

const markOf = ({ secret }: Pick<Deps, 'secret'>, head: string, passwordHash: string): string =>
  createHmac('sha256', secret).update(`password-link:${head}:${passwordHash}`).digest('base64url');

/** @param until milliseconds since 1970 */
export function passwordToken(deps: Pick<Deps, 'secret'>, who: Holder, until: number): string {
  const head = `${who.shopId}.${who.personId}.${until.toString(36)}`;
  return `${head}.${markOf(deps, head, who.passwordHash)}`;
}

export const passwordUrl = (deps: Pick<Deps, 'secret' | 'publicUrl'>, who: Holder, until: number): string =>
  `${deps.publicUrl}/password/${passwordToken(deps, who, until)}`;

/** Whom a token says that it is for; believed only after `isToken`. */
export function holderOf(token: string): { shopId: string; personId: string; until: number } | null {
  const [shopId = '', personId = '', until = ''] = token.split('.');
  return isUuid(shopId) && isUuid(personId) && /^[0-9a-z]{1,10}$/.test(until)
    ? { shopId, personId, until: Number.parseInt(until, 36) }
    : null;
}

/** Whether this is the token of that holder, and still holds at `now` (milliseconds since 1970). */
export function isToken(deps: Pick<Deps, 'secret'>, token: string, who: Holder, now: number): boolean {
  const said = holderOf(token);
  if (!said || said.until < now) return false;
  const right = Buffer.from(passwordToken(deps, who, said.until));
  const given = Buffer.from(token);
  return given.length === right.length && timingSafeEqual(given, right);
}
