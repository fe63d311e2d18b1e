/** Replies as mail programs write them. Nasty cases: nothing written, only quotes, answers between quoted lines, ten thousand lines. */
import { expect, test } from '@jest/globals';
import { ownWords } from './reply.ts';

test.each([
  ['plain', 'Yes please.\n', 'Yes please.'],
  [
    'above a quote',
    'When?\n\nOn Tue, 3 Mar 2026 at 10:12, Saltmarsh <a@b.example> wrote:\n> Dear Tove,\n> …',
    'When?',
  ],
  [
    'a line above that is broken in two',
    'When?\nOn Tue, 3 Mar 2026 at 10:12, Saltmarsh Coachworks\n<a@b.example> wrote:\n> Dear',
    'When?',
  ],
  ['in German', 'Gut.\r\n\r\nAm 3. März 2026 um 10:12 schrieb Saltmarsh:\r\n> Guten Tag', 'Gut.'],
  [
    'between quoted lines',
    '> Shall we paint it?\nYes, blue.\n> And the wheels?\nCream.',
    'Yes, blue.\nCream.',
  ],
  ['a signature', 'Fine.\n-- \nTove Sandal\nQuay 4', 'Fine.'],
  ['from a telephone', 'Fine.\n\nSent from my telephone', 'Fine.'],
  ['a rule', 'Fine.\n-----Original Message-----\nFrom: Wren', 'Fine.'],
  ['a header of another program', 'Fine.\nFrom: Wren <a@b.example>\nSent: Tuesday', 'Fine.'],
  ['nothing', '', ''],
  ['only quotes', '> a\n> b', ''],
  [
    'a sentence that begins as that line does',
    'On Friday I wrote to Joss: he knows.',
    'On Friday I wrote to Joss: he knows.',
  ],
  ['two dashes in a sentence', 'Blue -- or green?', 'Blue -- or green?'],
])('%s', (_name, text, words) => {
  expect(ownWords(text)).toBe(words);
});

test('ten thousand lines are read', () => {
  expect(ownWords('a\n'.repeat(10_000)).split('\n')).toHaveLength(10_000);
});
