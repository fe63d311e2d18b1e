/**
 * A run of speech cut otherwise by hand. Nasty cases: a mark where no word begins, at the first word, outside of every piece; a turn to a
 * car that was none; a text changed before, behind and across a mark; a mark that undoes another.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { SHOP_OF_NARRATIONS } from '#tests/data/narrations.ts';
import { moveMarks, NO_MARKS, withCut, withJoin, type Marks } from './marks.ts';
import { parseNarration } from './narration.ts';

const TEXT = 'the hearse did the floor slats two hours and sanded the rail. Ordered a seal 12.40';
const read = (marks: Marks, text = TEXT): string[] =>
  parseNarration(text, SHOP_OF_NARRATIONS, null, marks).map((p) => `${p.car?.name}: ${p.text}`);
const at = (word: string, text = TEXT): number => text.indexOf(word);

describe('by hand', () => {
  test('a word begins another thing; its joint goes', () => {
    expect(read({ cut: [at('two')], joined: [] })).toEqual([
      'hearse: did the floor slats',
      'hearse: two hours',
      'hearse: sanded the rail',
      'hearse: Ordered a seal 12.40',
    ]);
  });

  test('what was two is one, over a stop too', () => {
    expect(read({ cut: [], joined: [at('and sanded'), at('Ordered')] })).toEqual([
      'hearse: did the floor slats two hours and sanded the rail. Ordered a seal 12.40',
    ]);
  });

  test('what was no turn to a car belongs to the car before', () => {
    const text = 'the estate fitted the bow. The hearse was in the way';
    expect(read(NO_MARKS, text)).toHaveLength(2);
    expect(read({ cut: [], joined: [at('The hearse', text)] }, text)).toEqual([
      'estate: fitted the bow. The hearse was in the way',
    ]);
  });

  test.each([[0], [1], [at('slats') + 1], [-1], [TEXT.length], [9999]])(
    'a mark at %d does nothing',
    (place) => {
      expect(read({ cut: [place], joined: [place] })).toEqual(read(NO_MARKS));
    },
  );

  test('cut and joined at one place is as it was', () => {
    const place = at('two');
    expect(withJoin(withCut(NO_MARKS, place), place)).toEqual(NO_MARKS);
    expect(withCut(withJoin(NO_MARKS, place), place)).toEqual(NO_MARKS);
    expect(withCut(withCut(NO_MARKS, place), place)).toEqual({ cut: [place], joined: [] });
  });
});

describe('when the text is changed', () => {
  const marks: Marks = { cut: [10], joined: [20] };
  const text = 'aaaa bbbb cccc dddd eeee ffff';
  test.each([
    ['behind them', `${text} more`, [10], [20]],
    ['before them', `xx ${text}`, [13], [23]],
    ['between them', text.replace('dddd', 'd'), [10], [17]],
    ['across one', text.replace('cccc', 'x'), [], [17]],
    ['to nothing', '', [], []],
  ])('%s', (_name, after, cut, joined) => {
    expect(moveMarks(marks, text, after)).toEqual({ cut, joined });
  });
});

test('with any marks every word stands in exactly one piece, in order (seed 52)', () => {
  const word = fc.constantFrom(
    'the',
    'hearse',
    'estate',
    'and',
    'did',
    'ordered',
    'two',
    'hours',
    '4.50',
    '.',
    ',',
    'next',
    'is',
  );
  const places = fc.array(fc.nat(120), { maxLength: 8 });
  fc.assert(
    fc.property(fc.array(word, { maxLength: 30 }), places, places, (words, cut, joined) => {
      const text = words.join(' ');
      let end = 0;
      for (const p of parseNarration(text, SHOP_OF_NARRATIONS, null, { cut, joined })) {
        expect(p.start).toBeGreaterThanOrEqual(end);
        expect(text.slice(end, p.start)).toMatch(/^[\s.!?;]*$/);
        expect(text.slice(p.start, p.end)).toContain(p.text);
        end = p.end;
      }
      expect(text.slice(end)).toMatch(/^[\s.!?;]*$/);
    }),
    { seed: 52, numRuns: 400 },
  );
});
