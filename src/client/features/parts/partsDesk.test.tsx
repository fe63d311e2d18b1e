/** All parts: what cannot be read is said, and tried again. */
import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { refused, serve, show } from '#tests/support/page.tsx';
import PartsDeskPage from './PartsDeskPage.tsx';

let server: ReturnType<typeof serve>;
afterEach(() => {
  cleanup();
  server.end();
});

test('an error is shown with a way on, and goes when the parts are there', async () => {
  let away = true;
  server = serve(() =>
    away ? refused(503, 'The database does not answer just now.') : { body: { parts: [], more: false } },
  );
  show(<PartsDeskPage />);
  expect(await screen.findByRole('alert')).toHaveProperty(
    'textContent',
    expect.stringContaining('The database does not answer just now.'),
  );
  away = false;
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  expect(server.asked).toHaveLength(2);
});
