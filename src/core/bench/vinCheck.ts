/**
 * A vehicle identification number: its check digit, and the years that it may be of.
 *
 * Sources. Values, weights, remainder of eleven, positions 7 and 10: 49 CFR 565.15(b) to (d), tables III to VII (published; numbers of
 * tables from memory). No check digit required elsewhere: ISO 3779 (published). Seventeen characters from model year 1981: 49 CFR 565
 * (published).
 */
import { choiceAt, InputError, isGiven, judged, numberAt, type Judged, type Reason } from './input.ts';

export interface VinCheckInput {
  vin: string;
  claimedYear?: number | null;
  market?: 'us-ca' | 'other' | null;
}

export interface VinCheckResult extends Judged {
  normalised: string;
  form: '17' | 'pre1981' | 'other';
  checkDigit: string | null;
  computed: string | null;
  checkValid: boolean | null;
  sum: number | null;
  /** From 1. */
  illegal: number[];
  modelYears: number[];
  modelYear: number | null;
}

const LENGTH = 17;
const LONGEST = 25;
const FIRST_YEAR = 1981;
const VALUES: Record<string, number> = {
  ...{ A: 1, B: 2, C: 3, D: 4, E: 5, F: 6, G: 7, H: 8, J: 1, K: 2, L: 3, M: 4, N: 5, P: 7, R: 9 },
  ...{ S: 2, T: 3, U: 4, V: 5, W: 6, X: 7, Y: 8, Z: 9 },
  ...Object.fromEntries(Array.from({ length: 10 }, (_, n) => [String(n), n])),
};
const WEIGHTS = [8, 7, 6, 5, 4, 3, 2, 10, 0, 9, 8, 7, 6, 5, 4, 3, 2];
const YEARS = 'ABCDEFGHJKLMNPRSTVWXY123456789';
const [CHECK_AT, KIND_AT, YEAR_AT] = [8, 6, 9];

function normalise(vin: unknown): string {
  if (!isGiven(vin) || (typeof vin === 'string' && vin.replace(/[\s-]/g, '') === ''))
    throw new InputError('vin', 'missing', 'vin is missing');
  if (typeof vin !== 'string') throw new InputError('vin', 'format', 'vin is no text');
  const plain = vin.toUpperCase().replace(/[\s-]/g, '');
  if (plain.length > LONGEST) throw new InputError('vin', 'out_of_range', `vin is longer than ${LONGEST}`);
  if (!/^[A-Z0-9*/.]+$/.test(plain))
    throw new InputError('vin', 'format', 'vin has characters that none has');
  return plain;
}

const NOTHING = {
  ...{ checkDigit: null, computed: null, checkValid: null, sum: null },
  ...{ illegal: [] as number[], modelYears: [] as number[], modelYear: null },
};

/** Checks a number; one of before 1981 is kept as it is, without a judgement. */
export function vinCheck(input: VinCheckInput): VinCheckResult {
  const vin = normalise(input.vin);
  const claimed = isGiven(input.claimedYear)
    ? numberAt(input.claimedYear, 'claimedYear', { least: 1885, most: 2039 })
    : null;
  if (claimed !== null && !Number.isInteger(claimed))
    throw new InputError('claimedYear', 'format', 'claimedYear is no year');
  const market = choiceAt(input.market, 'market', ['us-ca', 'other'], 'us-ca');
  const reasons: Reason[] = [];
  const say = (code: string, level: Reason['level'], text: string): number => reasons.push({ code, level, text });
  const isOld = claimed !== null && claimed < FIRST_YEAR;
  if (vin.length !== LENGTH) {
    if (isOld) say('pre_1981_not_checkable', 'watch', 'Before 1981 each maker numbered in his own way: nothing to check.');
    else say('wrong_length', 'fail', `It has ${vin.length} characters, not ${LENGTH}.`);
    return { normalised: vin, form: isOld ? 'pre1981' : 'other', ...NOTHING, ...judged(reasons) };
  }
  if (isOld) say('seventeen_characters_before_1981', 'watch', 'Seventeen characters, though it is said to be older than 1981.');
  const chars = [...vin];
  const illegal = chars.flatMap((c, i) => (VALUES[c] === undefined ? [i + 1] : []));
  if (illegal.length > 0) {
    say('illegal_character', 'fail', `No number has what stands at ${illegal.join(', ')}.`);
    return { normalised: vin, form: '17', ...NOTHING, illegal, ...judged(reasons) };
  }
  const sum = chars.reduce((total, c, i) => total + VALUES[c]! * WEIGHTS[i]!, 0);
  const computed = sum % 11 === 10 ? 'X' : String(sum % 11);
  const checkDigit = chars[CHECK_AT]!;
  const strict = market === 'us-ca' ? 'fail' : 'watch';
  if (computed !== checkDigit)
    say('check_digit_wrong', strict, `Its check digit is ${checkDigit}; it works out as ${computed}. Outside North America it need not be one.`);
  const k = YEARS.indexOf(chars[YEAR_AT]!);
  const modelYears = k < 0 ? [] : [1980 + k, 2010 + k];
  if (k < 0) say('year_character_unused', strict, `${chars[YEAR_AT]!} stands for no year.`);
  else if (claimed !== null && claimed >= FIRST_YEAR && !modelYears.includes(claimed))
    say('claimed_year_differs', 'watch', `It says ${modelYears.join(' or ')}, not ${claimed}.`);
  // Of cars and light vehicles: a digit at 7 is the first run of years, a letter the second.
  const modelYear = modelYears[/\d/.test(chars[KIND_AT]!) ? 0 : 1] ?? null;
  return {
    ...{ normalised: vin, form: '17' as const, checkDigit, computed, checkValid: computed === checkDigit },
    ...{ sum, illegal, modelYears, modelYear },
    ...judged(reasons),
  };
} // prettier-ignore
