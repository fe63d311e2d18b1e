/**
 * The process that opens pictures. Nasty cases: what it might do if a file made it do something else (read the data, write, start
 * a program, know a password), a process that is killed in the middle, a file that is none.
 */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, afterEach, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { closePictures, examine, openDecoder, sizesOf } from './picture.ts';

let folder: string;
let photo: string;
beforeAll(async () => {
  folder = await mkdtemp(path.join(tmpdir(), 'avrik-decode-'));
  photo = path.join(folder, 'photo.jpg');
  const image = sharp({ create: { width: 3000, height: 2000, channels: 3, background: '#8e3420' } });
  await writeFile(photo, await image.jpeg().toBuffer());
});
afterEach(() => closePictures());
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('it has no rights', () => {
  // Runs there, as a string: it may name nothing of this file.
  const tried = async (attempt: (...given: string[]) => unknown, ...given: string[]): Promise<unknown> => {
    const decoder = openDecoder();
    try {
      return await decoder.exec(attempt, given).catch((e: Error & { code?: string }) => e.code ?? e.message);
    } finally {
      await decoder.terminate(true);
    }
  };

  test.each<[string, (file: string) => unknown]>([
    ['read a file of the data', (file) => process.getBuiltinModule('fs').readFileSync(file, 'latin1').length],
    ['list a folder', () => process.getBuiltinModule('fs').readdirSync('/')],
    ['write', (file) => process.getBuiltinModule('fs').writeFileSync(`${file}.new`, 'x')],
    ['start a program', () => process.getBuiltinModule('child_process').execSync('id').length],
    [
      'start a thread',
      () => new (process.getBuiltinModule('worker_threads').Worker)('1', { eval: true }).threadId,
    ],
  ])('it cannot %s', async (_what, attempt) => {
    expect(await tried(attempt, photo)).toBe('ERR_ACCESS_DENIED');
  });

  test('it knows nothing of the environment', async () => {
    expect(process.env.PATH).toBeTruthy();
    const names = (await tried(() => Object.keys(process.env))) as string[];
    // What Node tells a child, and what the library of pictures tells itself.
    expect(names.filter((n) => !/^(NODE_CHANNEL|__CF|VIPSHOME)/.test(n))).toEqual([]);
  });
});

test('killed in the middle: the picture is refused in words, and the next one is opened', async () => {
  expect(await sizesOf(photo)).toMatchObject({ width: 1600, height: 1067 });
  await closePictures();
  const made = sizesOf(photo).then(
    () => 'made',
    (e: Error) => e.message,
  );
  // A process needs longer than this to start.
  await new Promise((resolve) => setTimeout(resolve, 50));
  await closePictures();
  expect(await made).toContain('The picture could not be opened');
  expect(await examine(photo)).toMatchObject({ type: 'image/jpeg', hasLocation: false });
});

test('a file that is none is said to be none', async () => {
  const text = path.join(folder, 'text.jpg');
  await writeFile(text, 'no picture');
  await expect(examine(text)).rejects.toThrow('By its content it is no picture at all.');
});
