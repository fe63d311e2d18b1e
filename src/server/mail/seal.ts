/** A secret of a shop, kept so that the database alone does not give it away: AES-256-GCM under the installation's secret. */
import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

const NONCE = 12;
const TAG = 16;

const keyOf = (secret: string): Buffer => Buffer.from(hkdfSync('sha256', secret, '', 'mail password', 32));

export function seal(secret: string, text: string): Buffer {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv('aes-256-gcm', keyOf(secret), nonce);
  return Buffer.concat([nonce, cipher.update(text, 'utf8'), cipher.final(), cipher.getAuthTag()]);
}

/** Throws where it was sealed with another secret, or changed since. */
export function unseal(secret: string, sealed: Buffer): string {
  const decipher = createDecipheriv('aes-256-gcm', keyOf(secret), sealed.subarray(0, NONCE));
  decipher.setAuthTag(sealed.subarray(-TAG));
  return Buffer.concat([decipher.update(sealed.subarray(NONCE, -TAG)), decipher.final()]).toString('utf8');
}
