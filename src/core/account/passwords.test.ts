/** Which passwords are taken. Nasty cases: a common one dressed up, one’s own address, one letter many times, other scripts. */
import { expect, test } from '@jest/globals';
import { whyNotPassword } from './passwords.ts';

const COMMON = new Set(['password', 'qwertyuiop', 'iloveyou']);
const why = (password: string): string | null =>
  whyNotPassword(
    password,
    { name: 'Wren Osgood', email: 'wren@saltmarsh.example', shopName: 'Saltmarsh Coachworks' },
    (p) => COMMON.has(p),
  );

test.each([
  'short',
  '123456789',
  'aaaaaaaaaaaa',
  'qwertyuiop',
  'PASSWORD!!2026',
  '12iloveyou!!',
  'Wren Osgood!',
  'wren@saltmarsh.example',
  'Saltmarsh Coachworks 1961',
])('%s is refused', (password) => expect(why(password)).not.toBeNull());

test.each(['correct horse battery', 'Osgood drives to sea at four', 'прицеп у моря', 'x7#pQ!9vLm'])(
  '%s is taken',
  (password) => expect(why(password)).toBeNull(),
);
