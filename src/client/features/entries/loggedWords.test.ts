/** What is said after a run of speech was logged: there, or still here. */
import { expect, test } from '@jest/globals';
import { loggedWords } from './loggedWords.ts';

test.each([
  [1, false, 'One line logged'],
  [4, false, '4 lines logged'],
  [1, true, 'One line kept on this device, to go by itself'],
  [4, true, '4 lines kept on this device, to go by themselves'],
])('%d lines, still here: %s', (lines, isHere, words) => {
  expect(loggedWords({ lines, isHere })).toBe(words);
});
