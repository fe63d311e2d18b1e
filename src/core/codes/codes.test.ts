/** Codes of labels. Nasty cases: read badly by a person, a slip of the pen, two signs swapped, no code at all. */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { codeOf, tailOfCode } from './codes.ts';
import { LABEL_SHAPES } from './labels.ts';

const id = fc.uuid();
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

test('every id comes back from its code, as it is typed (seed 1)', () => {
  fc.assert(
    fc.property(id, (uuid) => {
      const code = codeOf(uuid);
      expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{4}-[0-9A-HJKMNP-TV-Z]{4}-[0-9A-HJKMNP-TV-Z*~$=U]$/);
      const tail = uuid.slice(-10);
      expect(tailOfCode(code)).toBe(tail);
      expect(tailOfCode(code.toLowerCase().replaceAll('-', ' '))).toBe(tail);
      expect(tailOfCode(code.replace(/^0/, 'o').replace(/1/g, 'l'))).toBe(tail);
    }),
    { seed: 1, numRuns: 300 },
  );
});

test('one wrong sign is caught, and two swapped ones: what Crockford (2002) says of the check sign (seed 2)', () => {
  fc.assert(
    fc.property(id, fc.nat(7), fc.constantFrom(...SIGNS), (uuid, at, sign) => {
      const said = codeOf(uuid).replaceAll('-', '').split('');
      const wrong = said.with(at, sign);
      if (wrong[at] !== said[at]) expect(tailOfCode(wrong.join(''))).toBeNull();
      if (at < 7 && said[at] !== said[at + 1]) {
        const swapped = said.with(at, said[at + 1]!).with(at + 1, said[at]!);
        expect(tailOfCode(swapped.join(''))).toBeNull();
      }
    }),
    { seed: 2, numRuns: 500 },
  );
});

test.each(['', 'K7Q2', 'K7Q2-M9XA', 'U7Q2-M9XA-3', 'KP-9', '’; drop', '012345678901'])(
  '“%s” is no code',
  (said) => expect(tailOfCode(said)).toBeNull(),
);

test('labels of a sheet lie on an A4 page, 210 by 297 mm (ISO 216)', () => {
  const { width, height, columns, rows, left, top } = LABEL_SHAPES.sheet;
  expect(left + columns * width).toBeLessThanOrEqual(210);
  expect(top + rows * height).toBeLessThanOrEqual(297);
});
