/** The mail server and the Outbox on screen: what is used, what is refused at its field, what a try says, what is done in a customer's place. */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { MailServerView, OutboxView } from '#contract/mail.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import MailServerPage from './MailServerPage.tsx';
import OutboxPage from './OutboxPage.tsx';

let server: ReturnType<typeof serve>;
/** What a change is answered with, and what is read again after it. */
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
let read: unknown;
beforeEach(() => {
  answer = () => null;
  server = serve((asked) => {
    if (asked.method === 'GET') return { body: read };
    const given = answer(asked);
    if (given && 'server' in Object(given.body)) read = given.body;
    return given;
  });
});
afterEach(() => {
  cleanup();
  server.end();
});
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
const fill = (label: string, value: string): void =>
  void fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe('the mail server', () => {
  const OWN: MailServerView = {
    server: {
      ...{ version: 3, host: 'mail.example.org', port: 465, secure: 'tls' as const },
      ...{ userName: 'wren', fromAddress: 'shop@example.org', fromName: '', hasPassword: true },
    },
    usual: 'stand-in',
    whyNot: null,
    triedAt: null,
    open: [],
  };
  const open = (view: MailServerView): unknown =>
    show(<MailServerPage />, { data: [[['mailServerRead'], (read = view)]] });

  test('none of its own: where mail goes is said; one that is set is sent whole', async () => {
    open({ ...OWN, server: null });
    expect(screen.getByText(/^Mail goes to the stand-in/)).toBeTruthy();
    answer = () => ({ body: OWN });
    fill('Server', 'mail.example.org');
    fill('Port', '465');
    fill('Encryption', 'tls');
    fill('Name to sign in with, if it wants one', 'wren');
    fill('Password', 'pass word');
    fill('From address', 'shop@example.org');
    press('Use this server');
    expect(
      await screen.findByText(/^Letters go out through mail\.example\.org, from shop@example\.org/),
    ).toBeTruthy();
    expect(server.asked[0]!.body).toEqual({
      ...{ version: 0, host: 'mail.example.org', port: 465, secure: 'tls' },
      ...{ userName: 'wren', password: 'pass word', fromAddress: 'shop@example.org' },
    });
  });

  test('a password that is kept is not shown, and not sent where none was typed', async () => {
    open(OWN);
    expect(screen.getByLabelText('Password')).toHaveProperty('value', '');
    expect(screen.getByText('One is kept. Empty leaves it as it is.')).toBeTruthy();
    answer = () => ({ body: OWN });
    press('Use this server');
    await waitFor(() => expect(server.asked.filter((a) => a.method === 'PUT')).toHaveLength(1));
    expect(server.asked[0]!.body).not.toHaveProperty('password');
  });

  test('what is not right is said at its field, by the page or by the server', async () => {
    open({ ...OWN, server: null, usual: 'installation' });
    fill('Server', 'two words');
    fill('From address', 'nobody');
    press('Use this server');
    expect(await screen.findByText('a name as in mail.example.org')).toBeTruthy();
    expect(screen.getByText('that is not an email address')).toBeTruthy();
    expect(server.asked).toEqual([]);
    fill('Server', 'mail.example.org');
    fill('From address', 'a@example.org');
    answer = () => refused(400, 'no', [{ field: 'host', reason: 'localhost only' }]);
    press('Use this server');
    expect(await screen.findByText('localhost only')).toBeTruthy();
  });

  test('tried: taken, or in the server’s own words why not; stopped', async () => {
    open(OWN);
    answer = ({ method }) => ({
      body: method === 'GET' ? OWN : { to: 'wren@example.org', why: null, released: 2 },
    });
    press('Send a test to me');
    expect(await screen.findByText(/has taken a mail to wren@example\.org/)).toBeTruthy();
    answer = ({ method }) => ({
      body: method === 'GET' ? OWN : { to: 'wren@example.org', why: '535 wrong password', released: 0 },
    });
    press('Send a test to me');
    expect(await screen.findByText('It was not taken: 535 wrong password')).toBeTruthy();
    answer = () => ({ body: { ...OWN, server: null } });
    press('Stop using it');
    expect(await screen.findByText(/^Mail goes to the stand-in/)).toBeTruthy();
  });
});

