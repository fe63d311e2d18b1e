/** A draft being edited. Nasty cases: typing while it saves, somebody else's change, no answer, sending unsaved words. */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { ReactNode } from 'react';
import { act, renderHook } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { LetterView } from '#contract/letters.ts';
import { useDraft } from './useDraft.ts';

const letter: LetterView = {
  id: 'l1',
  buildId: 'b1',
  state: 'draft',
  content: { subject: 'News', greeting: 'Dear Ilse,', parts: [], closing: '' },
  pictures: [],
  version: 1,
  draftedAt: '2026-03-11T10:00:00.000Z',
  sentAt: null,
  mail: null,
  mailNote: null,
  build: { number: 'B-0001', nickname: 'microcar', vehicle: 'Pipit Three' },
  customer: { name: 'Ilse Brandt', email: 'ilse@example.org' },
  stale: false,
  leaks: [],
  unsaid: [],
};

interface Asked {
  url: string;
  body: { version: number; content?: { subject: string } };
  answer: (status: number, body: object) => void;
}
let asked: Asked[];
const realFetch = globalThis.fetch;

beforeEach(() => {
  asked = [];
  jest.useFakeTimers();
  globalThis.fetch = ((url: string, init: { body: string }) =>
    new Promise((resolve) => {
      const answer = (status: number, body: object): void =>
        resolve({
          ok: status < 400,
          status,
          headers: { get: () => null },
          json: async () => body,
        } as unknown as Response);
      asked.push({ url, body: JSON.parse(init.body) as Asked['body'], answer });
    })) as unknown as typeof fetch;
});
afterEach(() => {
  jest.useRealTimers();
  globalThis.fetch = realFetch;
});

function edit() {
  const client = new QueryClient({ defaultOptions: { mutations: { retry: false } } });
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  );
  return renderHook(() => useDraft(letter), { wrapper }).result;
}
const subject = (s: string) => (l: LetterView['content']) => ({ ...l, subject: s });
const quiet = () => act(async () => void (await jest.advanceTimersByTimeAsync(900)));
const saved = (a: Asked, version: number) =>
  act(async () => a.answer(200, { ...letter, version, content: { ...letter.content, ...a.body.content } }));

describe('a draft', () => {
  test('saves itself once typing stops, not at every key', async () => {
    const draft = edit();
    for (const s of ['N', 'Ne', 'New']) act(() => draft.current.edit(subject(s)));
    await quiet();
    expect(asked.map((a) => a.body)).toEqual([
      { version: 1, content: expect.objectContaining({ subject: 'New' }) },
    ]);
    await saved(asked[0]!, 2);
    expect(draft.current.state).toBe('saved');
  });

  test('what is typed while it saves is saved next, on the new version', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('one')));
    await quiet();
    act(() => draft.current.edit(subject('two')));
    await saved(asked[0]!, 2);
    await quiet();
    expect(asked[1]!.body).toMatchObject({ version: 2, content: { subject: 'two' } });
    await saved(asked[1]!, 3);
    expect(draft.current).toMatchObject({ state: 'saved', content: { subject: 'two' } });
  });

  test('somebody else’s change is said, and one’s own words stay on the page', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('mine')));
    await quiet();
    await act(async () => asked[0]!.answer(409, { status: 409, detail: 'Somebody changed it' }));
    expect(draft.current).toMatchObject({ state: 'conflict', content: { subject: 'mine' } });
    await quiet();
    expect(asked).toHaveLength(1);
    act(() =>
      draft.current.take({ ...letter, version: 5, content: { ...letter.content, subject: 'theirs' } }),
    );
    expect(draft.current).toMatchObject({ state: 'saved', content: { subject: 'theirs' } });
  });

  const theirs = (content: Partial<LetterView['content']>, version = 5) => ({
    ...letter,
    version,
    content: { ...letter.content, ...content },
  });
  const conflict = (a: Asked, current: LetterView) =>
    act(async () => a.answer(409, { status: 409, detail: 'Somebody changed it', current }));

  test('what somebody else changed elsewhere comes in, and is saved together', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('mine')));
    await quiet();
    await conflict(asked[0]!, theirs({ closing: 'Theirs' }));
    expect(draft.current).toMatchObject({
      state: 'unsaved',
      content: { subject: 'mine', closing: 'Theirs' },
    });
    await quiet();
    expect(asked[1]!.body).toMatchObject({ version: 5, content: { subject: 'mine', closing: 'Theirs' } });
    await saved(asked[1]!, 6);
    // Taken back is one’s own change, not theirs.
    act(() => draft.current.undo());
    expect(draft.current.content).toMatchObject({ subject: 'News', closing: 'Theirs' });
    act(() => draft.current.redo());
    expect(draft.current.content.subject).toBe('mine');
  });

  test('where both changed the same, it is named, and one may keep one’s own there and theirs elsewhere', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('mine')));
    await quiet();
    await conflict(asked[0]!, theirs({ subject: 'theirs', closing: 'Theirs' }));
    expect(draft.current).toMatchObject({ state: 'conflict', clash: { where: ['subject'] } });
    await quiet();
    expect(asked).toHaveLength(1);
    act(() => draft.current.keepMine());
    await quiet();
    expect(asked[1]!.body).toMatchObject({ version: 5, content: { subject: 'mine', closing: 'Theirs' } });
  });

  test('what is heard while nothing is changed here is simply there; an older letter is not listened to', async () => {
    const draft = edit();
    act(() => draft.current.join(theirs({ greeting: 'Dear both,' }, 2)));
    expect(draft.current).toMatchObject({ state: 'saved', content: { greeting: 'Dear both,' } });
    act(() => draft.current.join(theirs({ greeting: 'old' }, 1)));
    expect(draft.current.content.greeting).toBe('Dear both,');
    await quiet();
    expect(asked).toHaveLength(0);
  });

  test('without an answer it says so and can be saved again', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('kept')));
    await quiet();
    await act(async () => asked[0]!.answer(500, { status: 500, detail: 'broke' }));
    expect(draft.current).toMatchObject({ state: 'failed', content: { subject: 'kept' } });
    await act(async () => void draft.current.saveNow());
    await saved(asked[1]!, 2);
    expect(draft.current.state).toBe('saved');
  });

  test('sending first saves what is not saved yet, and sends that version', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('last words')));
    await act(async () => void draft.current.sendNow());
    await saved(asked[0]!, 2);
    expect(asked[1]).toMatchObject({ url: '/api/letters/l1/send', body: { version: 2 } });
  });

  test('sent while it saves: the save is waited for, and that version is sent', async () => {
    const draft = edit();
    act(() => draft.current.edit(subject('almost')));
    await quiet();
    await act(async () => void draft.current.sendNow());
    expect(asked).toHaveLength(1);
    await saved(asked[0]!, 2);
    await act(async () => undefined);
    expect(asked.slice(1)).toMatchObject([{ url: '/api/letters/l1/send', body: { version: 2 } }]);
  });
});
