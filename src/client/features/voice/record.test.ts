/** What a recording is called, and why none can be made. */
import { afterEach, expect, test } from '@jest/globals';
import { clockOf, record } from './record.ts';

test.each([
  [0, '0:00'],
  [9.9, '0:09'],
  [60, '1:00'],
  [599.4, '9:59'],
  [600, '10:00'],
])('%d seconds are %s', (seconds, clock) => {
  expect(clockOf(seconds)).toBe(clock);
});

const set = (name: string, value: unknown): void => {
  Object.defineProperty(globalThis, name, { value, configurable: true, writable: true });
};
const navigatorBefore = globalThis.navigator;
afterEach(() => {
  set('MediaRecorder', undefined);
  set('navigator', navigatorBefore);
});

test('a browser that cannot record says so', async () => {
  await expect(record()).rejects.toThrow('cannot record');
});

test.each([
  ['NotAllowedError', 'not allowed here'],
  ['NotFoundError', 'No microphone'],
  ['AbortError', 'could not be opened'],
])('%s is said in words', async (name, words) => {
  set('MediaRecorder', { isTypeSupported: () => true });
  const getUserMedia = (): Promise<never> => Promise.reject(new DOMException('no', name));
  set('navigator', { mediaDevices: { getUserMedia } });
  await expect(record()).rejects.toThrow(words);
});

test('the first kind that the browser makes; its pieces become one file, and the microphone is let go', async () => {
  let stopped = 0;
  class Recorder {
    static isTypeSupported = (type: string): boolean => type.startsWith('audio/mp4');
    state = 'recording';
    ondataavailable: (e: { data: Blob }) => void = () => undefined;
    onstop: () => void = () => undefined;
    start(): void {
      this.ondataavailable({ data: new Blob(['ab']) });
    }
    stop(): void {
      this.state = 'inactive';
      this.ondataavailable({ data: new Blob(['c']) });
      this.onstop();
    }
  }
  set('MediaRecorder', Recorder);
  const stream = { getTracks: () => [{ stop: () => (stopped += 1) }] };
  set('navigator', { mediaDevices: { getUserMedia: () => Promise.resolve(stream) } });
  const recording = await record();
  const file = await recording.stop();
  expect([file.name, file.type, await file.text(), stopped]).toEqual([
    'Voice note 0:00.m4a',
    'audio/mp4',
    'abc',
    1,
  ]);
  // Pressed twice it is the same recording.
  expect(await recording.stop()).toBe(file);
});
