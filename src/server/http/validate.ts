/** Whitelist in: a request becomes its contract class, or is refused with every field at fault. */
import 'reflect-metadata';
import { plainToInstance } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import type { FieldFault } from '#contract/problem.ts';
import { Refusal } from './refusal.ts';

/** So many faults are told at once. */
const MOST_FAULTS = 50;

export type Shape<T extends object> = new () => T;

function faultsIn(errors: readonly ValidationError[], path = ''): FieldFault[] {
  return errors.flatMap((e) => {
    const field = path === '' ? e.property : `${path}.${e.property}`;
    const own = Object.entries(e.constraints ?? {}).map(([rule, message]) => ({
      field,
      reason: rule === 'whitelistValidation' ? 'not a field of this request' : message,
    }));
    return [...own.slice(0, 1), ...faultsIn(e.children ?? [], field)];
  });
}

export function readShape<T extends object>(shape: Shape<T>, value: unknown): T {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new Refusal('invalid', 'The request carries no JSON object.');
  const made = plainToInstance(shape, value);
  const errors = validateSync(made, { whitelist: true, forbidNonWhitelisted: true, stopAtFirstError: true });
  const fields = faultsIn(errors).slice(0, MOST_FAULTS);
  if (fields.length > 0)
    throw new Refusal('invalid', `${fields[0]!.field}: ${fields[0]!.reason}. Nothing was kept.`, { fields });
  return made;
}
