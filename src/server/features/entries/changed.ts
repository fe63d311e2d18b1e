/** What is written about a thing, before it was changed and after: kept with the change, so that it can be taken back. */
import { canonical } from '#core/approval/canonical.ts';

export interface ChangeBefore<Written> {
  was: Written;
  is: Written;
}

export const sameWritten = <Written>(a: Written, b: Written): boolean => canonical(a) === canonical(b);

/**
 * The names of the fields that differ, each once, in the order of `names`; `others` where a field without a name differs too.
 *
 * @param names what fields are called on their page; two may be called the same
 */
export function changedFields<T extends object>(
  was: T,
  is: T,
  names: { [K in keyof T]?: string },
  others = 'details',
): string[] {
  const keys = [...new Set([...Object.keys(names), ...Object.keys(was), ...Object.keys(is)])] as (keyof T)[];
  const differ = keys.filter((k) => canonical([was[k] ?? null]) !== canonical([is[k] ?? null]));
  return [...new Set(differ.map((k) => names[k] ?? others))];
}
