/** How long a line, and a run of speech about several cars, take to be understood. */
import { AMERICAN, BRITISH, NOT_OVER_READ } from '../tests/data/lines.ts';
import { CARS, NARRATIONS } from '../tests/data/narrations.ts';
import { parseNarration } from '../src/core/capture/narration/narration.ts';
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

function millisecondsFor(texts: string[], read: (text: string) => unknown): number {
  const runs: number[] = [];
  for (let i = 0; i < 300; i += 1) {
    const began = performance.now();
    for (const text of texts) read(text);
    runs.push((performance.now() - began) / texts.length);
  }
  return median(runs.slice(50));
}

export function benchParser(): Line[] {
  const lines = [...BRITISH, ...AMERICAN, ...NOT_OVER_READ].map(([text]) => text);
  const thousand = lines.join(', ').slice(0, 1000);
  const line = (text: string): unknown => parseLine(text, context);
  const shop = { ...context, builds: CARS };
  const spoken = `${NARRATIONS.map((n) => n.text).join(' ')} `;
  const words = `${spoken}${spoken}`.split(' ').slice(0, 600).join(' ');
  return [
    {
      what: 'parseNarration: 600 words about eight cars',
      value: millisecondsFor([words], (text) => parseNarration(text, shop)),
      unit: 'ms',
    },
    { what: 'parseLine: an example line', value: millisecondsFor(lines, line), unit: 'ms' },
    {
      what: 'parseLine: 1,000 characters',
      value: millisecondsFor([thousand], line),
      unit: 'ms',
      goal: { atMost: 2 },
    },
  ];
}
