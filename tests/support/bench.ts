/** What the tests of the bench share. */
import { InputError } from '#core/bench/input.ts';

/** The field that is refused, and why; `taken` where nothing is. */
export function refusal(work: () => unknown): string {
  try {
    work();
  } catch (error) {
    if (error instanceof InputError) return `${error.field} ${error.code}`;
    throw error;
  }
  return 'taken';
}
