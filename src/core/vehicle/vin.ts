/**
 * Vehicle identification numbers of 17 characters and their check digit: 49 CFR 565.15 (US), whose characters, values and
 * weights are those of ISO 3779. Older and other numbers are free form.
 */

/** Values of the characters (49 CFR 565.15(c)(1), table III). I, O and Q are not used. */
const VALUES = new Map<string, number>([
  ...[...'0123456789'].map((c): [string, number] => [c, Number(c)]),
  ...[...'ABCDEFGH'].map((c, i): [string, number] => [c, i + 1]),
  ...[...'JKLMN'].map((c, i): [string, number] => [c, i + 1]),
  ['P', 7],
  ['R', 9],
  ...[...'STUVWXYZ'].map((c, i): [string, number] => [c, i + 2]),
]);

/** Weights of the places (49 CFR 565.15(c)(2), table IV); the ninth is the check digit itself. */
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
const CHECK_PLACE = 8;
const LENGTH = 17;
const MODULUS = 11;

/** The number as it is compared: capital letters, no spaces, hyphens or dots. */
export const plainNumber = (typed: string): string => typed.toUpperCase().replace(/[\s.\-/]/g, '');

export type NumberCheck =
  /** Not 17 characters: an older or another kind of number, of which nothing can be said. */
  | { form: 'free' }
  | { form: 'vin'; fits: true }
  /** `why` says what does not fit, in words for the person who typed it. */
  | { form: 'vin'; fits: false; why: string };

/** The check digit that the other 16 characters ask for: 0 to 9 or X; null where a character is none of them. */
export function checkDigit(vin: string): string | null {
  let sum = 0;
  for (const [i, c] of [...vin].entries()) {
    const value = i === CHECK_PLACE ? 0 : VALUES.get(c);
    if (value === undefined) return null;
    sum += value * WEIGHTS[i]!;
  }
  const rest = sum % MODULUS;
  return rest === 10 ? 'X' : String(rest);
}

/** What can be said of a chassis number as it was typed. */
export function checkNumber(typed: string): NumberCheck {
  const vin = plainNumber(typed);
  if (vin.length !== LENGTH) return { form: 'free' };
  const odd = [...vin].findIndex((c, i) => i !== CHECK_PLACE && !VALUES.has(c));
  if (odd >= 0) {
    const said = /[IOQ]/.test(vin[odd]!)
      ? '; the letters I, O and Q are never used, for fear of 1 and 0'
      : '';
    return { form: 'vin', fits: false, why: `“${vin[odd]}” in place ${odd + 1} cannot stand there${said}.` };
  }
  const wanted = checkDigit(vin)!;
  if (vin[CHECK_PLACE] === wanted) return { form: 'vin', fits: true };
  return {
    form: 'vin',
    fits: false,
    why: `The ninth place should be ${wanted}, not ${vin[CHECK_PLACE]}: read it once more. Only vehicles made for North America must have the check digit; elsewhere the place may hold anything.`,
  };
}

/** Codes of the model year in the tenth place, from 1980 on (49 CFR 565.15(d)(1), table VII); they come round after 30 years. */
const YEAR_CODES = 'ABCDEFGHJKLMNPRSTVWXY123456789';
const FIRST_YEAR = 1980;

/** The model years that the tenth place may mean, oldest first, none later than `newest`; empty where it is no such code. */
export function modelYears(typed: string, newest: number): number[] {
  const vin = plainNumber(typed);
  const at = vin.length === LENGTH ? YEAR_CODES.indexOf(vin[9]!) : -1;
  const years: number[] = [];
  for (let y = FIRST_YEAR + at; at >= 0 && y <= newest; y += YEAR_CODES.length) years.push(y);
  return years;
}
