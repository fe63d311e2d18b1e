/** Who writes down what a voice note says. */
import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';

/** A service that hears stands behind this; so does the stand-in. */
export interface Transcriber {
  kind: 'stand-in' | 'service';
  /** The words of a recording; `type` is its content type. Throws where it cannot be heard. */
  transcribe(file: string, type: string): Promise<string>;
}

const WORDS = [
  'the sill is sound behind the jacking point and the drain is clear',
  'fitted the bracket one hour and ordered two bushes',
  'waiting for the glass since Monday they promise Thursday',
  'found the hose cracked at the union it must be done before it runs',
];

/** Hears nothing: it gives one of a few made-up sentences, the same for the same recording. The screen says so. */
export const standInTranscriber: Transcriber = {
  kind: 'stand-in',
  transcribe: async (file) => {
    const [first = 0] = createHash('sha256')
      .update(await readFile(file))
      .digest();
    return WORDS[first % WORDS.length]!;
  },
};
