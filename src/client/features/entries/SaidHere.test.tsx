/**
 * A run of speech under review. Nasty cases: cut and joined, put right and then the text changed, set aside, a technician, refused at
 * one line, nobody answers, pressed twice.
 */
import { afterEach, beforeAll, beforeEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Role } from '#contract/access.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { allHere, dropHere } from '../../shared/device.ts';
import { sendAs } from '../outgoing/index.ts';
import DictationPage from './DictationPage.tsx';
import SaidHere from './SaidHere.tsx';
import { loadReader } from './useReader.ts';

beforeAll(() => loadReader());
let server: ReturnType<typeof serve>;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
beforeEach(() => {
  localStorage.clear();
  answer = () => ({ body: { kept: 1 } });
  server = serve((asked) => answer(asked));
  sendAs('p');
});
afterEach(async () => {
  cleanup();
  sendAs(null);
  for (const a of await allHere('acts')) await dropHere('acts', a.id);
  server.end();
  jest.useRealTimers();
});

const open = (role: Role = 'owner') => show(<SaidHere buildId="hearse" name="hearse" />, { role });
const say = (text: string): void => {
  fireEvent.change(screen.getByLabelText('What is going on with the hearse'), { target: { value: text } });
};
const pieces = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('[data-piece]')];
const words = (): string[] => pieces().map((p) => p.querySelector('[data-words]')!.textContent!);
/** Opens the piece that begins so. */
const openPiece = (begins: string): HTMLElement => {
  const piece = pieces().find((p) => p.querySelector('[data-words]')!.textContent!.startsWith(begins))!;
  fireEvent.click(piece.querySelector('[aria-expanded]')!);
  return piece;
};
/** Answers every question that stands before logging with the first answer. */
const answerAll = (): void => {
  for (let i = 0; i < 20; i += 1) {
    const question = document.querySelector('[data-question] button');
    if (!question) return;
    fireEvent.click(question);
  }
};
const press = (name: string | RegExp, within_: HTMLElement | typeof screen = screen): void => {
  const found =
    within_ === screen
      ? screen.getByRole('button', { name })
      : within(within_ as HTMLElement).getByRole('button', { name });
  fireEvent.click(found);
};
const sent = (): { lines: Record<string, unknown>[]; nexts: Record<string, unknown>[] }[] =>
  server.asked.filter((a) => a.path === '/api/said').map((a) => a.body as never);

test('what is said here is about this car; all of it goes in one request', async () => {
  open();
  say('Welded the sill, two hours. Spent 12.40 on discs. Next is the doors on.');
  expect(words()).toEqual(['Welded the sill, two hours', 'Spent 12.40 on discs', 'The doors on']);
  answerAll();
  press('Log these 3 lines');
  await screen.findByText('3 lines logged.');
  expect(sent()).toHaveLength(1);
  const [{ lines, nexts }] = sent() as [ReturnType<typeof sent>[number]];
  expect(lines).toMatchObject([
    { buildId: 'hearse', kind: 'did', text: 'Welded the sill, two hours', facts: { minutes: 120 } },
    { buildId: 'hearse', kind: 'spent', facts: { moneyMinor: 1240 } },
  ]);
  expect(nexts).toEqual([{ buildId: 'hearse', next: 'The doors on' }]);
  expect(screen.getByLabelText('What is going on with the hearse')).toHaveProperty('value', '');
});

test('a technician does not say what is next: it is a line', async () => {
  open('technician');
  say('Welded the sill, two hours. Next is the doors on.');
  answerAll();
  press('Log these 2 lines');
  await screen.findByText('2 lines logged.');
  expect(sent()[0]).toMatchObject({ nexts: [], lines: [{ kind: 'did' }, { text: 'The doors on' }] });
});

test('a word begins another thing, and joins again; the marks move with the text', () => {
  open();
  say('welded the sill in this morning');
  expect(pieces()).toHaveLength(1);
  openPiece('Welded');
  press('Cut or join: Welded the sill in this morning');
  press('Another begins with “this”');
  expect(words()).toEqual(['Welded the sill in', 'This morning']);
  say('today welded the sill in this morning');
  expect(words().at(-1)).toBe('This morning');
  openPiece('This');
  press('Cut or join: This morning');
  press('Join it to what stands before');
  expect(pieces()).toHaveLength(1);
});

