/**
 * Two pictures of the reader, `npm run train -- --charts`: whether what it calls likely is as likely, and what more speech teaches it. Each
 * author who wrote alone is read by what the others taught.
 */
import { writeFileSync } from 'node:fs';
import type { CorpusText } from './markup.ts';
import { LEFT_OUT, scoreLeftOut, sumOf, type Score } from './score.ts';

interface Chart {
  title: string;
  /** Of the axes; both go from 0 to 100. */
  across: string;
  up: string;
  lines: { name: string; points: [x: number, y: number][] }[];
  /** The line on which every point would stand if all were right. */
  diagonal?: boolean;
}

const INK = '#1d1d1b';
const COLORS = ['#1b4a86', '#8f2f1f', '#1f6b3a', '#7a5b00'];
const SIZE = { left: 64, top: 48, width: 480, height: 360 };

const x = (value: number): number => SIZE.left + (SIZE.width * value) / 100;
const y = (value: number): number => SIZE.top + SIZE.height * (1 - value / 100);
const at = ([across, up]: [number, number]): string => `${x(across).toFixed(1)},${y(up).toFixed(1)}`;

/** A chart as SVG, on paper of its own, so that it is read on dark pages too. */
function svgOf({ title, across, up, lines, diagonal = false }: Chart): string {
  const [width, height] = [SIZE.left + SIZE.width + 24, SIZE.top + SIZE.height + 88];
  const text = (px: number, py: number, words: string, more = ''): string =>
    `<text x="${px}" y="${py}" ${more}>${words}</text>`;
  const ticks = [0, 20, 40, 60, 80, 100].flatMap((v) => [
    `<path d="M${at([0, v])} L${at([100, v])}" stroke="#c9c3b4"/>`,
    text(SIZE.left - 8, y(v) + 5, `${v}`, 'text-anchor="end"'),
    text(x(v), y(0) + 20, `${v}`, 'text-anchor="middle"'),
  ]);
  const drawn = lines.flatMap(({ name, points }, i) => {
    const color = COLORS[i % COLORS.length]!;
    return [
      `<polyline points="${points.map(at).join(' ')}" fill="none" stroke="${color}" stroke-width="2.5"/>`,
      ...points.map(
        (p) => `<circle cx="${at(p).split(',')[0]}" cy="${at(p).split(',')[1]}" r="4" fill="${color}"/>`,
      ),
      `<rect x="${SIZE.left + i * 170}" y="${height - 22}" width="12" height="12" fill="${color}"/>`,
      text(SIZE.left + i * 170 + 18, height - 11, name),
    ];
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="sans-serif" font-size="14" fill="${INK}">`,
    `<rect width="${width}" height="${height}" fill="#f5efe4"/>`,
    text(SIZE.left, 28, title, 'font-size="17" font-weight="bold"'),
    ...ticks,
    diagonal ? `<path d="M${at([0, 0])} L${at([100, 100])}" stroke="${INK}" stroke-dasharray="5 5"/>` : '',
    ...drawn,
    text(x(50), y(0) + 44, across, 'text-anchor="middle"'),
    `<text transform="translate(18 ${y(50)}) rotate(-90)" text-anchor="middle">${up}</text>`,
    '</svg>\n',
  ].join('\n');
}

/** Scores of the authors who wrote alone, each read whole by one in so many of the texts of all others. */
function scoredWith(corpus: readonly CorpusText[], every: number): Score {
  const scores = LEFT_OUT.map((author) => {
    const taught = corpus.filter((t, i) => t.author === author || i % every === 0);
    return scoreLeftOut(taught, [author]).get(author)!;
  });
  return sumOf(scores);
}

export function drawCharts(corpus: readonly CorpusText[], folder: URL): void {
  const shares = [16, 8, 4, 2, 1].map((every) => ({ every, score: scoredWith(corpus, every) }));
  const { score } = shares.at(-1)!;
  const percent = (of: number): number => (100 * of) / score.things;
  const curve = (name: string, of: (s: Score) => number): Chart['lines'][number] => ({
    name,
    points: shares.map(({ every, score: s }) => [100 / every, percent(of(s))]),
  });
  writeFileSync(
    new URL('reader-learning.svg', folder),
    svgOf({
      title: 'What more speech teaches the reader',
      across: 'percent of the corpus that it learnt from',
      up: 'percent of the things of authors it never read',
      lines: [
        curve('kind, cut by hand', (s) => s.kind),
        curve('a piece of its own', (s) => s.own),
        curve('usable untouched', (s) => s.usable),
      ],
    }),
  );
  writeFileSync(
    new URL('reader-reliability.svg', folder),
    svgOf({
      title: 'Whether what the reader calls likely is as likely',
      across: 'how likely a kind was said to be, percent',
      up: 'how often it was right, percent',
      lines: [
        {
          name: 'kinds, by tenths with over 20 things',
          points: score.reliability
            .filter(({ n }) => n > 20)
            .map(({ said, right, n }) => [(100 * said) / n, (100 * right) / n]),
        },
      ],
      diagonal: true,
    }),
  );
}
