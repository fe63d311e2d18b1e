/** The file of weights that a corpus gives. */
import { createHash } from 'node:crypto';
import type { StoredWeights } from '../src/core/reader/weights.ts';
import type { CorpusText } from './markup.ts';
import { trainWeights } from './models.ts';

export function storedOf(corpus: readonly CorpusText[]): string {
  const stored: StoredWeights = {
    from: {
      texts: corpus.length,
      things: corpus.flatMap((t) => t.things).length,
      corpus: createHash('sha256').update(JSON.stringify(corpus)).digest('hex').slice(0, 16),
    },
    ...trainWeights(corpus),
  };
  return `${JSON.stringify(stored, null, 1)}\n`;
}
