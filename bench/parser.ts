/** How long a line takes to be understood. */
import { AMERICAN, BRITISH, NOT_OVER_READ } from '../tests/data/lines.ts';
import { parseLine, type CaptureContext } from '../src/core/capture/index.ts';
import type { Line } from './line.ts';

const named = (prefix: string, n: number) =>
  Array.from({ length: n }, (_, i) => ({
    id: `${i}`,
    name: `${prefix} ${String.fromCharCode(97 + (i % 26))}${i}`,
  }));

/** A large shop: forty builds, eight people, two hundred vendors. */
const context: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'imperial',
  locale: 'en-GB',
  builds: named('build', 40).map((b) => ({
    ...b,
    aliases: [`B-0${b.id}`, `Vehicle ${b.name}`, `Customer ${b.name}`],
  })),
  people: named('Person', 8),
  vendors: named('Vendor', 200),
  parts: [],
  places: named('Place', 20),
};

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

export function millisecondsFor(texts: string[], read: (text: string) => unknown, times = 300): number {
  const runs: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const began = performance.now();
    for (const text of texts) read(text);
    runs.push((performance.now() - began) / texts.length);
  }
  return median(runs.slice(Math.floor(times / 6)));
}

export function benchParser(): Line[] {
  const lines = [...BRITISH, ...AMERICAN, ...NOT_OVER_READ].map(([text]) => text);
  const thousand = lines.join(', ').slice(0, 1000);
  const line = (text: string): unknown => parseLine(text, context);
  return [
    { what: 'parseLine: an example line', value: millisecondsFor(lines, line), unit: 'ms' },
    {
      what: 'parseLine: 1,000 characters',
      value: millisecondsFor([thousand], line),
      unit: 'ms',
      goal: { atMost: 2 },
    },
  ];
}
