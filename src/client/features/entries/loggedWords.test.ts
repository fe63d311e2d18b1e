/** What is said after a run of speech was logged: all of it there, some of it, none. */
import { expect, test } from '@jest/globals';
import { loggedWords } from './loggedWords.ts';

test.each([
  [1, 0, 'One line logged'],
  [4, 0, '4 lines logged'],
  [1, 1, 'One line kept on this device, to go by itself'],
  [4, 4, '4 lines kept on this device, to go by themselves'],
  [4, 1, '4 lines logged, 1 of them kept on this device until the server answers'],
])('%d lines, %d of them later', (lines, later, words) => {
  expect(loggedWords({ lines, later })).toBe(words);
});
