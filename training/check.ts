/**
 * What must hold of the reader's weights: they are those that the corpus gives, byte for byte; no name of a car, a person or a firm is
 * learnt; an author who was left out is read no worse than when this was written. Says what it found; fails where it does not hold.
 */
import { readFileSync } from 'node:fs';
import { format } from 'node:util';
import { loadWeights, useWeights, weightsOf } from '../src/core/reader/weights.ts';
import { readCorpus } from './corpus.ts';
import { trainWeights } from './models.ts';
import { renamed } from './renamed.ts';
import { LEFT_OUT, scoreTexts, type Score } from './score.ts';
import { storedOf } from './stored.ts';

let failed = 0;
function hold(what: string, value: number, least: number, most: number): void {
  const holds = value >= least && value <= most;
  if (!holds) failed += 1;
  process.stdout.write(format('%s %s: %s\n', holds ? 'holds:' : 'FAILS:', what, value.toFixed(1)));
}

const corpus = readCorpus();
const kept = readFileSync(new URL('../src/core/reader/weights.json', import.meta.url), 'utf8');
hold(
  'the weights are those of the corpus (1: they are; `npm run train` makes them)',
  Number(storedOf(corpus) === kept),
  1,
  1,
);

await loadWeights();
const written = corpus.filter((t) => LEFT_OUT.includes(t.author));
const [as, other] = [scoreTexts(written), scoreTexts(written.map((t) => renamed(t, 7)))];
const share = (s: Score, of: number): number => (100 * of) / s.things;
for (const field of ['kindAndTense', 'happened', 'own', 'car', 'silent'] as const)
  hold(
    `all names changed, points by which “${field}” moves`,
    Math.abs(share(as, as[field]) - share(other, other[field])),
    0,
    1,
  );

/** The smallest of them, so that this takes seconds. */
const LEFT = 'author-6';
useWeights(
  weightsOf({
    from: { texts: 0, things: 0, corpus: '' },
    ...trainWeights(corpus.filter((t) => t.author !== LEFT)),
  }),
);
const score = scoreTexts(corpus.filter((t) => t.author === LEFT));
hold(`${LEFT} left out: car, %`, (100 * score.car) / score.carKnown, 95, 100);
hold(`${LEFT} left out: kind, %`, share(score, score.kind), 60, 100);
hold(`${LEFT} left out: a piece of its own, %`, share(score, score.own), 54, 100);
hold(`${LEFT} left out: silent faults of work, money or car, %`, share(score, score.dear), 0, 4.5);
hold(`${LEFT} left out: questions that must be answered, %`, share(score, score.questions), 0, 32);
process.exitCode = failed === 0 ? 0 : 1;
