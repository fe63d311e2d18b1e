/**
 * Trains the reader on the corpus and writes its weights: `npm run train`. The same corpus gives the same bytes.
 * `npm run train -- --leave-out` trains without each of the authors who wrote alone in turn, and prints how well that author is read.
 */
import { writeFileSync } from 'node:fs';
import { readCorpus } from './corpus.ts';
import { LEFT_OUT, printScores, scoreLeftOut } from './score.ts';
import { storedOf } from './stored.ts';

const corpus = readCorpus();
if (process.argv.includes('--leave-out')) printScores(scoreLeftOut(corpus, LEFT_OUT));
else writeFileSync(new URL('../src/core/reader/weights.json', import.meta.url), storedOf(corpus));
