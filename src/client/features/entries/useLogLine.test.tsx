/**
 * The log line while it keeps. Nasty cases: typing while the last line is on its way, a second line kept meanwhile, a refusal with new
 * words typed, done or to come in doubt, an amount that is in doubt.
 */
import { createElement } from 'react';
import { afterEach, beforeAll, beforeEach, expect, test } from '@jest/globals';
import { act, renderHook, waitFor } from '@testing-library/react';
import { around } from '#tests/support/page.tsx';
import { allHere, dropHere } from '../../shared/device.ts';
import { sendAs } from '../outgoing/index.ts';
import { LogTarget, useThisCar } from './target.tsx';
import { useLogLine } from './useLogLine.ts';
import { loadReader } from './useReader.ts';

type Answer = (status: number, body: object) => Promise<void>;
interface Asked {
  body: { id: string; text: string; kind: string; facts: object };
  answer: Answer;
}
let asked: Asked[];
const realFetch = globalThis.fetch;

beforeAll(() => loadReader());
beforeEach(() => {
  asked = [];
  localStorage.clear();
  sendAs('p');
  globalThis.fetch = ((_url: string, init: { body?: string }) =>
    new Promise((resolve) => {
      if (init.body === undefined) return;
      const answer: Answer = async (status, body) =>
        act(async () => {
          resolve({ ok: status < 400, status, headers: new Headers(), json: async () => body } as Response);
          await new Promise((r) => setTimeout(r, 20));
        });
      asked.push({ body: JSON.parse(init.body) as Asked['body'], answer });
    })) as unknown as typeof fetch;
});
afterEach(async () => {
  sendAs(null);
  for (const a of await allHere('acts')) await dropHere('acts', a.id);
  globalThis.fetch = realFetch;
});

const open = () => renderHook(() => useLogLine(), { wrapper: around() }).result;
const entry = (text: string) => ({ id: 'e', kind: 'did', text });
const refusal = { type: 'x', title: 'x', status: 400, detail: 'That is too long.' };

test('what is typed while a line is on its way is the next line, and both are kept', async () => {
  const line = open();
  act(() => line.current.write('hearse: did first bolt'));
  act(() => void line.current.keep());
  await waitFor(() => expect(asked).toHaveLength(1));
  act(() => line.current.write('hearse: did second bolt'));
  act(() => void line.current.keep());
  act(() => line.current.write('hearse: found'));
  await asked[0]!.answer(200, entry('did first bolt'));
  expect(line.current.text).toBe('hearse: found');
  await waitFor(() => expect(asked).toHaveLength(2));
  await asked[1]!.answer(200, entry('did second bolt'));
  expect(line.current.text).toBe('hearse: found');
  expect(asked.map((a) => a.body.text)).toEqual(['did first bolt', 'did second bolt']);
  expect(new Set(asked.map((a) => a.body.id)).size).toBe(2);
});

test('a line that is refused comes back, before what was typed meanwhile, and says why', async () => {
  const line = open();
  act(() => line.current.write('hearse: did first bolt'));
  act(() => void line.current.keep());
  await waitFor(() => expect(asked).toHaveLength(1));
  await waitFor(() => expect(line.current.text).toBe(''));
  act(() => line.current.write('and the second'));
  await asked[0]!.answer(400, refusal);
  expect(line.current.text).toBe('hearse: did first bolt\nand the second');
  expect(line.current.fault).toBe('That is too long.');
});

test('on a car’s page a word of another car’s name stays with this one, unless it is addressed in front', async () => {
  const line = renderHook(
    () => {
      useThisCar('estate', 'estate');
      return useLogLine();
    },
    { wrapper: ({ children }) => createElement(around(), null, createElement(LogTarget, null, children)) },
  ).result;
  for (const [text, car] of [
    ['fitted the rings for the hearse', 'estate'],
    ['the hearse is out, 2h', 'estate'],
    ['hearse: did the rings, 2h', 'hearse'],
    ['hearse, did the rings, 2h', 'hearse'],
  ] as const) {
    act(() => line.current.write(text));
    expect([text, line.current.build?.id]).toEqual([text, car]);
  }
});

test('a line for no car is not taken away', () => {
  const line = open();
  act(() => line.current.write('did first bolt'));
  act(() => void line.current.keep());
  expect(line.current.text).toBe('did first bolt');
  expect(line.current.fault).toMatch(/^Which car/);
  expect(asked).toEqual([]);
});

test('whether it has happened is answered before it is kept, and the answer keeps it', async () => {
  const line = open();
  act(() => line.current.write('hearse: sort the wiring, 2h'));
  await act(async () => line.current.keep());
  expect(asked).toEqual([]);
  expect(line.current.isAsking).toBe(true);
  expect(line.current.asks).toContain('tense');
  expect(line.current.read).toMatchObject({ ifHappened: 'did', ifNot: 'planned' });
  act(() => line.current.answer({ kind: 'planned' }));
  await waitFor(() => expect(asked).toHaveLength(1));
  expect(asked[0]!.body).toMatchObject({ text: 'sort the wiring, 2h', kind: 'planned' });
  await asked[0]!.answer(200, entry('sort the wiring, 2h'));
  expect(line.current.text).toBe('');
});

test('answered before it was to be kept, it waits for that; what is written on does not ask again', async () => {
  const line = open();
  act(() => line.current.write('hearse: sort the wiring, 2h'));
  act(() => line.current.answer({ kind: 'did' }));
  expect(line.current.asks).toEqual([]);
  expect(asked).toEqual([]);
  act(() => line.current.write('hearse: sort the wiring, 2h 30'));
  expect(line.current.understood).toMatchObject({ kind: 'did', facts: { minutes: 150 } });
  act(() => void line.current.keep());
  await waitFor(() => expect(asked[0]?.body.kind).toBe('did'));
  await asked[0]!.answer(200, entry('sort the wiring, 2h 30'));
});

test('a kind that is chosen is no longer asked, and what its words mean is read anew', () => {
  const line = open();
  act(() => line.current.write('hearse: waiting for glass, 3h'));
  expect(line.current.understood.kind).toBe('waiting');
  act(() => line.current.putRight((r) => ({ ...r, kind: 'did' })));
  expect(line.current.understood).toMatchObject({ kind: 'did', facts: { minutes: 180 } });
  expect(line.current.asks).toEqual([]);
});
