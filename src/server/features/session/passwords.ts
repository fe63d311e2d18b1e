/** Passwords: hashed, verified, and held against the lists that everybody has who tries them. */
import { randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { whyNotPassword, type AccountWords } from '#core/account/passwords.ts';
import { invalidAt } from '../../http/refusal.ts';

/** Argon2id as OWASP's Password Storage Cheat Sheet advises: 19 MiB, two passes, one lane. */
const ARGON2ID = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashPassword = (password: string): Promise<string> => hash(password, ARGON2ID);

export const isPassword = (passwordHash: string, password: string): Promise<boolean> =>
  verify(passwordHash, password);

/** For somebody who has still to set one: nothing that is typed fits it. */
export const noPassword = (): Promise<string> => hashPassword(randomBytes(32).toString('hex'));

let common: Promise<Set<string>> | null = null;

/** Some fifty thousand, most of them from what was stolen elsewhere and published. Read when first needed. */
function commonPasswords(): Promise<Set<string>> {
  common ??= import('@zxcvbn-ts/language-common').then(
    ({ dictionary }) => new Set(dictionary['passwords-common'].map(String)),
  );
  return common;
}

/** Throws where a password is not to be taken, at its field. */
export async function refuseWeakPassword(
  password: string,
  account: AccountWords,
  field = 'password',
): Promise<void> {
  const list = await commonPasswords();
  const why = whyNotPassword(password, account, (p) => list.has(p));
  if (why) throw invalidAt(field, why);
}
