/** Sounds made for the demo and for tests: small WAV files (RIFF, PCM of 8 bits at 8 kHz). */
const RATE = 8000;

/** A soft tone. */
export function wavOf({ seconds = 1, pitch = 220 } = {}): Buffer {
  const samples = Buffer.from(
    Array.from({ length: Math.round(RATE * seconds) }, (_, i) =>
      Math.round(128 + 20 * Math.sin((2 * Math.PI * pitch * i) / RATE)),
    ),
  );
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(RATE, 24);
  head.writeUInt32LE(RATE, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}