describe('mail that did not go', () => {
  const VIEW: MailServerView = {
    ...{ server: null, usual: 'none', whyNot: 'no mail server is set', triedAt: null },
    open: [
      {
        ...{ id: 'letter-1', to: 'Ilse <ilse@example.org>', subject: 'News of your car', state: 'perhaps' },
        ...{ note: 'Avrik was stopped.', at: '2026-03-10T10:00:00Z', canAgain: true },
      },
      {
        ...{ id: 'letter-2', to: 'Fay <fay@example.org>', subject: 'Your estate', state: 'waiting' },
        ...{ note: 'no mail server is set', at: '2026-03-10T10:00:00Z', canAgain: true },
      },
    ],
  };

  test('says that none goes; of what was perhaps sent one decides; what waits needs no press', async () => {
    show(<MailServerPage />, { data: [[['mailServerRead'], VIEW]] });
    expect(screen.getByText(/^No mail is being sent: set up a mail server/)).toBeTruthy();
    expect(screen.getAllByRole('button', { name: /^It arrived/ })).toHaveLength(1);
    answer = () => ({ body: { ...VIEW, open: VIEW.open.slice(1) } });
    press('It arrived: News of your car');
    await waitFor(() => expect(screen.queryByRole('button', { name: /^It arrived/ })).toBeNull());
    expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/api/mails/letter-1/arrived' });
    expect(screen.getByText('Waiting: no mail server is set.')).toBeTruthy();
  });

  test('is sent again', async () => {
    show(<MailServerPage />, { data: [[['mailServerRead'], VIEW]] });
    answer = () => ({ body: VIEW });
    press('Send it again: News of your car');
    await waitFor(() => expect(server.asked[0]?.path).toBe('/api/mails/letter-1/again'));
  });
});

describe('the Outbox', () => {
  const MAIL: OutboxView['mails'][number] = {
    ...{ id: 'm', way: 'mail', to: 'Ilse', subject: 'News of your car', text: 'Dear Ilse', link: '/l/x' },
    ...{ at: '2026-03-10T10:00:00Z', canAnswer: true },
  };
  const open = (mails: OutboxView['mails']): unknown =>
    show(<OutboxPage />, { data: [[['outboxList'], (read = { mails })]] });

  test('empty it says what to do', () => {
    open([]);
    expect(screen.getByText(/^No mail yet/)).toBeTruthy();
  });

  test('answered in their place; not without words; a text message cannot be answered', async () => {
    open([MAIL, { ...MAIL, id: 't', way: 'text', subject: 'Text message', canAnswer: false }]);
    expect(screen.getAllByRole('button', { name: 'Answer as they would' })).toHaveLength(1);
    expect(screen.getByRole('button', { name: 'Answer as they would' })).toHaveProperty('disabled', true);
    fill('Answer by mail', 'Can it be blue?');
    answer = () => ({ body: { sent: true } });
    press('Answer as they would');
    expect(await screen.findByText('Answered. The Floor has it.')).toBeTruthy();
    expect(server.asked[0]).toMatchObject({
      path: '/api/outbox/m/answer',
      body: { text: 'Can it be blue?' },
    });
    expect(screen.getByLabelText('Answer by mail')).toHaveProperty('value', '');
  });

  test('brought back; and what is refused is said, with the words still there', async () => {
    open([MAIL]);
    answer = () => ({ body: { sent: true } });
    press('Let it come back');
    expect(await screen.findByText(/^Brought back/)).toBeTruthy();
    fill('Answer by mail', 'Hello?');
    answer = () => refused(409, 'It was not taken: nobody answers to that address');
    press('Answer as they would');
    expect(await screen.findByText(/^It was not taken/)).toBeTruthy();
    expect(screen.getByLabelText('Answer by mail')).toHaveProperty('value', 'Hello?');
  });
});
