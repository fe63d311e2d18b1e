/** What every calculator of the bench shares: how bad input is refused, and how a verdict stands with its reasons. */

import { isDay, type Day } from '../time/days.ts';

export type InputCode = 'missing' | 'not_a_number' | 'out_of_range' | 'format' | 'inconsistent';

/** Bad input: which field, as a path, and what is wrong with it. A bad reading never becomes 0 or NaN. */
export class InputError extends Error {
  constructor(
    readonly field: string,
    readonly code: InputCode,
    message: string,
  ) {
    super(message);
  }
}

export type Level = 'info' | 'watch' | 'fail';

export interface Reason {
  /** Stable, in snake_case. */
  code: string;
  level: Level;
  text: string;
}

export interface Judged {
  verdict: 'ok' | 'watch' | 'fail';
  reasons: Reason[];
}

/** The worst level among the reasons; information does not count. */
export function judged(reasons: Reason[]): Judged {
  const has = (level: Level): boolean => reasons.some((r) => r.level === level);
  return { verdict: has('fail') ? 'fail' : has('watch') ? 'watch' : 'ok', reasons };
}

/** Limits let a value through by this much: 3.1 − 0.1 counts as 3. */
export const SLACK = 1e-9;

interface Range {
  least?: number | undefined;
  /** The value itself is not allowed. */
  above?: number | undefined;
  most: number;
  /** Taken where nothing is given. */
  otherwise?: number | undefined;
}

const rangeInWords = ({ least, above, most }: Omit<Range, 'otherwise'>): string =>
  above === undefined
    ? `${least === undefined ? '' : `from ${least} `}up to ${most}`
    : `above ${above}, up to ${most}`;

/** A finite number within its range, or the default; throws InputError naming the field. */
export function numberAt(value: unknown, field: string, { least, above, most, otherwise }: Range): number {
  if (value === undefined || value === null || value === '') {
    if (otherwise !== undefined) return otherwise;
    throw new InputError(field, 'missing', `${field} is missing`);
  }
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new InputError(field, 'not_a_number', `${field} is not a number`);
  const low = (least !== undefined && value < least) || (above !== undefined && value <= above);
  if (low || value > most)
    throw new InputError(field, 'out_of_range', `${field} must be ${rangeInWords({ least, above, most })}`);
  return value;
}

export const isGiven = (value: unknown): boolean => value !== undefined && value !== null;

/** Fields of an object; throws InputError where there is none. */
export function objectAt(value: unknown, field: string): Record<string, unknown> {
  if (typeof value !== 'object' || value === null)
    throw new InputError(field, 'missing', `${field} is missing`);
  return value as Record<string, unknown>;
}

/** A list of a length that is allowed; throws InputError naming the field. */
export function listAt(
  value: unknown,
  field: string,
  { least, most }: { least: number; most: number },
): readonly unknown[] {
  if (!isGiven(value)) throw new InputError(field, 'missing', `${field} is missing`);
  if (!Array.isArray(value) || value.length < least || value.length > most)
    throw new InputError(field, 'out_of_range', `${field}: from ${least} to ${most} of them`);
  return value as unknown[];
}

/** A whole number within its range. */
export function countAt(value: unknown, field: string, least: number, most: number): number {
  const count = numberAt(value, field, { least, most });
  if (!Number.isInteger(count)) throw new InputError(field, 'out_of_range', `${field} is no whole number`);
  return count;
}

/** A whole number within its range, where a fraction is a question of form (part B of the calculators). */
export function wholeAt(value: unknown, field: string, range: Range): number {
  const whole = numberAt(value, field, range);
  if (!Number.isInteger(whole)) throw new InputError(field, 'format', `${field} is no whole number`);
  return whole;
}

/** Text that is not blank; throws InputError naming the field. */
export function textAt(value: unknown, field: string, most = 200): string {
  if (!isGiven(value) || (typeof value === 'string' && value.trim() === ''))
    throw new InputError(field, 'missing', `${field} is missing`);
  if (typeof value !== 'string') throw new InputError(field, 'format', `${field} is no text`);
  if (value.length > most) throw new InputError(field, 'out_of_range', `${field} is too long`);
  return value;
}

/** A number within its range, or null where it was not given. */
export const optionalAt = (value: unknown, field: string, range: Range): number | null =>
  isGiven(value) ? numberAt(value, field, range) : null;

/** Limits of the shop's own, by name; absent ones stay as they usually are. */
export type OwnLimits<T> = { [K in keyof T]?: number | null } | null;
type Limits<T> = { readonly [K in keyof T]: number };

/** Limits to judge by: the usual ones, with the shop's own in their place; throws InputError naming `limits.…`. */
export function limitsAt<T extends Readonly<Record<string, number>>>(value: unknown, usual: T): Limits<T> {
  if (!isGiven(value)) return usual;
  const of = objectAt(value, 'limits');
  const own = Object.entries(usual).map(([name, otherwise]) => [name, numberAt(of[name], `limits.${name}`, { least: 0, most: 1e6, otherwise })]); // prettier-ignore
  return Object.fromEntries(own) as Limits<T>;
}

/** Gathers reasons in the order in which they are said. */
export function reasonList(): {
  reasons: Reason[];
  say: (level: Level, code: string, text: string) => void;
} {
  const reasons: Reason[] = [];
  return { reasons, say: (level, code, text) => void reasons.push({ code, level, text }) };
}

export const inconsistent = (field: string, why: string): InputError =>
  new InputError(field, 'inconsistent', `${field}: ${why}`);

/** A day of the calendar, written YYYY-MM-DD. */
export function dayAt(value: unknown, field: string): Day {
  if (!isGiven(value) || value === '') throw new InputError(field, 'missing', `${field} is missing`);
  if (typeof value !== 'string' || !/^\d{4}-\d{2}-\d{2}$/.test(value))
    throw new InputError(field, 'format', `${field}: no day, as in 1966-03-14`);
  if (!isDay(value)) throw new InputError(field, 'out_of_range', `${field}: no day of the calendar`);
  return value;
}

/** One of the words that are understood, or the default; throws InputError naming the field, with `unknown` for any other. */
export function choiceAt<T extends string>(
  value: unknown,
  field: string,
  choices: readonly T[],
  otherwise?: T,
  unknown: InputCode = 'format',
): T {
  if (value === undefined || value === null || value === '') {
    if (otherwise !== undefined) return otherwise;
    throw new InputError(field, 'missing', `${field} is missing`);
  }
  const found = choices.find((c) => c === value);
  if (found === undefined) throw new InputError(field, unknown, `${field} is none of ${choices.join(', ')}`);
  return found;
}
