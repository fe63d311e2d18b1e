/** Recording with the browser's own recorder: what it makes differs by browser, what it is called does not. */

/** In the order in which they are wished: the first that this browser makes. */
const KINDS = [
  { type: 'audio/webm;codecs=opus', ending: 'webm' },
  { type: 'audio/mp4', ending: 'm4a' },
  { type: 'audio/ogg;codecs=opus', ending: 'ogg' },
] as const;

/** Longer ones are cut here, so that a forgotten press does not fill the device. */
export const LONGEST_SECONDS = 600;

export const clockOf = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.floor(seconds % 60)).padStart(2, '0')}`;

export interface Recording {
  /** Ends it; answers what was recorded. */
  stop: () => Promise<File>;
}

const whyNot = (error: unknown): string =>
  error instanceof DOMException && error.name === 'NotAllowedError'
    ? 'The microphone is not allowed here. Allow it in the browser, then press again.'
    : error instanceof DOMException && error.name === 'NotFoundError'
      ? 'No microphone was found.'
      : 'The microphone could not be opened.';

/** Begins to record. Throws in words. */
export async function record(): Promise<Recording> {
  const kind = KINDS.find((k) => globalThis.MediaRecorder?.isTypeSupported(k.type));
  const devices = globalThis.navigator?.mediaDevices as MediaDevices | undefined;
  if (!kind || !devices) throw new Error('This browser cannot record. (It needs https, or localhost.)');
  const stream = await devices.getUserMedia({ audio: true }).catch((error: unknown) => {
    throw new Error(whyNot(error));
  });
  const recorder = new MediaRecorder(stream, { mimeType: kind.type });
  const chunks: Blob[] = [];
  recorder.ondataavailable = (e) => void chunks.push(e.data);
  const began = performance.now();
  const ended = new Promise<File>((resolve) => {
    recorder.onstop = () => {
      for (const track of stream.getTracks()) track.stop();
      const seconds = (performance.now() - began) / 1000;
      const [type] = kind.type.split(';');
      resolve(new File(chunks, `Voice note ${clockOf(seconds)}.${kind.ending}`, { type: type! }));
    };
  });
  // In pieces, so that what was said is there even where the end is not reached.
  recorder.start(1000);
  return {
    stop: () => {
      if (recorder.state !== 'inactive') recorder.stop();
      return ended;
    },
  };
}
