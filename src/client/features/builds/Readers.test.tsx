/** Others who are told: none, one with their page, added, refused at a field, told no longer. */
import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { ReaderView } from '#contract/readers.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { Readers } from './Readers.tsx';

const VERA: ReaderView = {
  id: 'r',
  name: 'Vera Vane',
  email: 'vera@example.org',
  scope: 'letters',
  url: 'http://x/l/1',
  lastOpenedAt: null,
};
let server: ReturnType<typeof serve>;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
beforeEach(() => {
  answer = () => null;
  server = serve((asked) => answer(asked));
});
afterEach(() => {
  cleanup();
  server.end();
});
const open = (readers: ReaderView[]): unknown =>
  show(<Readers buildId="b" />, { data: [[['readersList', 'b'], readers]] });

test('added in one dialog; a second press is the same person', async () => {
  open([]);
  expect(screen.queryByRole('list', { name: 'Told too' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Tell somebody else too' }));
  fireEvent.change(await screen.findByLabelText('Name'), { target: { value: 'Vera Vane' } });
  fireEvent.click(screen.getByRole('button', { name: 'Tell them' }));
  expect(await screen.findByText('that is not an email address')).toBeTruthy();
  expect(server.asked).toEqual([]);
  fireEvent.change(screen.getByLabelText('Email'), { target: { value: 'vera@example.org' } });
  answer = () => refused(400, 'no', [{ field: 'email', reason: 'they are told already' }]);
  fireEvent.click(screen.getByRole('button', { name: 'Tell them' }));
  expect(await screen.findByText('they are told already')).toBeTruthy();
  answer = () => ({ body: [VERA] });
  fireEvent.click(screen.getByRole('button', { name: 'Tell them' }));
  expect(await screen.findByRole('list', { name: 'Told too' })).toBeTruthy();
  expect(new Set(server.asked.map((a) => a.path)).size).toBe(1);
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
});

test('told no longer; what is refused is said and they stay', async () => {
  open([VERA]);
  expect(screen.getByRole('link', { name: 'Page of Vera Vane' }).getAttribute('href')).toBe(VERA.url);
  answer = () => refused(503, 'Not ready.');
  fireEvent.click(screen.getByRole('button', { name: 'Tell Vera Vane no longer' }));
  expect(await screen.findByText('Not ready.')).toBeTruthy();
  answer = () => ({ body: [] });
  fireEvent.click(screen.getByRole('button', { name: 'Tell Vera Vane no longer' }));
  await waitFor(() => expect(screen.queryByRole('list', { name: 'Told too' })).toBeNull());
  expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/api/builds/b/readers/r' });
});
