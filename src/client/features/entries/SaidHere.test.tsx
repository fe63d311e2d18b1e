/**
 * A run of speech under review. Nasty cases: cut and joined, put right and then the text changed, set aside, a technician, refused at
 * one line, nobody answers, pressed twice.
 */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Role } from '#contract/access.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { allHere, dropHere } from '../../shared/device.ts';
import { sendAs } from '../outgoing/index.ts';
import SaidHere from './SaidHere.tsx';

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
const pieces = (): HTMLElement[] => {
  const list = screen.queryByRole('list', { name: 'What was understood' });
  return list ? [...list.children].map((c) => c as HTMLElement) : [];
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
  say('welded the sill, two hours. Spent 12.40 on discs. Next we want the doors on.');
  expect(pieces().map((p) => p.querySelector('span')!.textContent)).toEqual([
    'welded the sill, two hours',
    'Spent 12.40 on discs',
    'the doors on',
  ]);
  press('Log these 3 lines');
  await screen.findByText('3 lines logged.');
  expect(sent()).toHaveLength(1);
  const [{ lines, nexts }] = sent() as [ReturnType<typeof sent>[number]];
  expect(lines).toMatchObject([
    { buildId: 'hearse', kind: 'did', text: 'welded the sill, two hours', facts: { minutes: 120 } },
    { buildId: 'hearse', kind: 'spent', facts: { moneyMinor: 1240 } },
  ]);
  expect(nexts).toEqual([{ buildId: 'hearse', next: 'the doors on' }]);
  expect(screen.getByLabelText('What is going on with the hearse')).toHaveProperty('value', '');
});

test('a technician does not say what is next: it is a line', async () => {
  open('technician');
  say('welded the sill. Next we want the doors on.');
  press('Log these 2 lines');
  await screen.findByText('2 lines logged.');
  expect(sent()[0]).toMatchObject({ nexts: [], lines: [{ kind: 'did' }, { text: 'the doors on' }] });
});

test('a word begins another thing, and joins again; the marks move with the text', () => {
  open();
  say('welded the sill ground it back');
  expect(pieces()).toHaveLength(1);
  press('Cut or join: welded the sill ground it back');
  press('Another begins with “ground”');
  expect(pieces().map((p) => p.querySelector('span')!.textContent)).toEqual([
    'welded the sill',
    'ground it back',
  ]);
  say('today welded the sill ground it back');
  expect(pieces()).toHaveLength(2);
  press('Cut or join: ground it back');
  press('Join it to what stands before');
  expect(pieces()).toHaveLength(1);
});

test('set aside it is not logged; a car is changed; put right stays while the words do', async () => {
  open();
  say('welded the sill, two hours. Painted the rail.');
  press(/^Set aside: Painted the rail/);
  expect(pieces()).toHaveLength(1);
  expect(screen.getByText(/One piece is set aside: Painted the rail/)).toBeTruthy();
  fireEvent.change(within(pieces()[0]!).getByRole('combobox'), { target: { value: 'estate' } });
  say('welded the sill, two hours. Painted the rail. Cleaned the glass.');
  press('Log these 2 lines');
  await screen.findByText('2 lines logged.');
  expect(sent()[0]!.lines.map((l) => l.buildId)).toEqual(['estate', 'hearse']);
});

test('refused: it is said in the server’s words, and everything is still there; pressed again it has the same ids', async () => {
  open();
  answer = () => refused(400, 'lines.0.facts.minutes: at least one minute. Nothing was kept.');
  say('welded the sill, two hours');
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
  say('welded the sill. Painted the rail.');
  press('Log these 2 lines');
  await screen.findByText('2 lines kept on this device, to go by themselves.');
  answer = () => ({ body: { kept: 2 } });
  await act(async () => {
    window.dispatchEvent(new Event('online'));
  });
  await waitFor(() => expect(screen.getByText('2 lines logged.')).toBeTruthy());
});
