/**
 * A run of speech cut otherwise by hand. Nasty cases: a mark where no word begins, at the first word, outside of every piece; a text changed before, behind and across a mark; a mark that undoes another.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectEveryWordOnce } from '#tests/support/everyWord.ts';
import { SPOKEN_SHOP } from '#tests/data/spokenShop.ts';
import { loadWeights, read } from './index.ts';
import { moveMarks, NO_MARKS, withCut, withJoin, type Marks } from './marks.ts';

beforeAll(() => loadWeights());

const TEXT = 'the hearse got its floor slats two hours and we sanded the rail. Ordered a seal 12.40';
const said = (marks: Marks, text = TEXT): string[] =>
  read(text, SPOKEN_SHOP, marks).pieces.map((p) => text.slice(p.start, p.end));
const at = (word: string, text = TEXT): number => text.indexOf(word);

describe('by hand', () => {
  test('a word begins another thing, in no doubt', () => {
    const cut = { cut: [at('slats')], joined: [] };
    const { pieces } = read(TEXT, SPOKEN_SHOP, cut);
    expect(pieces).toHaveLength(said(NO_MARKS).length + 1);
    const piece = pieces.find((p) => p.start === at('slats'))!;
    expect(piece.probability.boundary).toBe(1);
    expect(piece.asks).not.toContain('boundary');
  });

  test('what was two is one, over a stop too', () => {
    const all = read(TEXT, SPOKEN_SHOP).pieces;
    const joined = all.slice(1).map((p) => p.start);
    const pieces = said({ cut: [], joined });
    expect(pieces).toEqual([TEXT.slice(all[0]!.start, all.at(-1)!.end)]);
  });

  test.each([[0], [1], [at('slats') + 1], [-1], [TEXT.length], [9999]])(
    'a mark at %d does nothing',
    (place) => {
      expect(said({ cut: [place], joined: [place] })).toEqual(said(NO_MARKS));
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
      expectEveryWordOnce(text, read(text, SPOKEN_SHOP, { cut, joined }));
    }),
    { seed: 52, numRuns: 400 },
  );
});
