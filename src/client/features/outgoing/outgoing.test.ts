/**
 * What is kept on the device and sent in order. Nasty cases: no answer, a fault of the server, a refusal while one waits for it and
 * afterwards, an answer that never comes, somebody else signed in, several at once, a browser that keeps nothing.
 */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { ApiProblem } from '../../shared/api.ts';
import { allHere } from '../../shared/device.ts';
import { forgetAct, isOutgoing, onActArrived, sendAct, sendAs, type Act } from './outgoing.ts';

interface Asked {
  url: string;
  body: Record<string, unknown>;
  answer: (status: number, body?: object) => Promise<void>;
  fail: () => Promise<void>;
}
let asked: Asked[] = [];
const realFetch = globalThis.fetch;
const turn = async (): Promise<void> => {
  for (let i = 0; i < 30; i += 1) await jest.advanceTimersByTimeAsync(0);
};

beforeEach(() => {
  jest.useFakeTimers({ now: Date.parse('2026-03-11T10:00:00Z') });
  asked = [];
  globalThis.fetch = ((url: string, init: { body: string }) =>
    new Promise((resolve, reject) => {
      asked.push({
        url,
        body: JSON.parse(init.body) as Record<string, unknown>,
        answer: async (status, body = {}) => {
          resolve({ ok: status < 400, status, headers: new Headers(), json: async () => body } as Response);
          await turn();
        },
        fail: async () => {
          reject(new TypeError('no network'));
          await turn();
        },
      });
    })) as unknown as typeof fetch;
});
afterEach(async () => {
  sendAs(null);
  for (const a of await allHere('acts')) await forgetAct(a.id);
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

const act = (id: string): Act => ({
  id,
  route: 'entryAdd',
  params: { buildId: 'b' },
  body: { id, text: id },
  words: id,
});
const ids = (): unknown[] => asked.map((a) => a.body.id);

test('sent and answered: nothing stays here', async () => {
  sendAs('wren');
  const sent = sendAct(act('1'));
  await turn();
  await asked[0]!.answer(200, { id: '1', kept: true });
  expect(await sent).toEqual({ id: '1', kept: true });
  expect(await allHere('acts')).toEqual([]);
});

test('no answer: kept, tried again after a pause, longer each time, and those behind it wait their turn', async () => {
  sendAs('wren');
  const first = sendAct(act('1'));
  await turn();
  await asked[0]!.fail();
  expect(await first).toBe('later');
  expect(isOutgoing('1')).toBe(true);
  const second = sendAct(act('2'));
  await turn();
  await asked[1]!.answer(503);
  expect(await second).toBe('later');
  expect(ids()).toEqual(['1', '1']);
  await jest.advanceTimersByTimeAsync(10_000);
  await asked[2]!.answer(200);
  await asked[3]!.answer(200);
  expect(ids()).toEqual(['1', '1', '1', '2']);
  expect(await allHere('acts')).toEqual([]);
});

test('written a while ago, it says how long; a minute is now', async () => {
  sendAs('wren');
  const first = sendAct(act('1'));
  await turn();
  expect(asked[0]!.body.agoMs).toBeUndefined();
  await asked[0]!.fail();
  await first;
  jest.setSystemTime(Date.parse('2026-03-11T13:00:00Z'));
  await jest.advanceTimersByTimeAsync(10_000);
  expect(asked[1]!.body.agoMs).toBeGreaterThanOrEqual(3 * 3600_000);
  await asked[1]!.answer(200);
});

test('refused while one waits for it: its words are thrown back, nothing stays here', async () => {
  sendAs('wren');
  const sent = sendAct(act('1')).catch((e: unknown) => e);
  await turn();
  await asked[0]!.answer(400, { status: 400, detail: 'the line is empty' });
  expect(await sent).toBeInstanceOf(ApiProblem);
  expect(await allHere('acts')).toEqual([]);
});

test('refused afterwards: it stays to be looked at, and what is behind it goes on', async () => {
  sendAs('wren');
  const first = sendAct(act('1'));
  await turn();
  await asked[0]!.fail();
  await first;
  await jest.advanceTimersByTimeAsync(3000);
  await asked[1]!.answer(404, { status: 404, detail: 'There is no such build.' });
  expect(await allHere('acts')).toMatchObject([{ id: '1', refused: 'There is no such build.' }]);
  const second = sendAct(act('2'));
  await turn();
  await asked[2]!.answer(200);
  await second;
  expect(ids()).toEqual(['1', '1', '2']);
});

test('an answer that never comes: after a few seconds it is enough that it is kept here', async () => {
  sendAs('wren');
  const sent = sendAct(act('1'));
  await turn();
  await jest.advanceTimersByTimeAsync(4500);
  expect(await sent).toBe('later');
  await asked[0]!.answer(200);
  expect(await allHere('acts')).toEqual([]);
});

test('what one person wrote is not sent as another; it waits until they are back', async () => {
  sendAs('wren');
  const sent = sendAct(act('1'));
  await turn();
  await asked[0]!.answer(401);
  expect(await sent).toBe('later');
  sendAs('petra');
  await jest.advanceTimersByTimeAsync(60_000);
  expect(asked).toHaveLength(1);
  sendAs('wren');
  await turn();
  await asked[1]!.answer(200);
  expect(await allHere('acts')).toEqual([]);
});

test('nobody signed in: nothing is taken', async () => {
  await expect(sendAct(act('1'))).rejects.toThrow('nobody is signed in');
});

test('five at once go one after the other, in order', async () => {
  sendAs('wren');
  const all = ['1', '2', '3', '4', '5'].map((id) => sendAct(act(id)));
  await turn();
  for (let i = 0; i < 5; i += 1) {
    expect(asked).toHaveLength(i + 1);
    await asked[i]!.answer(200, { n: i });
  }
  expect(await Promise.all(all)).toHaveLength(5);
  expect(ids()).toEqual(['1', '2', '3', '4', '5']);
});

test('a reading that has still to arrive holds the entry that it makes, so that its picture waits for it', async () => {
  sendAs('wren');
  const reading: Act = {
    ...act('r1'),
    route: 'readingPut',
    params: { buildId: 'b', readingId: 'r1' },
    body: { id: 'r1', entryId: 'e1' },
  };
  const sent = sendAct(reading);
  await turn();
  await asked[0]!.fail();
  expect(await sent).toBe('later');
  expect([isOutgoing('e1'), isOutgoing('e2')]).toEqual([true, false]);
  await jest.advanceTimersByTimeAsync(10_000);
  await asked[1]!.answer(200);
  expect(isOutgoing('e1')).toBe(false);
});

test('whoever hears of an arrival finds it gone from what is outgoing', async () => {
  sendAs('wren');
  const heard: boolean[] = [];
  const leave = onActArrived((a) => heard.push(isOutgoing(a.id)));
  const sent = sendAct(act('1'));
  await turn();
  await asked[0]!.answer(200);
  await sent;
  leave();
  expect(heard).toEqual([false]);
});
