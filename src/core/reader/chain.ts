/**
 * A linear chain of labels: what each position looks like, and which label follows which (conditional random field; Lafferty, McCallum
 * and Pereira 2001). One position alone is a multinomial logistic regression.
 */
import { hashOf } from './hash.ts';

/** A trained chain as it is kept in a file. */
export interface StoredChain {
  labels: string[];
  /** Of each feature its hash, ascending; base64 of 32-bit numbers, least byte first. */
  features: string;
  /** Feature × label, base64 of signed bytes. */
  emissions: string;
  /** Times this, an emission is what it adds to the logarithm of the odds. */
  scale: number;
  /** Label before × label, and last the labels that begin. */
  transitions: number[];
}

export interface Chain {
  labels: readonly string[];
  rows: ReadonlyMap<number, number>;
  emissions: Int8Array;
  scale: number;
  transitions: Float64Array;
}

/** Every browser and Node have it; the types of the core know neither. */
declare const atob: (base64: string) => string;

const bytesOf = (base64: string): Uint8Array => {
  const raw = atob(base64);
  const bytes = new Uint8Array(raw.length);
  for (let i = 0; i < raw.length; i += 1) bytes[i] = raw.charCodeAt(i);
  return bytes;
};

export function chainOf(stored: StoredChain): Chain {
  const hashes = new DataView(bytesOf(stored.features).buffer);
  const rows = new Map<number, number>();
  for (let i = 0; i < hashes.byteLength / 4; i += 1) rows.set(hashes.getUint32(i * 4, true), i);
  return {
    labels: stored.labels,
    rows,
    emissions: new Int8Array(bytesOf(stored.emissions).buffer),
    scale: stored.scale,
    transitions: Float64Array.from(stored.transitions),
  };
}

/** Position × label: what its features say for each label. */
function emissionsOf({ labels, rows, emissions, scale }: Chain, features: readonly string[][]): Float64Array {
  const n = labels.length;
  const sums = new Float64Array(features.length * n);
  features.forEach((of, t) => {
    for (const feature of of) {
      const row = rows.get(hashOf(feature));
      if (row === undefined) continue;
      for (let k = 0; k < n; k += 1) sums[t * n + k]! += emissions[row * n + k]! * scale;
    }
  });
  return sums;
}

/** log Σ exp of `n` values. */
function logSum(values: Float64Array, from: number, n: number): number {
  let most = -Infinity;
  for (let i = 0; i < n; i += 1) most = Math.max(most, values[from + i]!);
  let sum = 0;
  for (let i = 0; i < n; i += 1) sum += Math.exp(values[from + i]! - most);
  return most + Math.log(sum);
}

export interface Labelled {
  /** The most likely labels as a whole, by number. */
  path: number[];
  /** Position × label: how likely the label is there (forward–backward; sums to 1 at each position). */
  probability: Float64Array;
}

/** Labels of a run of positions, of each of which the features are given. Linear in its length. */
export function label(chain: Chain, features: readonly string[][]): Labelled {
  const T = features.length;
  const n = chain.labels.length;
  if (T === 0) return { path: [], probability: new Float64Array(0) };
  const e = emissionsOf(chain, features);
  const w = chain.transitions;
  const forward = new Float64Array(T * n);
  const backward = new Float64Array(T * n);
  const best = new Float64Array(T * n);
  const from = new Int32Array(T * n);
  const sums = new Float64Array(n);
  for (let k = 0; k < n; k += 1) forward[k] = best[k] = e[k]! + w[n * n + k]!;
  for (let t = 1; t < T; t += 1)
    for (let k = 0; k < n; k += 1) {
      let most = 0;
      for (let j = 0; j < n; j += 1) {
        sums[j] = forward[(t - 1) * n + j]! + w[j * n + k]!;
        if (best[(t - 1) * n + j]! + w[j * n + k]! > best[(t - 1) * n + most]! + w[most * n + k]!) most = j;
      }
      forward[t * n + k] = logSum(sums, 0, n) + e[t * n + k]!;
      best[t * n + k] = best[(t - 1) * n + most]! + w[most * n + k]! + e[t * n + k]!;
      from[t * n + k] = most;
    }
  for (let t = T - 2; t >= 0; t -= 1)
    for (let k = 0; k < n; k += 1) {
      for (let j = 0; j < n; j += 1)
        sums[j] = w[k * n + j]! + e[(t + 1) * n + j]! + backward[(t + 1) * n + j]!;
      backward[t * n + k] = logSum(sums, 0, n);
    }
  const all = logSum(forward, (T - 1) * n, n);
  const probability = forward.map((f, i) => Math.exp(f + backward[i]! - all));
  let last = 0;
  for (let k = 1; k < n; k += 1) if (best[(T - 1) * n + k]! > best[(T - 1) * n + last]!) last = k;
  const path = new Array<number>(T);
  for (let t = T - 1; t >= 0; t -= 1) {
    path[t] = last;
    last = from[t * n + last]!;
  }
  return { path, probability };
}

/** Of the features of a position, those that speak most for a label, the strongest first. */
export function strongest(chain: Chain, features: readonly string[], labelled: number): string[] {
  const n = chain.labels.length;
  const weights = features.flatMap((feature) => {
    const row = chain.rows.get(hashOf(feature));
    return row === undefined ? [] : [{ feature, weight: chain.emissions[row * n + labelled]! }];
  });
  return weights
    .filter((f) => f.weight > 0)
    .sort((a, b) => b.weight - a.weight)
    .map((f) => f.feature);
}
