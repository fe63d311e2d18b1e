/** Nasty cases: the only owner leaves, becomes something else, the last of two, one who has left already. */
import { expect, test } from '@jest/globals';
import { whyNotStand } from './people.ts';

const wren = { id: 'w', role: 'owner', hasLeft: false };
const ida = { id: 'i', role: 'office', hasLeft: false };

test.each([
  ['a technician comes', [wren], { id: 'j', role: 'technician', hasLeft: false }, true],
  ['the office leaves', [wren, ida], { ...ida, hasLeft: true }, true],
  ['the only owner leaves', [wren, ida], { ...wren, hasLeft: true }, false],
  ['the only owner becomes office', [wren, ida], { ...wren, role: 'office' }, false],
  ['one of two owners leaves', [wren, { ...ida, role: 'owner' }], { ...wren, hasLeft: true }, true],
  [
    'the other owner has left already',
    [wren, { ...ida, role: 'owner', hasLeft: true }],
    { ...wren, hasLeft: true },
    false,
  ],
])('%s', (_, people, after, may) => {
  expect(whyNotStand(people, after) === null).toBe(may);
});
