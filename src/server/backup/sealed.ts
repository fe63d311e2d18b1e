/**
 * Files of a copy, encrypted in the age format (age-encryption.org/v1), which other tools open too: X25519, and
 * ChaCha20-Poly1305 in chunks, so that a file cut short or changed is refused and never read as whole.
 */
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, open, readFile, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { Decrypter, Encrypter, generateX25519Identity, identityToRecipient } from 'age-encryption';
import { CopyFault, wordsOf } from './faults.ts';

/** What opens the copies: an age identity, one line of text. */
export type Key = string;

export interface Bytes {
  /** SHA-256 of what was read before it was encrypted, in hex. */
  sha256: string;
  bytes: number;
}

const HEADER = `# The key of Avrik’s copies. Keep it where this machine is not: without it no copy can be opened.
# Anybody who has it and a copy can read everything in it. The files are in the age format (age-encryption.org/v1).
`;

/** The key in `file`; made where there is none. */
export async function keyIn(file: string): Promise<Key> {
  const text = await readFile(file, 'utf8').catch(() => null);
  if (text !== null) return keyOf(text, file);
  const key = await generateX25519Identity();
  await writeFile(file, `${HEADER}${key}\n`, { mode: 0o600, flag: 'wx' });
  return key;
}

/** The key in the text of a key file. */
export function keyOf(text: string, file: string): Key {
  const key = /^AGE-SECRET-KEY-1[0-9A-Z]+$/m.exec(text)?.[0];
  if (!key) throw new CopyFault(`${file} holds no key of copies (a line that begins with AGE-SECRET-KEY-1).`);
  return key;
}

const asWeb = (stream: Readable): ReadableStream<Uint8Array> =>
  Readable.toWeb(stream) as unknown as ReadableStream<Uint8Array>;
const asNode = (stream: ReadableStream<Uint8Array>): Readable =>
  Readable.fromWeb(stream as unknown as WebStream);

/** Counts and hashes what runs through. */
function meter(): { through: Transform; read: () => Bytes } {
  const hash = createHash('sha256');
  let bytes = 0;
  const through = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      hash.update(chunk);
      bytes += chunk.length;
      done(null, chunk);
    },
  });
  return { through, read: () => ({ sha256: hash.digest('hex'), bytes }) };
}

async function flushed(file: string): Promise<void> {
  const handle = await open(file, 'r');
  await handle.sync();
  await handle.close();
}

/** Encrypts a stream into `file`, which is there whole or not at all. */
export async function sealTo(file: string, from: Readable, key: Key): Promise<Bytes> {
  await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
  const part = `${file}.part`;
  const encrypter = new Encrypter();
  encrypter.addRecipient(await identityToRecipient(key));
  const { through, read } = meter();
  try {
    from.on('error', (error) => through.destroy(error));
    const sealed = await encrypter.encrypt(asWeb(from.pipe(through)));
    await pipeline(asNode(sealed), createWriteStream(part, { mode: 0o600 }));
    await flushed(part);
    await rename(part, file);
    return read();
  } finally {
    await rm(part, { force: true });
  }
}

/** Decrypts `file` into `to` (thrown away where it is null); answers what came out. Throws where it is cut, changed, or of another key. */
export async function openFrom(file: string, key: Key, to: string | null): Promise<Bytes> {
  const decrypter = new Decrypter();
  decrypter.addIdentity(key);
  const { through, read } = meter();
  const source = createReadStream(file);
  try {
    const plain = await decrypter.decrypt(asWeb(source));
    if (to === null) {
      through.resume();
      await pipeline(asNode(plain), through);
    } else await pipeline(asNode(plain), through, createWriteStream(to, { mode: 0o600 }));
    return read();
  } catch (error) {
    if (to !== null) await rm(to, { force: true });
    const why = wordsOf(error).includes('no identity matched')
      ? 'it was made with another key'
      : `it is missing, cut short or changed (${wordsOf(error)})`;
    throw new CopyFault(`${file} cannot be read: ${why}.`);
  } finally {
    source.destroy();
  }
}

export async function sealText(file: string, text: string, key: Key): Promise<void> {
  await sealTo(file, Readable.from([Buffer.from(text)]), key);
}

export async function openText(file: string, key: Key): Promise<string> {
  const decrypter = new Decrypter();
  decrypter.addIdentity(key);
  try {
    return await decrypter.decrypt(await readFile(file), 'text');
  } catch (error) {
    const why = wordsOf(error).includes('no identity matched')
      ? 'it was made with another key'
      : `it is missing, cut short or changed (${wordsOf(error)})`;
    throw new CopyFault(`${file} cannot be read: ${why}.`);
  }
}
