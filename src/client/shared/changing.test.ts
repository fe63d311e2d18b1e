/** Which refusal a page shows that makes several changes. */
import { expect, test } from '@jest/globals';
import { lastFault } from './changing.ts';

const change = (submittedAt: number, error: Error | null = null) => ({ submittedAt, error });
const refused = new Error('it is taken');

test('the last change says whether something was refused; one that went makes an older refusal no news', () => {
  expect(lastFault(change(1, refused), change(2))).toBeNull();
  expect(lastFault(change(2, refused), change(1))).toBe(refused);
  expect(lastFault(change(0), change(0))).toBeNull();
});
