/** Papers on screen: taken in with their name, given, taken off the page, thrown away; what is refused is said. */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { PaperView } from '#contract/papers.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { PapersPanel } from './PapersPanel.tsx';

const PAPER: PaperView = {
  ...{ id: 'p', name: 'Weighbridge ticket.pdf', bytes: 82_000, person: 'Ida Fenn' },
  ...{ addedAt: '2026-03-10T10:00:00Z', givenAt: null },
};
let server: ReturnType<typeof serve>;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
beforeEach(() => {
  answer = ({ method }) => ({ body: method === 'GET' ? { papers: [PAPER] } : PAPER });
  server = serve((asked) => answer(asked));
});
afterEach(() => {
  cleanup();
  server.end();
});
const open = (papers: PaperView[]) =>
  show(<PapersPanel buildId="b" customer="Ilse Brandt" />, { data: [[['papersList', 'b'], { papers }]] });
const choose = (name: string): void => {
  const file = new File(['%PDF-1.4'], name, { type: 'application/pdf' });
  fireEvent.change(document.querySelector('input[type=file]')!, { target: { files: [file] } });
};

test('a PDF is taken in, and stands there', async () => {
  open([]);
  choose('Weighbridge ticket.pdf');
  expect(await screen.findByRole('link', { name: 'Weighbridge ticket.pdf' })).toBeTruthy();
  expect(server.asked[0]!.method).toBe('PUT');
  expect(server.asked[0]!.path).toMatch(/^\/api\/builds\/b\/papers\/[0-9a-f-]{36}$/);
});

test('what is no PDF is refused in words', async () => {
  answer = () => refused(400, 'By its content it is no PDF. Nothing was kept.');
  open([]);
  choose('photo.pdf');
  expect(await screen.findByText('By its content it is no PDF. Nothing was kept.')).toBeTruthy();
});

test('given with one press; what is given must come off the page before it can be thrown away', async () => {
  open([PAPER]);
  fireEvent.click(screen.getByRole('button', { name: 'Give it' }));
  await waitFor(() =>
    expect(server.asked[0]).toMatchObject({ path: '/api/papers/p/give', body: { given: true } }),
  );
  cleanup();
  open([{ ...PAPER, givenAt: '2026-03-11T09:00:00Z' }]);
  expect(screen.getByText(/theirs since Wed 11 Mar/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Throw it away' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Take it off their page' }));
  await waitFor(() => expect(server.asked.at(-2)).toMatchObject({ body: { given: false } }));
});
