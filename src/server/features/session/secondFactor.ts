/** The second factor: codes that change every thirty seconds (RFC 6238), and recovery codes for when the app is lost. */
import { createHash, randomBytes } from 'node:crypto';
import { generateSecret, generateURI, verifySync } from 'otplib';

export const newSecret = (): string => generateSecret();

export const uriOf = (secret: string, shop: string, email: string): string =>
  generateURI({ issuer: `Avrik ${shop}`, label: email, secret });

const STEP_S = 30;

/**
 * The step whose code this is, or null. One step before and after are taken too, for clocks that differ (RFC 6238, 5.2).
 * @param now UTC ISO instant
 * @param after the last step whose code was used: neither it nor an earlier one counts again
 */
export function stepOf(secret: string, code: string, now: string, after: number): number | null {
  const epoch = Math.floor(Date.parse(now) / 1000);
  const token = code.replace(/\s/g, '');
  if (!/^\d{6}$/.test(token)) return null;
  const result = verifySync({ secret, token, epoch, epochTolerance: STEP_S });
  if (!result.valid) return null;
  const step = Math.floor(epoch / STEP_S) + result.delta;
  return step > after ? step : null;
}

const CODES = 10;
/** Without letters that are read for digits. */
const ALPHABET = 'abcdefghjkmnpqrstuvwxyz23456789';

const oneCode = (): string => {
  const letters = [...randomBytes(10)].map((b) => ALPHABET[b % ALPHABET.length]).join('');
  return `${letters.slice(0, 5)}-${letters.slice(5)}`;
};

/** Ten codes of about 49 bits each. */
export const newRecoveryCodes = (): string[] => Array.from({ length: CODES }, oneCode);

/** They are random enough that a plain hash keeps them. */
export const hashOfRecovery = (code: string): string =>
  createHash('sha256')
    .update(code.toLowerCase().replace(/[^a-z0-9]/g, ''))
    .digest('hex');
