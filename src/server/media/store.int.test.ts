/** What a killed server left half there. Nasty case: an upload that is under way while another server starts. */
import { mkdir, mkdtemp, readdir, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@jest/globals';
import { sweepIncoming } from './store.ts';

test('what nobody sends any more goes, what is under way stays, and no folder is no fault', async () => {
  const folder = await mkdtemp(path.join(tmpdir(), 'avrik-store-'));
  const now = Date.parse('2026-03-11T10:00:00.000Z');
  await sweepIncoming(folder, now);
  const incoming = path.join(folder, 'incoming');
  await mkdir(incoming);
  for (const [name, minutesAgo] of [
    ['left', 90],
    ['under way', 30],
  ] as const) {
    await writeFile(path.join(incoming, name), 'x');
    const at = new Date(now - minutesAgo * 60_000);
    await utimes(path.join(incoming, name), at, at);
  }
  await sweepIncoming(folder, now);
  expect(await readdir(incoming)).toEqual(['under way']);
});
