/** A voice note on screen: recorded with one press, why it cannot be, what it says, two who write it down, the stand-in. */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import type { VoicesView, VoiceView } from '#contract/voice.ts';
import { refused, serve, show, type Asked } from '#tests/support/page.tsx';
import { LONGEST_SECONDS } from './record.ts';
import { VoiceButton } from './VoiceButton.tsx';
import VoiceWordsDialog from './VoiceWordsDialog.tsx';
import { VoiceNote } from './VoiceNote.tsx';

let server: ReturnType<typeof serve>;
let answer: (asked: Asked) => { status?: number; body: unknown } | null;
beforeEach(() => {
  answer = () => null;
  server = serve((asked) => answer(asked));
});
afterEach(() => {
  cleanup();
  server.end();
  jest.useRealTimers();
});
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));

class Recorder {
  static isTypeSupported = (): boolean => true;
  state = 'recording';
  ondataavailable: (e: { data: Blob }) => void = () => undefined;
  onstop: () => void = () => undefined;
  start(): void {
    this.ondataavailable({ data: new Blob(['sound']) });
  }
  stop(): void {
    this.state = 'inactive';
    this.onstop();
  }
}
function microphone(getUserMedia: () => Promise<unknown>): void {
  Object.defineProperty(globalThis, 'MediaRecorder', { value: Recorder, configurable: true });
  Object.defineProperty(navigator, 'mediaDevices', { value: { getUserMedia }, configurable: true });
}
const stream = { getTracks: () => [] };

describe('recording', () => {
  test('one press begins, the next ends; the file is handed on', async () => {
    microphone(() => Promise.resolve(stream));
    const taken: File[] = [];
    show(<VoiceButton onRecorded={(f) => void taken.push(f)} />);
    press('Record a voice note');
    expect(await screen.findByRole('timer', { name: 'Recording' })).toBeTruthy();
    press('End the voice note');
    await waitFor(() => expect(taken).toHaveLength(1));
    expect(taken[0]).toMatchObject({ name: 'Voice note 0:00.webm', type: 'audio/webm' });
    expect(screen.getByRole('button', { name: 'Record a voice note' })).toBeTruthy();
  });

  test('a forgotten one ends by itself', async () => {
    jest.useFakeTimers();
    microphone(() => Promise.resolve(stream));
    const taken: File[] = [];
    show(<VoiceButton onRecorded={(f) => void taken.push(f)} />);
    press('Record a voice note');
    await act(async () => jest.advanceTimersByTimeAsync(0));
    await act(async () => jest.advanceTimersByTimeAsync((LONGEST_SECONDS + 1) * 1000));
    expect(taken).toHaveLength(1);
  });

  test('not allowed: said in words, and it can be pressed again', async () => {
    microphone(() => Promise.reject(new DOMException('no', 'NotAllowedError')));
    show(<VoiceButton onRecorded={() => undefined} />);
    press('Record a voice note');
    expect((await screen.findByRole('alert')).textContent).toContain('not allowed here');
    microphone(() => Promise.resolve(stream));
    press('Record a voice note');
    expect(await screen.findByRole('timer', { name: 'Recording' })).toBeTruthy();
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('what it says', () => {
  const VOICE: VoiceView = { id: 'v', entryId: 'e', name: 'Voice note 0:12.webm', words: '', version: 4 };
  const open = (
    transcriber: VoicesView['transcriber'],
    voice = VOICE,
    onClose = (): void => undefined,
  ): unknown =>
    show(<VoiceWordsDialog buildId="b" voice={voice} onClose={onClose} />, {
      data: [[['voicesList', 'b'], { voices: [voice], transcriber } satisfies VoicesView]],
    });
  const box = (): HTMLElement => screen.getByLabelText('In words');

  test('in the logbook: played; its words beneath, once there are any', () => {
    const { container } = show(<VoiceNote buildId="b" voice={VOICE} />);
    expect(container.querySelector('audio')!.getAttribute('src')).toBe('/api/voice/v/sound');
    expect(screen.getByRole('button', { name: 'Write down what it says' })).toBeTruthy();
    cleanup();
    show(<VoiceNote buildId="b" voice={{ ...VOICE, words: 'It weeps.' }} />);
    expect(screen.getByText('“It weeps.”')).toBeTruthy();
  });

  test('written and kept, with the version that was read', async () => {
    let closed = 0;
    open(null, VOICE, () => (closed += 1));
    expect(screen.queryByRole('button', { name: 'Let it be written' })).toBeNull();
    fireEvent.change(box(), { target: { value: 'It weeps.' } });
    answer = () => ({ body: { ...VOICE, words: 'It weeps.', version: 5 } });
    press('Keep these words');
    await waitFor(() => expect(closed).toBe(1));
    expect(server.asked[0]).toMatchObject({
      method: 'PUT',
      path: '/api/voice/v',
      body: { words: 'It weeps.', version: 4 },
    });
  });

  test('somebody else was quicker: told, and the words stay', async () => {
    open(null);
    fireEvent.change(box(), { target: { value: 'Mine.' } });
    answer = () => refused(409, 'what it says has changed meanwhile');
    press('Keep these words');
    expect(await screen.findByText(/changed meanwhile/)).toBeTruthy();
    expect(box()).toHaveProperty('value', 'Mine.');
  });

  test('the stand-in says that it makes its words up; they come beneath what was typed; a service says nothing of the kind', async () => {
    open('stand-in');
    fireEvent.change(box(), { target: { value: 'First.' } });
    answer = () => ({ body: { words: 'fitted the bracket' } });
    press('Let it be written');
    expect(await screen.findByText(/^A stand-in made these words up/)).toBeTruthy();
    expect(box()).toHaveProperty('value', 'First.\nfitted the bracket');
    cleanup();
    open('service');
    press('Let it be written');
    await waitFor(() => expect(box()).toHaveProperty('value', 'fitted the bracket'));
    expect(screen.queryByText(/^A stand-in/)).toBeNull();
  });
});
