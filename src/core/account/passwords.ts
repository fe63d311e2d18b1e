/** Which passwords are taken: NIST SP 800-63B, 5.1.1.2 (length, no common ones, nothing that stands in the account itself). */

const SHORTEST_PASSWORD = 10;

/** What somebody who knows the account would try first. */
export interface AccountWords {
  name: string;
  email: string;
  shopName: string;
}

const letters = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** A word of the account with digits or signs about it is no more than that word. */
const withoutTrimmings = (password: string): string => letters(password).replace(/^\d+|\d+$/g, '');

/**
 * Why this password is not taken, in words, or null.
 * @param isCommon whether a lower-case password stands in a list of common ones
 */
export function whyNotPassword(
  password: string,
  { name, email, shopName }: AccountWords,
  isCommon: (password: string) => boolean,
): string | null {
  if (password.length < SHORTEST_PASSWORD) return `at least ${SHORTEST_PASSWORD} characters`;
  if (new Set(password).size < 4) return 'more than a few different characters';
  const bare = withoutTrimmings(password);
  if (isCommon(password.toLowerCase()) || isCommon(bare))
    return 'that one is in every list of common passwords: choose another';
  const own = [name, email, email.split('@')[0] ?? '', shopName, ...name.split(/\s+/)].map(letters);
  return own.some((word) => word.length > 3 && bare === word)
    ? 'not a name or address of yours or of the shop'
    : null;
}
