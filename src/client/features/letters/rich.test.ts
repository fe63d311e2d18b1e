/** From the letter into the editor and back: nothing is lost. */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { docOf, richOf } from './rich.ts';

describe('a sentence in the editor', () => {
  test('bold, an address and a list are what the editor calls them', () => {
    const text = 'See this\n- one\n- two';
    const marks = [
      { start: 4, end: 8, href: 'https://example.org' },
      { start: 11, end: 14, bold: true },
    ];
    const doc = docOf({ text, marks });
    expect(doc.content?.map((n) => n.type)).toEqual(['paragraph', 'bulletList']);
    expect(richOf(doc)).toEqual({ text, marks });
  });

  test('an empty sentence is an empty paragraph', () => {
    expect(docOf({ text: '' })).toEqual({ type: 'doc', content: [{ type: 'paragraph', content: [] }] });
    expect(richOf(docOf({ text: '' }))).toEqual({ text: '' });
  });

  test('any text comes back as it was', () => {
    const line = fc.string({ unit: fc.constantFrom('a', ' ', '-', 'é', '🚗', '<'), maxLength: 12 });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), fc.nat(30), fc.nat(30), (lines, a, b) => {
        const text = lines.join('\n');
        const [start, end] = [Math.min(a, b), Math.max(a, b)];
        const back = richOf(docOf({ text, marks: [{ start, end, bold: true }] }));
        expect(back.text).toBe(text);
        // Line ends and the dashes of lists are no words: they are not bold, the words between them are.
        for (const m of back.marks ?? []) expect(m.start >= start && m.end <= end && m.bold).toBe(true);
      }),
    );
  });
});
