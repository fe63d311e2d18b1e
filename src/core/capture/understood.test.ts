/** What a person puts right before keeping, laid over what was read. */
import { expect, test } from '@jest/globals';
import { parseLine, type CaptureContext } from './index.ts';
import { NOTHING_PUT_RIGHT, understand, withoutAddress } from './understood.ts';

const context: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: [{ id: '1', name: 'microcar' }],
  people: [],
  vendors: [],
  parts: [],
  places: [],
};
const read = (text: string) => parseLine(text, context);

test('as read, when nothing is put right', () => {
  expect(understand(read('microcar: did hinges, 3h'), NOTHING_PUT_RIGHT)).toEqual({
    kind: 'did',
    facts: { subject: 'hinges', minutes: 180 },
    audience: 'customer',
    build: { id: '1', name: 'microcar' },
  });
});

test('a fact changed, one taken away, one added', () => {
  const said = understand(read('did hinges, 3h'), { facts: { minutes: 120, subject: null, class: 'must' } });
  expect(said.facts).toEqual({ minutes: 120, class: 'must' });
});

test('another kind keeps only what means something for it', () => {
  const said = understand(read('found glass cracked, 85, should'), { kind: 'waiting', facts: {} });
  expect(said).toMatchObject({ kind: 'waiting', facts: { subject: 'glass' }, audience: 'customer' });
  expect(said.facts).not.toHaveProperty('moneyMinor');
});

test('who it is for follows the kind until somebody says', () => {
  expect(understand(read('spent 18 on fixings'), NOTHING_PUT_RIGHT).audience).toBe('shop');
  expect(understand(read('spent 18 on fixings'), { audience: 'customer', facts: {} }).audience).toBe(
    'customer',
  );
});

test('"should have said" points at nothing here, so it is a note; another car may be chosen', () => {
  const said = understand(read('should have said offside'), {
    build: { id: '2', name: 'hearse' },
    facts: {},
  });
  expect(said).toMatchObject({ kind: 'note', build: { id: '2' } });
});

test.each([
  ['microcar: hood frame is back', 'hood frame is back'],
  ['microcar, did hinges', 'did hinges'],
  ['the microcar needs brushes', 'the microcar needs brushes'],
  ['did hinges on the microcar', 'did hinges on the microcar'],
  ['microcar:', 'microcar:'],
  ['  did hinges ', 'did hinges'],
])('"%s" is kept as "%s"', (text, kept) => expect(withoutAddress(text, read(text))).toBe(kept));
