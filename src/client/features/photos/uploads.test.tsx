/**
 * Photographs on their way. Nasty cases: no answer, a fault of the server, a refusal, one that is too large, ten at once, the
 * answer that was lost, the page that closes meanwhile, one forgotten while it goes.
 */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import { MOST_BYTES } from '#core/photo/limits.ts';
import {
  countFiles,
  filesInWords,
  forgetUpload,
  onArrival,
  sendFiles,
  useUploads,
  type Upload,
} from './uploads.ts';

/** What the page has asked for, with the way to answer it. */
class FakeRequest {
  static asked: FakeRequest[] = [];
  status = 0;
  responseText = '';
  url = '';
  upload: { onprogress?: (e: { loaded: number; total: number }) => void } = {};
  onloadend: () => void = () => undefined;
  headers: Record<string, string> = {};

  open(_method: string, url: string): void {
    this.url = url;
  }

  setRequestHeader(name: string, value: string): void {
    this.headers[name] = value;
  }

  send(): void {
    FakeRequest.asked.push(this);
  }

  answer(status: number, body: object = {}): void {
    this.status = status;
    this.responseText = JSON.stringify(body);
    act(() => this.onloadend());
  }
}

const real = globalThis.XMLHttpRequest;
beforeEach(() => {
  FakeRequest.asked = [];
  globalThis.XMLHttpRequest = FakeRequest as unknown as typeof XMLHttpRequest;
  jest.useFakeTimers();
});
afterEach(() => {
  for (const u of shown()) forget(u);
  jest.useRealTimers();
  globalThis.XMLHttpRequest = real;
});

const file = (name: string, bytes = 10): File => {
  const made = new File(['x'], name, { type: 'image/jpeg' });
  Object.defineProperty(made, 'size', { value: bytes });
  return made;
};
const settle = (): Promise<void> => act(async () => Promise.resolve());
const send = async (...files: File[]): Promise<void> => {
  act(() => sendFiles('b', 'e', files));
  await settle();
};
const forget = ({ id }: Upload): void => act(() => forgetUpload(id));
const shown = (): readonly Upload[] => renderHook(() => useUploads()).result.current;

test('two go at a time, each with its name, and the next begins as one arrives', async () => {
  const arrived: string[] = [];
  const leave = onArrival((buildId) => arrived.push(buildId));
  await send(file('one.jpg'), file('zwei ä.jpg'), file('three.jpg'));
  expect(FakeRequest.asked).toHaveLength(2);
  expect(FakeRequest.asked[1]!.headers['x-photo-name']).toBe('zwei%20%C3%A4.jpg');
  FakeRequest.asked[0]!.answer(200);
  await settle();
  expect(FakeRequest.asked).toHaveLength(3);
  expect(arrived).toEqual(['b']);
  expect(shown().map((u) => u.file.name)).toEqual(['zwei ä.jpg', 'three.jpg']);
  leave();
});

describe('what does not arrive', () => {
  test('is sent again under the same id after a pause, and longer after each', async () => {
    await send(file('one.jpg'));
    FakeRequest.asked[0]!.answer(0);
    await settle();
    expect(shown()[0]).toMatchObject({ state: 'waiting', why: expect.stringContaining('No answer') });
    act(() => jest.advanceTimersByTime(1999));
    expect(FakeRequest.asked).toHaveLength(1);
    act(() => jest.advanceTimersByTime(1));
    expect(FakeRequest.asked).toHaveLength(2);
    expect(FakeRequest.asked[1]!.url).toBe(FakeRequest.asked[0]!.url);
    FakeRequest.asked[1]!.answer(503, { detail: 'Not ready.' });
    await settle();
    expect(shown()[0]!.why).toBe('Not ready.');
    act(() => jest.advanceTimersByTime(2000));
    expect(FakeRequest.asked).toHaveLength(2);
    act(() => jest.advanceTimersByTime(2000));
    expect(FakeRequest.asked).toHaveLength(3);
  });

  test('goes at once when the signal comes back', async () => {
    await send(file('one.jpg'));
    FakeRequest.asked[0]!.answer(0);
    await settle();
    act(() => void window.dispatchEvent(new Event('online')));
    expect(FakeRequest.asked).toHaveLength(2);
  });

  test('and is refused is not tried again, and says why', async () => {
    await send(file('film.jpg'));
    FakeRequest.asked[0]!.answer(400, { detail: 'By its content it is a film.' });
    await settle();
    act(() => jest.advanceTimersByTime(300_000));
    expect(FakeRequest.asked).toHaveLength(1);
    expect(shown()).toMatchObject([{ state: 'refused', why: 'By its content it is a film.' }]);
    forget(shown()[0]!);
    expect(shown()).toEqual([]);
  });

  test('because it is too large never leaves the page; the others beside it do', async () => {
    await send(file('huge.jpg', MOST_BYTES + 1), file('empty.jpg', 0), file('good.jpg'));
    expect(FakeRequest.asked).toHaveLength(1);
    expect(shown().map((u) => u.state)).toEqual(['refused', 'refused', 'sending']);
  });

  test('and was forgotten meanwhile makes room for the next', async () => {
    await send(file('a.jpg'), file('b.jpg'), file('c.jpg'));
    forget(shown()[0]!);
    FakeRequest.asked[0]!.answer(200);
    await settle();
    expect(FakeRequest.asked).toHaveLength(3);
  });
});

test('the share that has gone is shown; while anything is on its way the page asks before it closes', async () => {
  const closing = (): boolean => {
    const e = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(e);
    return e.defaultPrevented;
  };
  expect(closing()).toBe(false);
  await send(file('one.jpg'));
  act(() => FakeRequest.asked[0]!.upload.onprogress?.({ loaded: 5, total: 20 }));
  expect(shown()[0]!.sent).toBe(0.25);
  expect(closing()).toBe(true);
  FakeRequest.asked[0]!.answer(200);
  await settle();
  expect(closing()).toBe(false);
});

const voice = (): File => new File(['x'], 'Voice note 0:12.webm', { type: 'audio/webm' });
test.each([
  [1, 0, '1 photograph', 'Photograph'],
  [3, 0, '3 photographs', 'Photographs'],
  [0, 1, '1 voice note', 'Voice note'],
  [0, 2, '2 voice notes', 'Voice notes'],
  [2, 1, '2 photographs and 1 voice note', 'Photographs and a voice note'],
  [1, 3, '1 photograph and 3 voice notes', 'Photograph and 3 voice notes'],
])('%d photographs and %d voice notes in words', (photos, voices, counted, said) => {
  const files = [
    ...Array.from({ length: photos }, () => file('a.jpg')),
    ...Array.from({ length: voices }, voice),
  ];
  expect([countFiles(files), filesInWords(files)]).toEqual([counted, said]);
});

test('a voice note goes to its own address', () => {
  act(() => sendFiles('b', 'e', [voice()]));
  expect(FakeRequest.asked[0]!.url).toMatch(/^\/api\/builds\/b\/entries\/e\/voice\//);
});
