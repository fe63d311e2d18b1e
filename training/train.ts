/**
 * Trains the reader on the corpus and writes its weights: `npm run train`. The same corpus gives the same bytes.
 * `npm run train -- --leave-out` trains without each of the authors who wrote alone in turn, and prints how well that author is read.
 * `npm run train -- --charts` draws what these say into `docs/charts`.
 */
import { writeFileSync } from 'node:fs';
import { drawCharts } from './charts.ts';
import { readCorpus } from './corpus.ts';
import { LEFT_OUT, printScores, scoreLeftOut } from './score.ts';
import { storedOf } from './stored.ts';

const corpus = readCorpus();
if (process.argv.includes('--leave-out')) printScores(scoreLeftOut(corpus, LEFT_OUT));
else if (process.argv.includes('--charts')) drawCharts(corpus, new URL('../docs/charts/', import.meta.url));
else writeFileSync(new URL('../src/core/reader/weights.json', import.meta.url), storedOf(corpus));
