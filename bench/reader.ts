/** How long speech takes to be read, and what the reader's weights weigh on the way to a browser. */
import { readFileSync } from 'node:fs';
import { brotliCompressSync } from 'node:zlib';
import { loadWeights, read } from '../src/core/reader/index.ts';
import { readLine } from '../src/core/reader/line.ts';
import { SPOKEN_SHOP } from '../tests/data/spokenShop.ts';
import { readCorpus } from '../training/corpus.ts';
import type { Line } from './line.ts';
import { millisecondsFor } from './parser.ts';

export async function benchReader(): Promise<Line[]> {
  const stored = readFileSync(new URL('../src/core/reader/weights.json', import.meta.url));
  const began = performance.now();
  await loadWeights();
  const loading = performance.now() - began;
  const rambles = readCorpus()
    .filter((t) => t.style === 'ramble')
    .map((t) => t.text)
    .join(' ');
  const words = rambles.split(/\s+/).slice(0, 600).join(' ');
  const line = 'fitted the brake booster and the master cylinder, 2 hours';
  const of = (text: string) => read(text, SPOKEN_SHOP);
  return [
    {
      what: 'reader: a line as it is typed',
      value: millisecondsFor([line], (text) => readLine(text, { ...SPOKEN_SHOP, parts: [] })),
      unit: 'ms',
      goal: { atMost: 8 },
    },
    {
      what: 'reader: 600 words of speech',
      value: millisecondsFor([words], of),
      unit: 'ms',
      goal: { atMost: 150 },
    },
    {
      what: 'reader: 100,000 characters',
      value: millisecondsFor([rambles.repeat(2).slice(0, 100_000)], of, 3),
      unit: 'ms',
      goal: { atMost: 2000 },
    },
    { what: 'reader: weights loaded, once', value: loading, unit: 'ms' },
    {
      what: 'reader: weights, compressed',
      value: brotliCompressSync(stored).length / 1e6,
      unit: 'MB',
      goal: { atMost: 1.5 },
    },
  ];
}
