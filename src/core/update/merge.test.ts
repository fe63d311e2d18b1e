/**
 * Two people at one letter. Nasty cases: the same sentence changed twice, one left out that the other rewrote, figures that
 * moved meanwhile, a part that only one of them has, drafted again under somebody’s hands.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { Letter, LetterItem } from './letter.ts';
import { mergeLetters } from './merge.ts';

const item = (id: string, text: string, more: Partial<LetterItem> = {}): LetterItem => ({
  id,
  text,
  leftOut: false,
  ...more,
});
const letter = (items: LetterItem[], more: Partial<Letter> = {}): Letter => ({
  subject: 'News',
  greeting: 'Dear Ilse,',
  parts: [{ id: 'next', title: 'What is next', items }],
  closing: 'Wren',
  ...more,
});
const base = letter([
  item('a', 'The sill.'),
  item('b', 'The floor.'),
  item('c', 'It costs £10.', { fixed: true }),
]);
const textsOf = (l: Letter): string[] => l.parts.flatMap((p) => p.items.map((i) => i.text));

describe('what two people make of a letter', () => {
  test('sentences changed by one each are both there, and so are those that were added', () => {
    const mine = letter([item('a', 'The sill is in.'), base.parts[0]!.items[1]!, item('m', 'Mine.')]);
    const theirs = letter([
      base.parts[0]!.items[0]!,
      item('b', 'The floor is out.', { marks: [{ start: 0, end: 3, bold: true }] }),
      item('t', 'Theirs.'),
    ]);
    const { letter: both, clashes } = mergeLetters(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(textsOf(both)).toEqual(['The sill is in.', 'The floor is out.', 'Theirs.', 'Mine.']);
    expect(both.parts[0]!.items[1]!.marks).toEqual([{ start: 0, end: 3, bold: true }]);
  });

  test('the same sentence changed twice is named, and stays as it stands here', () => {
    const mine = letter([item('a', 'Mine.'), base.parts[0]!.items[1]!], { subject: 'My news' });
    const theirs = letter([item('a', 'Theirs.'), base.parts[0]!.items[1]!], { subject: 'Their news' });
    const { letter: both, clashes } = mergeLetters(base, mine, theirs);
    expect(clashes.sort()).toEqual(['a', 'subject']);
    expect(textsOf(both)[0]).toBe('Mine.');
    expect(both.subject).toBe('My news');
  });

  test('left out by one and reworded by the other: reworded, and left out', () => {
    const mine = letter([item('a', 'The sill.', { leftOut: true })]);
    const theirs = letter([item('a', 'The sill is in.')]);
    const { letter: both, clashes } = mergeLetters(letter([item('a', 'The sill.')]), mine, theirs);
    expect(clashes).toEqual([]);
    expect(both.parts[0]!.items).toEqual([item('a', 'The sill is in.', { leftOut: true })]);
  });

  test('figures are those of the newer letter, and stay left out where they were', () => {
    const mine = letter([item('c', 'It costs £10.', { fixed: true, leftOut: true })]);
    const theirs = letter([item('c', 'It costs £12.', { fixed: true })]);
    const { letter: both, clashes } = mergeLetters(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(both.parts[0]!.items).toEqual([item('c', 'It costs £12.', { fixed: true, leftOut: true })]);
  });

  test('drafted again by the other: what was written here meanwhile stays, in a part of its own if need be', () => {
    const mine = letter([item('a', 'The sill.'), item('own-1', 'I wrote this.')]);
    const theirs = {
      ...letter([]),
      parts: [{ id: 'done' as const, title: 'What was done', items: [item('z', 'New.')] }],
    };
    const { letter: both } = mergeLetters(letter([item('a', 'The sill.')]), mine, theirs);
    expect(textsOf(both)).toEqual(['New.', 'I wrote this.']);
    expect(both.parts.map((p) => p.title)).toEqual(['What was done', 'What is next']);
  });

  test('where one changed nothing, the letter is the other’s; and it does not matter who asks while nothing clashes', () => {
    const sentence = fc.record({ text: fc.string(), leftOut: fc.boolean() });
    fc.assert(
      fc.property(
        fc.array(sentence, { maxLength: 6 }),
        fc.array(sentence, { maxLength: 6 }),
        (before, after) => {
          const was = letter(before.map((s, i) => ({ id: `s${i}`, ...s })));
          const is = letter(after.map((s, i) => ({ id: `s${i}`, ...s })));
          expect(mergeLetters(was, was, is)).toEqual({ letter: is, clashes: [] });
          const mine = mergeLetters(was, is, was);
          expect(mine.clashes).toEqual([]);
          expect(textsOf(mine.letter)).toEqual(
            expect.arrayContaining(after.slice(0, before.length).map((s) => s.text)),
          );
        },
      ),
    );
  });
});
