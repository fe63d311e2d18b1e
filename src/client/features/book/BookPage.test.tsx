/** The books of a car on screen: being made, failed, ready, given; what was left out; who may not bind. */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import type { Role } from '#contract/access.ts';
import type { BookView } from '#contract/book.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import BookPage from './BookPage.tsx';

const BOOK: BookView = {
  ...{ id: 'k', origin: 'bound', buildId: 'b', withCosts: true, state: 'ready', done: 4, of: 4, why: '' },
  ...{ leftOut: [], meant: [], pages: 12, pdfBytes: 340_000, zipBytes: 12_000_000, givenAt: null },
  ...{ askedAt: '2026-03-10T10:00:00Z', madeAt: '2026-03-10T10:00:30Z' },
};
let server: ReturnType<typeof serve>;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
beforeEach(() => {
  answer = () => ({ body: BOOK });
  server = serve((asked) => answer(asked));
});
afterEach(() => {
  cleanup();
  server.end();
});

function open(books: BookView[], role: Role = 'owner'): void {
  const build = { id: 'b', nickname: 'tourer', customer: 'Ilse Brandt' };
  show(<BookPage />, {
    ...{ role, at: '/builds/b/book', pattern: '/builds/:buildId/book' },
    data: [
      [['buildRead', 'b'], build],
      [['booksOf', 'b'], { books }],
      [['papersList', 'b'], { papers: [] }],
    ],
  });
}

test('none yet: one press binds it, with or without costs', async () => {
  open([]);
  expect(screen.queryByText('Bound so far')).toBeNull();
  fireEvent.click(screen.getByLabelText('With what it cost'));
  fireEvent.click(screen.getByRole('button', { name: 'Bind the book' }));
  await screen.findByText('Bind it');
  expect(server.asked[0]).toMatchObject({
    ...{ method: 'POST', path: '/api/builds/b/books' },
    body: { withCosts: false, meant: [] },
  });
});

test('refused, it is said in words', async () => {
  answer = () => refused(403, 'Only owner can do this.');
  open([]);
  fireEvent.click(screen.getByRole('button', { name: 'Bind the book' }));
  expect(await screen.findByText('Only owner can do this.')).toBeTruthy();
});

test('being made: how far; and no second one meanwhile', () => {
  open([{ ...BOOK, state: 'making', done: 1, madeAt: null }]);
  expect(screen.getByRole('progressbar', { name: 'It is being bound' })).toHaveProperty('value', 1);
  expect(screen.getByText('1 of 4 pictures')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Bind the book' })).toHaveProperty('disabled', true);
});

test('failed: why, and nothing to fetch', () => {
  open([{ ...BOOK, state: 'failed', why: 'Something broke.' }]);
  expect(screen.getByText('It could not be made.').parentElement!.textContent).toContain('Something broke.');
  expect(screen.queryByRole('link', { name: /^Paper/ })).toBeNull();
});

test('ready: paper and archive with their sizes; given once', async () => {
  open([BOOK]);
  expect(screen.getByRole('link', { name: 'Paper, 12 pages' }).getAttribute('href')).toBe(
    '/api/books/k/book.pdf',
  );
  expect(screen.getByRole('link', { name: 'Archive' }).parentElement!.textContent).toContain('12 MB');
  fireEvent.click(screen.getByRole('button', { name: 'Put it on Ilse Brandt’s page' }));
  await screen.findByText('Bound so far');
  expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/api/books/k/give' });
});

test('what was left out: the doubtful may be meant, the sure may not, and what was meant before stays so', async () => {
  const leftOut = [
    { text: 'like a barge', why: '“barge”: another’s', isSure: false },
    { text: 'for Odo Lark', why: '“Odo Lark”: another customer', isSure: true },
  ];
  open([{ ...BOOK, leftOut, meant: ['said before'] }]);
  expect(screen.queryByLabelText('It is meant as it stands: for Odo Lark')).toBeNull();
  fireEvent.click(screen.getByLabelText('It is meant as it stands: like a barge'));
  fireEvent.click(screen.getByRole('button', { name: 'Bind it again with that line' }));
  await screen.findByText('Bound so far');
  expect(server.asked[0]!.body).toMatchObject({ withCosts: true, meant: ['said before', 'like a barge'] });
});

test('the office looks and fetches; it does not bind or give', () => {
  open([{ ...BOOK, leftOut: [{ text: 'like a barge', why: 'x', isSure: false }] }], 'office');
  expect(screen.queryByRole('button', { name: /Bind|Put it on/ })).toBeNull();
  expect(screen.getByRole('link', { name: 'Archive' })).toBeTruthy();
});
