/** Forms checked by the same classes as the server checks with. */
import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import {
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
} from 'react-hook-form';
import { ApiProblem, wordsOf } from './api.ts';
import { minorOrAbsent, wholeTyped, type MoneyManner } from './typed.ts';

/** What stands in the fields before they are read: numbers, money, hours and choices as text, some of it absent. */
export type AsTyped<T> = T extends readonly (infer One)[]
  ? AsTyped<One>[]
  : T extends object
    ? { [K in keyof T]?: AsTyped<T[K]> | undefined }
    : T extends number | boolean
      ? T | string
      : T;

export function useContractForm<T extends FieldValues>(
  shape: new () => T,
  start: AsTyped<T>,
): UseFormReturn<T> {
  return useForm<T>({
    resolver: classValidatorResolver(shape as never) as never,
    defaultValues: start as DefaultValues<T>,
    // Not when a field is left: the reason would push the button away from under the finger that is on it.
    mode: 'onSubmit',
  });
}

/**
 * Submits what is whole and puts what is refused beside its fields. A fault of the whole form from an earlier try would
 * stand in the way of this one, so it goes first.
 */
export function submitting<T extends FieldValues>(
  form: UseFormReturn<T>,
  send: (body: T) => Promise<unknown>,
): () => Promise<unknown> {
  return () => {
    form.clearErrors('root');
    return form.handleSubmit((body) => send(body).catch((error: unknown) => showProblem(form, error)))();
  };
}

/** Puts the server's reasons beside their fields, and what belongs to no field at the form's head. */
export function showProblem<T extends FieldValues>(form: UseFormReturn<T>, error: unknown): void {
  const known = new Set(Object.keys(form.getValues()));
  const fields = error instanceof ApiProblem ? (error.problem.fields ?? []) : [];
  const placed = fields.filter((f) => known.has(f.field));
  for (const f of placed) form.setError(f.field as Path<T>, { message: f.reason });
  if (placed.length === 0) form.setError('root', { message: wordsOf(error) });
}

/** How a field that may be left empty is read. */
export const OPTIONAL = { setValueAs: (v: unknown) => orAbsent(String(v ?? '')) };

/** How a field of a whole number is read: absent where it is empty, and for the contract to refuse where it is none. */
export const WHOLE = {
  setValueAs: (v: string | number | undefined): number | undefined => {
    if (typeof v === 'number' || v === undefined) return v;
    return v.trim() === '' ? undefined : (wholeTyped(v) ?? NaN);
  },
};

/** How a field of money in this currency is read: minor units, or absent. */
export const moneyIn = (manner: MoneyManner) => ({
  setValueAs: (v: string | number | undefined) => minorOrAbsent(v, manner),
});

/** An empty field is an absent one. */
export const orAbsent = (value: string): string | undefined => (value.trim() === '' ? undefined : value);
