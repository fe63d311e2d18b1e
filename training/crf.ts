/** A linear chain of labels over words, trained by stochastic gradient with AdaGrad (Lafferty, McCallum, Pereira 2001). */

export interface Sequence {
  /** Of each position, the numbers of its features. */
  x: Int32Array[];
  /** Of each position, its label. */
  y: number[];
  weight: number;
}

export interface Chain {
  labels: number;
  /** Feature × label. */
  emit: Float32Array;
  /** Label before × label; the last row is the beginning. */
  trans: Float32Array;
}

export interface ChainOptions {
  features: number;
  labels: number;
  epochs: number;
  rate: number;
  l2: number;
  seed?: number;
}

/** Numbers from 0 to 1, the same for the same seed (Park and Miller 1988). */
export function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48271) % 0x7fffffff;
    return state / 0x7fffffff;
  };
}

const logSum = (values: ArrayLike<number>, from: number, n: number): number => {
  let most = -Infinity;
  for (let i = 0; i < n; i += 1) most = Math.max(most, values[from + i]!);
  let sum = 0;
  for (let i = 0; i < n; i += 1) sum += Math.exp(values[from + i]! - most);
  return most + Math.log(sum);
};

export function trainChain(data: readonly Sequence[], o: ChainOptions): Chain {
  const L = o.labels;
  const emit = new Float32Array(o.features * L);
  const trans = new Float32Array((L + 1) * L);
  const gEmit = new Float32Array(o.features * L).fill(0.01);
  const gTrans = new Float32Array((L + 1) * L).fill(0.01);
  const random = randomFrom(o.seed ?? 1);
  const order = data.map((_, i) => i);
  const step = (w: Float32Array, g: Float32Array, at: number, grad: number): void => {
    const d = grad + o.l2 * w[at]!;
    g[at]! += d * d;
    w[at]! -= (o.rate * d) / Math.sqrt(g[at]!);
  };
  for (let epoch = 0; epoch < o.epochs; epoch += 1) {
    for (let i = order.length - 1; i > 0; i -= 1) {
      const j = Math.floor(random() * (i + 1));
      [order[i], order[j]] = [order[j]!, order[i]!];
    }
    for (const s of order) {
      const { x, y, weight } = data[s]!;
      const T = x.length;
      if (T === 0) continue;
      const e = new Float64Array(T * L);
      for (let t = 0; t < T; t += 1)
        for (const f of x[t]!) for (let k = 0; k < L; k += 1) e[t * L + k]! += emit[f * L + k]!;
      const a = new Float64Array(T * L);
      const b = new Float64Array(T * L);
      const tmp = new Float64Array(L);
      for (let k = 0; k < L; k += 1) a[k] = e[k]! + trans[L * L + k]!;
      for (let t = 1; t < T; t += 1)
        for (let k = 0; k < L; k += 1) {
          for (let j = 0; j < L; j += 1) tmp[j] = a[(t - 1) * L + j]! + trans[j * L + k]!;
          a[t * L + k] = logSum(tmp, 0, L) + e[t * L + k]!;
        }
      for (let t = T - 2; t >= 0; t -= 1)
        for (let k = 0; k < L; k += 1) {
          for (let j = 0; j < L; j += 1)
            tmp[j] = trans[k * L + j]! + e[(t + 1) * L + j]! + b[(t + 1) * L + j]!;
          b[t * L + k] = logSum(tmp, 0, L);
        }
      const Z = logSum(a, (T - 1) * L, L);
      const gt = new Float64Array((L + 1) * L);
      for (let t = 0; t < T; t += 1)
        for (let k = 0; k < L; k += 1) {
          const p = Math.exp(a[t * L + k]! + b[t * L + k]! - Z) - (y[t] === k ? 1 : 0);
          if (t === 0) gt[L * L + k]! += p;
          else
            for (let j = 0; j < L; j += 1)
              gt[j * L + k]! +=
                Math.exp(a[(t - 1) * L + j]! + trans[j * L + k]! + e[t * L + k]! + b[t * L + k]! - Z) -
                (y[t - 1] === j && y[t] === k ? 1 : 0);
          const g = p * weight;
          if (Math.abs(g) > 1e-5) for (const f of x[t]!) step(emit, gEmit, f * L + k, g);
        }
      for (let i = 0; i < gt.length; i += 1) step(trans, gTrans, i, gt[i]! * weight);
    }
  }
  return { labels: L, emit, trans };
}
