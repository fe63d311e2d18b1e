/**
 * The age of a tyre by its identification number.
 *
 * Sources. Layout, symbols that are used, week and year: 49 CFR 574.5 (published; wording from memory). Four digits from 2 July 2000,
 * numbers since 1971: from memory. A triangle for the 1990s, looking at it yearly from six years, none over ten: common practice,
 * no law in the United States.
 */
import { addDays, dayFromParts, daysBetween, weekdayOf, type Day } from '../time/days.ts';
import { dayAt, inconsistent, InputError, isGiven, judged, numberAt, SLACK, type Judged, type Reason } from './input.ts'; // prettier-ignore

export interface TyreAgeInput {
  tin: string;
  /** YYYY-MM-DD. */
  asOf: string;
  decade?: 1970 | 1980 | 1990 | null;
  triangle?: boolean | null;
  policyWatch_years?: number | null;
  policyFail_years?: number | null;
}

export interface TyreAgeResult extends Judged {
  dateCode: string;
  week: number;
  /** The newest first. */
  candidateYears: number[];
  /** Of the newest. */
  weekStart: string;
  weekEnd: string;
  age_years: number;
  /** Of the oldest. */
  ageMax_years: number;
}

const LONGEST = 13;
const UNUSED = /[GIOQSZ]/;
const DAYS_A_YEAR = 365.25;
/** From this day on the year has two digits (from memory). */
const FOUR_DIGITS_FROM: Day = '2000-07-02';

const formatFault = (field: string, why: string): InputError =>
  new InputError(field, 'format', `${field}: ${why}`);
const outside = (field: string, why: string): InputError =>
  new InputError(field, 'out_of_range', `${field}: ${why}`);

function codeAt(value: unknown): { code: string; whole: string } {
  if (!isGiven(value) || (typeof value === 'string' && value.trim() === ''))
    throw new InputError('tin', 'missing', 'tin is missing');
  if (typeof value !== 'string') throw formatFault('tin', 'no text');
  const groups = value.toUpperCase().trim().replace(/^DOT\b[\s-]*/, '').split(/[\s-]+/); // prettier-ignore
  const whole = groups.join('');
  if (whole.length > LONGEST || !/^[A-Z0-9]+$/.test(whole))
    throw formatFault('tin', 'no identification number');
  const digits = /\d*$/.exec(groups.at(-1)!)![0];
  if (digits.length < 3)
    throw formatFault('tin', 'the half of the number with the date is on the other sidewall');
  return { code: digits.slice(-4), whole };
}

/** Week 1 is the first whole one from Sunday to Saturday; null where a year has no such week. */
function weekStart(year: number, week: number): Day | null {
  const first = dayFromParts(year, 1, 1)!;
  const sunday = addDays(first, (7 - (weekdayOf(first) % 7)) % 7);
  const start = addDays(sunday, 7 * (week - 1));
  return start.startsWith(`${year}-`) ? start : null;
}

function yearsOf(code: string, week: number, decade: number | null, triangle: boolean): number[] {
  if (code.length === 4) return [2000 + Number(code.slice(2))];
  const digit = Number(code.at(-1));
  if (decade !== null) return [decade + digit];
  if (triangle) return [1990 + digit];
  const early = digit === 0 && (weekStart(2000, week) ?? FOUR_DIGITS_FROM) <= FOUR_DIGITS_FROM ? [2000] : [];
  return [...early, 1990 + digit, 1980 + digit, ...(digit === 0 ? [] : [1970 + digit])];
}

/** Reads the week and year of a tyre, every year that it may be where the number does not say, and judges the age. */
export function tyreAge(input: TyreAgeInput): TyreAgeResult {
  const { code, whole } = codeAt(input.tin);
  const asOf = dayAt(input.asOf, 'asOf');
  const decade = isGiven(input.decade) ? numberAt(input.decade, 'decade', { least: 1970, most: 1990 }) : null;
  if (decade !== null && decade % 10 !== 0) throw outside('decade', '1970, 1980 or 1990');
  const triangle = input.triangle === true;
  if (triangle && decade !== null && decade !== 1990) throw inconsistent('decade', 'a triangle stands for the 1990s');
  const years = (name: 'policyWatch_years' | 'policyFail_years', otherwise: number): number =>
    numberAt(input[name], name, { least: 0, most: 100, otherwise });
  const [watchFrom, failFrom] = [years('policyWatch_years', 6), years('policyFail_years', 10)];
  const week = Number(code.slice(0, 2));
  if (week < 1 || week > 53) throw outside('tin', `there is no week ${week}`);
  const candidates = yearsOf(code, week, decade, triangle).flatMap((year) => {
    const start = weekStart(year, week);
    return start === null ? [] : [{ year, start }];
  });
  const [newest] = candidates;
  if (!newest) throw outside('tin', `no year that it may be has a week ${week}`);
  if (code.length === 4 && newest.start > asOf) throw inconsistent('tin', 'it was not made yet');
  const ageOf = (start: Day): number => daysBetween(start, asOf) / DAYS_A_YEAR;
  const age = ageOf(newest.start);
  const reasons: Reason[] = [];
  const say = (code_: string, level: Reason['level'], text: string): number => reasons.push({ code: code_, level, text }); // prettier-ignore
  if (UNUSED.test(whole)) say('symbol_not_used_in_tins', 'watch', 'The number has a letter that such numbers do not have.');
  if (code.length === 3) say('three_digit_code_before_mid_2000', 'watch', 'Three digits: made before the middle of 2000.');
  if (candidates.length > 1) say('decade_unknown', 'watch', `It may be of ${candidates.map((c) => c.year).join(', ')}.`);
  if (age >= failFrom - SLACK) say('age_over_policy', 'fail', `It is ${age.toFixed(1)} years old, over ${failFrom}.`);
  else if (age >= watchFrom - SLACK) say('age_inspect_yearly', 'watch', `It is ${age.toFixed(1)} years old: look at it every year.`);
  return {
    dateCode: code,
    week,
    candidateYears: candidates.map((c) => c.year),
    weekStart: newest.start,
    weekEnd: addDays(newest.start, 6),
    age_years: age,
    ageMax_years: ageOf(candidates.at(-1)!.start),
    ...judged(reasons),
  };
} // prettier-ignore
