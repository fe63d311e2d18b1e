/** The same numbers from 0 up to 1 in every run (a linear congruential generator, Numerical Recipes' constants). */
export function counter(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return state / 2 ** 32;
  };
}
