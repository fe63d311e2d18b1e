/** Titles of tasks. Nasty cases: nothing but a comma, only the word that plans, far too long. */
import { describe, expect, test } from '@jest/globals';
import { LONGEST_TITLE } from '../work/tasks.ts';
import { titleOf } from './planned.ts';

describe('what a task that a line plans is called', () => {
  test.each([
    ['line the cab doors, 3 hours', 'line the cab doors'],
    ['planned to fit the hoses 2 h', 'fit the hoses'],
    ['to do: flat the roof. Tuesday', 'flat the roof'],
    ['plan', 'plan'],
    [', ,', ', ,'],
    ['x'.repeat(500), 'x'.repeat(LONGEST_TITLE)],
  ])('%s', (line, title) => expect(titleOf(line)).toBe(title));
});
