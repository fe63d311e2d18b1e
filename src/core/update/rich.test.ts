/**
 * A sentence with bold words, addresses and lists. Nasty cases: marks that overlap, lie outside or end before they begin, an
 * address that would run a script, markup typed as words, blanks around marked words.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { blocksOf, richHtml, richText, safeHref, spansOf, trimmed, type TextMark } from './rich.ts';

describe('what an address may be', () => {
  test.each([
    ['example.org', 'https://example.org'],
    ['https://example.org/a?b=c#d', 'https://example.org/a?b=c#d'],
    ['http://bücher.example', 'http://bücher.example'],
    ['wren@example.org', 'mailto:wren@example.org'],
    ['mailto:wren@example.org', 'mailto:wren@example.org'],
    ['tel:+44 7700 900123'.replaceAll(' ', ''), 'tel:+447700900123'],
    ['example.org:8080/shop', 'https://example.org:8080/shop'],
  ])('%s leads to %s', (typed, href) => expect(safeHref(typed)).toBe(href));

  test.each([
    '',
    'javascript:alert(1)',
    'JAVASCRIPT:alert(1)//.example.org',
    'data:text/html,<b>x</b>',
    'vbscript:x',
    'file:///etc/passwd',
    '//example.org',
    '/builds/1',
    'https://localhost/l/secret',
    // What stands before an @ is a name and a password: it makes one host look like another (RFC 3986, 7.6).
    'https://example.org@evil.example',
    'https://example.org/"onclick="x',
    'two words.org',
    `https://example.org/${'a'.repeat(500)}`,
  ])('%s leads nowhere', (typed) => expect(safeHref(typed)).toBeNull());
});

describe('words of one look', () => {
  const text = 'The sill is sound, see here.';
  const marks: TextMark[] = [
    { start: 4, end: 17, bold: true },
    { start: 12, end: 17, href: 'https://example.org' },
  ];

  test('marks that lie over each other cut the text where the look changes', () => {
    expect(spansOf({ text, marks })).toEqual([
      { text: 'The ', bold: false, href: null },
      { text: 'sill is ', bold: true, href: null },
      { text: 'sound', bold: true, href: 'https://example.org' },
      { text: ', see here.', bold: false, href: null },
    ]);
  });

  test('a script in an address is no address, and its words stay', () => {
    const html = richHtml({ text: 'press me', marks: [{ start: 0, end: 8, href: 'javascript:alert(1)' }] });
    expect(html).toBe('press me');
  });

  test('markup that was typed is words', () => {
    expect(richHtml({ text: '<b>&', marks: [{ start: 0, end: 3, bold: true }] })).toBe(
      '<b>&lt;b&gt;</b>&amp;',
    );
  });

  test('whatever the marks, not a character is lost or said twice', () => {
    const mark = fc.record({
      start: fc.integer({ min: -3, max: 40 }),
      end: fc.integer({ min: -3, max: 40 }),
    });
    fc.assert(
      fc.property(fc.string({ maxLength: 30 }), fc.array(mark), (words, where) => {
        const rich = { text: words, marks: where.map((m) => ({ ...m, bold: true })) };
        expect(
          spansOf(rich)
            .map((s) => s.text)
            .join(''),
        ).toBe(words);
      }),
    );
  });
});

describe('lists', () => {
  const text = 'Two things:\n- the sill\n- the floor\nThat is all.';
  const marks: TextMark[] = [{ start: text.indexOf('floor'), end: text.indexOf('floor') + 5, bold: true }];

  test('lines with a dash are points of one list, with their marks', () => {
    expect(richHtml({ text, marks })).toBe(
      'Two things:<ul><li>the sill</li><li>the <b>floor</b></li></ul>That is all.',
    );
    expect(blocksOf({ text }).map((b) => b.type)).toEqual(['paragraph', 'list', 'paragraph']);
  });

  test('the mail without pictures has the dashes, and an address behind its words', () => {
    const marked = [...marks, { start: 0, end: 3, href: 'https://example.org/two' }];
    expect(richText({ text, marks: marked })).toBe(
      'Two (https://example.org/two) things:\n- the sill\n- the floor\nThat is all.',
    );
    expect(
      richText({ text: 'example.org', marks: [{ start: 0, end: 11, href: 'https://example.org' }] }),
    ).toBe('example.org');
  });
});

test('blanks that are cut off move the marks with the words', () => {
  expect(trimmed({ text: '  one two ', marks: [{ start: 6, end: 10, bold: true }] })).toEqual({
    text: 'one two',
    marks: [{ start: 4, end: 7, bold: true }],
  });
});
