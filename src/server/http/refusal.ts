/** What the server refuses, and why: the one error that services throw on purpose. */
import type { FieldFault } from '#contract/problem.ts';

const STATUS = {
  invalid: 400,
  'sign-in': 401,
  forbidden: 403,
  'not-found': 404,
  conflict: 409,
  'too-large': 413,
  misdirected: 421,
  'too-many': 429,
  unavailable: 503,
  'disk-full': 507,
} as const;
export type RefusalCode = keyof typeof STATUS;

const TITLES: Record<RefusalCode, string> = {
  invalid: 'Something in it is not right',
  'sign-in': 'Sign in first',
  forbidden: 'Not for you to do',
  'not-found': 'Not here',
  conflict: 'It has changed meanwhile',
  'too-large': 'Too much at once',
  misdirected: 'Another address',
  'too-many': 'Too many tries',
  unavailable: 'Not ready',
  'disk-full': 'No room on the disk',
};

export class Refusal extends Error {
  readonly status: number;
  readonly title: string;

  constructor(
    readonly code: RefusalCode,
    detail: string,
    readonly more: { fields?: FieldFault[]; current?: unknown } = {},
  ) {
    super(detail);
    this.status = STATUS[code];
    this.title = TITLES[code];
  }
}

export const notFound = (what: string): Refusal => new Refusal('not-found', `There is no such ${what}.`);

/** What is wrong with what was sent, at its fields. */
export const invalidFields = (fields: FieldFault[]): Refusal =>
  new Refusal('invalid', `${fields[0]!.reason}. Nothing was kept.`, { fields });

export const invalidAt = (field: string, reason: string): Refusal => invalidFields([{ field, reason }]);

/** Somebody else changed it since it was read; `current` is what is there now. */
export const changedMeanwhile = (what: string, current: unknown): Refusal =>
  new Refusal('conflict', `Somebody changed ${what} meanwhile. Yours is kept on the page.`, { current });
