/** Signing in: where the account has a second factor its code is asked for, and what was typed stays. */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { SessionView } from '#contract/session.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import SignInPage from './SignInPage.tsx';

let server: ReturnType<typeof serve>;
afterEach(() => {
  cleanup();
  server.end();
});
const NOBODY: SessionView = { person: null, shop: null, today: null, demo: false, firstRun: false };
const fill = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });
const press = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Sign in' }));

test('the code is asked for at a field of its own, once the password was right', async () => {
  let answer: (asked: Asked) => ReturnType<typeof refused> = () =>
    refused(401, 'type the code', [{ field: 'code', reason: 'type the code that your app shows' }]);
  server = serve((asked) => answer(asked));
  show(<SignInPage />, { data: [[['sessionRead'], NOBODY]] });
  expect(screen.queryByLabelText('Code from your app')).toBeNull();
  fill('Email', 'wren@example.org');
  fill('Password', 'a door in the hedge');
  press();
  expect(await screen.findByText('type the code that your app shows')).toBeTruthy();
  expect(server.asked[0]!.body).not.toHaveProperty('code', expect.stringMatching(/./));
  answer = () => ({ status: 200, body: NOBODY });
  fill('Code from your app', '123 456');
  press();
  await waitFor(() => expect(server.asked).toHaveLength(2));
  expect(server.asked[1]!.body).toEqual({
    email: 'wren@example.org',
    password: 'a door in the hedge',
    code: '123 456',
  });
});
