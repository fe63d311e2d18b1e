/** The trained weights: read once, from the file that `npm run train` writes. */
import { chainOf, type Chain, type StoredChain } from './chain.ts';

export interface StoredWeights {
  /** What they were trained from and how well they did on authors that were left out; `npm run train` fills it in. */
  from: { texts: number; things: number; corpus: string };
  /** Where a thing begins, goes on, and what is none. */
  boundaries: StoredChain;
  /** Kind and tense of a piece, “did.done”. */
  intents: StoredChain;
  /** Whether the talk turns to a car that is mentioned. */
  turns: StoredChain;
}

export interface Weights {
  boundaries: Chain;
  intents: Chain;
  turns: Chain;
}

export const weightsOf = ({ boundaries, intents, turns }: StoredWeights): Weights => ({
  boundaries: chainOf(boundaries),
  intents: chainOf(intents),
  turns: chainOf(turns),
});

let loaded: Weights | null = null;
let loading: Promise<void> | null = null;

/** Loads the weights, once; again after a failure. */
export function loadWeights(): Promise<void> {
  loading ??= import('./weights.json', { with: { type: 'json' } })
    .then(({ default: stored }) => {
      loaded = weightsOf(stored);
    })
    .catch((error: unknown) => {
      loading = null;
      throw error;
    });
  return loading;
}

/** Reads with these from now on: for scores of weights that are not the ones that are kept. */
export const useWeights = (of: Weights): void => {
  loaded = of;
};

/** The weights; throws where nobody has loaded them yet. */
export function weights(): Weights {
  if (!loaded) throw new Error('The reader’s weights are not loaded: await loadWeights() first');
  return loaded;
}
