/** That what arrived is not as it should be. */
import { expect, test } from '@jest/globals';
import { conditionOf } from './condition.ts';

test.each([
  ['hoses arrived', null],
  ['hoses arrived, one is damaged', 'damaged'],
  ['glass came cracked', 'damaged'],
  ['they sent the wrong bearings', 'wrong'],
  ['the pump is here and does not fit', 'wrong'],
  ['the pump is here, faulty', 'faulty when tested'],
  ['the pump arrived and does not work', 'faulty when tested'],
])('%s: %s', (text, condition) => {
  expect(conditionOf(text)).toBe(condition);
});
