/**
 * Letters on paper. Nasty cases: signs of measure, Greek, Cyrillic, marks that join a letter, letters that are not seen, letters
 * that no face has, ends of lines, halves of characters. What a face holds is asked of its file (fontkit, the reader of font files
 * that draws the paper too).
 */
import { describe, expect, test } from '@jest/globals';
import { FACES, NO_LETTER, runsOf } from './faces.ts';
import { bytesOf, feet, openPaper, write } from './paper.ts';

const said = (text: string): string =>
  runsOf(text, 'regular')
    .runs.map((r) => r.text)
    .join('');

describe('no letter is dropped', () => {
  test.each([
    '4.7 kΩ, ≤ 0.3 mm, ⌀ 52 mm, ±0.05, 20 °C, ½″, 3 µm, √2, ∠ 4°',
    'Μαρία Παπαδοπούλου',
    'Ёлка Щукина, Їжак',
    'Łódź, Česká, Türkçe ğış, Þór, Ħal',
    'two lines\nand a tab\t.',
  ])('%s', (text) => {
    for (const weight of ['regular', 'bold'] as const) {
      const { runs, missing } = runsOf(text, weight);
      expect(missing).toEqual([]);
      expect(runs.map((r) => r.text).join('')).toBe(text);
    }
  });

  test('a mark that joins its letter is composed; what is not seen is left out', () => {
    expect(said('e\u0301te\u0301')).toBe('été');
    expect(said('soft\u00adhy\u200bphen\ufe0f')).toBe('softhyphen');
  });

  test('what no face has is a mark, and is named', () => {
    const { runs, missing } = runsOf('for 中文 shops', 'bold');
    expect(runs.map((r) => r.text).join('')).toBe(`for ${NO_LETTER}${NO_LETTER} shops`);
    expect(missing).toEqual(['中', '文']);
  });

  test('Latin stays in the shop’s own face', () => {
    expect(runsOf('Brake hoses, £46.50 – “as new”', 'regular').runs).toEqual([
      { text: 'Brake hoses, £46.50 – “as new”', face: FACES.regular[0]!.name },
    ]);
  });
});

describe('the paper', () => {
  const paper = (text: string): Promise<Buffer> => {
    const doc = openPaper('A paper');
    return bytesOf(doc, () => {
      write(doc, text, 56, 56);
      feet(doc, 'A paper');
    });
  };
  const faces = async (text: string): Promise<string[]> => {
    const found = (await paper(text)).toString('latin1').matchAll(/\/FontName \/[A-Z]+\+([\w-]+)/g);
    return [...new Set([...found].map(([, name]) => name!))].sort();
  };

  test('holds the faces that it needs, and no other', async () => {
    expect(await faces('Brake hoses')).toEqual(['Archivo-Regular']);
    expect(await faces('4.7 kΩ')).toEqual(['Archivo-Regular', 'DejaVuSans']);
  });

  test('says at its foot what it cannot print', async () => {
    // The mark itself and the signs of its name are all that is set in the wider face: it is there for the foot, too.
    expect(await faces('for 中 shops')).toContain('DejaVuSans');
    expect((await paper('for 中 shops')).length).toBeGreaterThan((await paper('for ab shops')).length);
  });
});
