/**
 * Work in threads. Nasty cases: texts that once took seconds, more than a task may take in time and in memory, more than may
 * wait, an archive that unpacks to a thousand times its size, and whether the thread that answers is free meanwhile.
 */
import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pipeline } from 'node:stream/promises';
import { afterEach, describe, expect, test } from '@jest/globals';
import yazl from 'yazl';
import type { LeakGuard } from '#core/update/leaks.ts';
import { openComputer, type Computer } from './computer.ts';

const GUARD: LeakGuard = {
  currency: 'GBP',
  own: ['Ilse Brandt'],
  customers: [{ name: 'Dex Marlow', email: 'dex@example.org', phone: '+44 1632 960 123' }],
  cars: [{ nickname: 'hearse', vehicle: 'Corvane Landau', codes: ['B-0107'] }],
  people: ['Petra Vosk'],
  absences: ['knee operation'],
  ratesMinor: [2800],
  costsMinor: [100, 200],
  internal: [],
  told: [],
};
const MANNER = { currency: 'GBP', locale: 'en-GB' };
const letterOf = (...texts: string[]) => ({
  subject: '',
  greeting: '',
  parts: [
    {
      id: 'other' as const,
      title: '',
      items: texts.map((text, i) => ({ id: `${i}`, text, leftOut: false })),
    },
  ],
  closing: '',
});

let open: Computer | null = null;
const computer = (limits: Parameters<typeof openComputer>[0] = {}): Computer => (open = openComputer(limits));
afterEach(async () => {
  await open?.stop();
  open = null;
});

test('a task answers what it would answer here, and refusals of a table come back as data', async () => {
  const { run } = computer();
  const leaks = await run('leaks', letterOf('Dex Marlow rang.'), GUARD);
  expect(leaks).toMatchObject([{ words: 'Dex Marlow', isSure: true }]);
  const table = await run('estimateTable', { text: 'title,hours\n"Brakes' }, MANNER);
  expect(table).toMatchObject({ field: 'text' });
  const hidden = await run(
    'hidePrices',
    { typed: ['found rot, 60 and four hours, dex@example.org'], other: ['Bolt 8.8, £4.20'] },
    { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' },
  );
  expect(hidden).toEqual({ typed: ['found rot, ··· and four hours, ···'], other: ['Bolt 8.8, ···'] });
});

test('the thread that answers is free while another works, and the work comes to an end', async () => {
  const { run } = computer();
  await run('leaks', letterOf('warm'), GUARD);
  let turns = 0;
  const ticking = setInterval(() => (turns += 1), 5);
  // Twenty texts of the longest kind that each hold a thousand finds.
  const leaks = await run('leaks', letterOf(...Array<string>(20).fill('a620'.repeat(1000))), {
    ...GUARD,
    ratesMinor: [],
    costsMinor: [62000],
  });
  clearInterval(ticking);
  expect(leaks).toHaveLength(20_000);
  expect(turns).toBeGreaterThan(3);
});

describe('what is too much is refused, and the next task is done', () => {
  test('in time', async () => {
    const { run } = computer({ timeoutMs: 3000 });
    await expect(
      run('leaks', letterOf(...Array<string>(6000).fill('a1 '.repeat(1300))), GUARD),
    ).rejects.toMatchObject({ code: 'too-large' });
    expect(await run('leaks', letterOf('fine'), GUARD)).toEqual([]);
  });

  test('in time: making the thread is not counted', async () => {
    // The thread's modules alone take longer than this to read.
    const { run } = computer({ timeoutMs: 250 });
    expect(await run('leaks', letterOf('fine'), GUARD)).toEqual([]);
  });

  test('in memory', async () => {
    const { run } = computer({ memoryMb: 24 });
    const much = { text: `title\n${'"a",b,c,d,e,f,g,h\n'.repeat(400_000)}` };
    await expect(run('estimateTable', much, MANNER)).rejects.toMatchObject({ code: 'too-large' });
    expect(await run('leaks', letterOf('fine'), GUARD)).toEqual([]);
  });

  test('in number', async () => {
    const { run } = computer({ mostThreads: 1, mostWaiting: 2 });
    const done = await Promise.allSettled(
      Array.from({ length: 6 }, () => run('leaks', letterOf('fine'), GUARD)),
    );
    const refused = done.filter((d) => d.status === 'rejected');
    expect(refused.length).toBeGreaterThan(0);
    for (const { reason } of refused) expect(reason).toMatchObject({ code: 'unavailable' });
    expect(done.some((d) => d.status === 'fulfilled')).toBe(true);
  });
});

test('an archive made to fill the memory is refused by what it says of itself', async () => {
  const folder = await mkdtemp(path.join(tmpdir(), 'avrik-bomb-'));
  try {
    const file = path.join(folder, 'bomb.zip');
    const zip = new yazl.ZipFile();
    zip.addBuffer(Buffer.from(`[${'[],'.repeat(8_000_000)}[]]`), 'book.json');
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(file));
    expect(await computer().run('archiveFault', file)).toBe('Its book.json is too large.');
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
});