test('what may not have happened is asked, and nothing is logged before it is answered', async () => {
  open();
  say('we need to get the sill welded');
  const [piece] = pieces();
  const question = within(piece!).queryByRole('group', { name: /^Happened\?/ });
  if (question) {
    expect(screen.getByRole('button', { name: 'Log this line' })).toHaveProperty('disabled', true);
    fireEvent.click(within(question).getByRole('button', { name: /^No/ }));
  }
  press('Log this line');
  await screen.findByText('One line logged.');
  expect(['planned', 'needs', 'note']).toContain(sent()[0]!.lines[0]!.kind);
});

test('set aside it is not logged, and comes back; put right stays while the words do', async () => {
  open();
  say('Welded the sill, two hours. Painted the rail, one hour.');
  openPiece('Painted');
  press(/^Set aside: Painted the rail/);
  expect(words()).toEqual(['Welded the sill, two hours']);
  press('Bring back: Painted the rail, one hour');
  expect(pieces()).toHaveLength(2);
  say('Welded the sill, two hours. Painted the rail, one hour. Cleaned the glass, one hour.');
  expect(pieces()).toHaveLength(3);
  answerAll();
  press('Log these 3 lines');
  await screen.findByText('3 lines logged.');
});

test('a car that is chosen holds for what follows', async () => {
  open();
  say('Welded the sill, two hours. Painted the rail, one hour.');
  const piece = openPiece('Welded');
  fireEvent.change(within(piece).getByRole('combobox'), { target: { value: 'estate' } });
  answerAll();
  press('Log these 2 lines');
  await screen.findByText('2 lines logged.');
  expect(sent()[0]!.lines.map((l) => l.buildId)).toEqual(['estate', 'estate']);
});

test('what was brought back and is of no car goes nowhere before one is chosen', async () => {
  show(<DictationPage />, { role: 'owner' });
  fireEvent.change(screen.getByLabelText('What is going on, car after car'), {
    target: { value: 'good morning everybody put the kettle on somebody' },
  });
  for (const piece of pieces()) fireEvent.keyDown(piece.querySelector('[aria-expanded]')!, { key: 'x' });
  expect(pieces()).toHaveLength(0);
  fireEvent.click(screen.getAllByRole('button', { name: /^Bring back/ })[0]!);
  expect(pieces()).toHaveLength(1);
  expect(screen.getByRole('button', { name: 'Log this line' })).toHaveProperty('disabled', true);
  press('One question first');
  expect(document.activeElement?.tagName).toBe('SELECT');
  fireEvent.change(document.activeElement!, { target: { value: 'estate' } });
  answerAll();
  press('Log this line');
  await screen.findByText(/^One line logged/);
  expect(sent()[0]!.lines).toMatchObject([{ buildId: 'estate' }]);
});

test('keys: one answers, one sets aside, one cuts', () => {
  open();
  say('Welded the sill, two hours. Painted the rail, one hour.');
  const line = (i: number): HTMLElement => pieces()[i]!.querySelector('[aria-expanded]')!;
  fireEvent.keyDown(line(0), { key: 'c' });
  expect(screen.getByRole('group', { name: /^Cut or join: Welded/ })).toBeTruthy();
  fireEvent.keyDown(line(1), { key: 'x' });
  expect(words()).toEqual(['Welded the sill, two hours']);
});

test('refused: it is said in the server’s words, and everything is still there; pressed again it has the same ids', async () => {
  open();
  answer = () => refused(400, 'lines.0.facts.minutes: at least one minute. Nothing was kept.');
  say('Welded the sill, two hours');
  answerAll();
  press('Log this line');
  await screen.findByText(/Nothing was kept/);
  expect(pieces()).toHaveLength(1);
  answer = () => ({ body: { kept: 1 } });
  press('Log this line');
  await screen.findByText('One line logged.');
  const [first, second] = sent();
  expect(first!.lines[0]!.id).toBe(second!.lines[0]!.id);
});

test('nobody answers: kept on the device, and said so until it is there', async () => {
  open();
  answer = () => null;
  say('Welded the sill, two hours. Painted the rail, one hour.');
  answerAll();
  press('Log these 2 lines');
  await screen.findByText('2 lines kept on this device, to go by themselves.');
  answer = () => ({ body: { kept: 2 } });
  await act(async () => {
    window.dispatchEvent(new Event('online'));
  });
  await waitFor(() => expect(screen.getByText('2 lines logged.')).toBeTruthy());
});
