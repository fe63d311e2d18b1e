/** The letter as its customer reads it. Nasty cases: a leak over a bold word, a list, a pair of pictures, an address that is none. */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import type { Letter } from '#core/update/letter.ts';
import { LetterText } from './LetterText.tsx';

afterEach(cleanup);

const letter = (text: string, more: object = {}): Letter => ({
  subject: 'News',
  greeting: 'Dear Ilse,',
  parts: [{ id: 'done', title: 'What we did', items: [{ id: 'i', text, leftOut: false, ...more }] }],
  closing: 'Wren',
});
const leak = (text: string, words: string) => ({
  ...{ where: 'i', start: text.indexOf(words), end: text.indexOf(words) + words.length, words },
  ...{ why: 'another customer', isSure: true },
});

test('bold, an address and a list are shown; an address that would run a script is words', () => {
  const text = 'See here\n- one\n- two';
  const marks = [
    { start: 0, end: 3, bold: true },
    { start: 4, end: 8, href: 'https://example.org' },
    { start: 11, end: 14, href: 'javascript:alert(1)' },
  ];
  render(<LetterText content={letter(text, { marks })} pictures={[]} />);
  expect(screen.getByText('See').tagName).toBe('B');
  expect(screen.getAllByRole('link').map((a) => a.getAttribute('href'))).toEqual(['https://example.org']);
  expect(screen.getAllByRole('listitem').map((li) => li.textContent)).toEqual(
    expect.arrayContaining(['one', 'two']),
  );
});

test('what leaks is marked through bold and plain, and only while it stands there', () => {
  const text = 'Not for Hugh Pellow, this.';
  const marks = [{ start: 8, end: 12, bold: true }];
  const { rerender } = render(
    <LetterText content={letter(text, { marks })} pictures={[]} leaks={[leak(text, 'Hugh Pellow')]} />,
  );
  const marked = () => [...document.querySelectorAll('mark')].map((m) => m.textContent).join('');
  expect(marked()).toBe('Hugh Pellow');
  rerender(
    <LetterText content={letter('Not for you, this.')} pictures={[]} leaks={[leak(text, 'Hugh Pellow')]} />,
  );
  expect(marked()).toBe('');
});

test('before and after lie over each other, and the slider says how much is shown of each', () => {
  const picture = { id: 'p', url: '/after', caption: 'new end', width: 4, height: 3 };
  render(
    <LetterText
      content={letter('Sill let in.', { media: ['p'] })}
      pictures={[{ ...picture, before: { url: '/before', caption: '' } }]}
    />,
  );
  expect(screen.getByAltText('Before: new end').getAttribute('src')).toBe('/before');
  const slide = screen.getByRole('slider');
  fireEvent.change(slide, { target: { value: '80' } });
  expect(slide.getAttribute('aria-valuetext')).toBe('80 % before, 20 % after');
  expect(screen.getByAltText('After: new end').style.clipPath).toBe('inset(0 0 0 80%)');
});
