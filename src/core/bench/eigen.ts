/** Eigenvalues of symmetric 3×3 matrices. */

export type Vector3 = [number, number, number];
export type Matrix3 = [Vector3, Vector3, Vector3];

const PAIRS: readonly [0 | 1 | 2, 0 | 1 | 2][] = [[0, 1], [0, 2], [1, 2]]; // prettier-ignore
const SWEEPS = 50;

/**
 * Eigenvalues, rising, with their unit vectors: cyclic Jacobi rotations (published: Golub & Van Loan, Matrix Computations, §8.5;
 * Numerical Recipes, §11.1).
 */
export function symmetricEigen(matrix: Matrix3): { value: number; vector: Vector3 }[] {
  const a = matrix.map((row) => [...row]) as Matrix3;
  const v: Matrix3 = [[1, 0, 0], [0, 1, 0], [0, 0, 1]]; // prettier-ignore
  const size = Math.hypot(...a.flat());
  for (let sweep = 0; sweep < SWEEPS; sweep += 1) {
    if (PAIRS.every(([p, q]) => Math.abs(a[p][q]) <= Number.EPSILON * size * 1e-3)) break;
    for (const [p, q] of PAIRS) rotate(a, v, p, q);
  }
  return ([0, 1, 2] as const)
    .map((i) => ({ value: a[i][i], vector: [v[0][i], v[1][i], v[2][i]] as Vector3 }))
    .sort((x, y) => x.value - y.value);
}

/** One rotation, in place, which makes a[p][q] nothing. */
function rotate(a: Matrix3, v: Matrix3, p: 0 | 1 | 2, q: 0 | 1 | 2): void {
  if (a[p][q] === 0) return;
  const theta = (a[q][q] - a[p][p]) / (2 * a[p][q]);
  const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.sqrt(theta * theta + 1));
  const c = 1 / Math.sqrt(t * t + 1);
  const s = t * c;
  for (const row of [0, 1, 2] as const) {
    const [x, y] = [a[row][p], a[row][q]];
    a[row][p] = c * x - s * y;
    a[row][q] = s * x + c * y;
  }
  for (const column of [0, 1, 2] as const) {
    const [x, y] = [a[p][column], a[q][column]];
    a[p][column] = c * x - s * y;
    a[q][column] = s * x + c * y;
    const [m, n] = [v[column][p], v[column][q]];
    v[column][p] = c * m - s * n;
    v[column][q] = s * m + c * n;
  }
}
