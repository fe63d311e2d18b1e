/**
 * Frame symmetry: pairs of points measured from a bench, mirrored about the plane that fits them best.
 * x forward, y to the left, z up. One bent pair pulls the plane: compare what the bench says with what is left over.
 *
 * Sources. Mirror plane by least squares: derived; |L − mirror(R)|² = |L − R|² + 4(n·R − d)(n·L − d), whose sum is least for the
 * eigenvector of the smallest eigenvalue. ±3 mm: common practice, no one standard; the maker's dimensions win.
 */
import { deg } from './exact.ts';
import { symmetricEigen, type Matrix3, type Vector3 } from './eigen.ts';
import { inconsistent, judged, listAt, numberAt, objectAt, optionalAt, reasonList, SLACK, textAt, type Judged, limitsAt, type OwnLimits } from './input.ts'; // prettier-ignore

export interface FramePoint {
  x_mm: number;
  y_mm: number;
  z_mm: number;
}

export interface FrameSymmetryInput {
  points: { name: string; left: FramePoint; right: FramePoint; datum_mm?: number | null }[];
  tolerance_mm?: number | null;
  limits?: OwnLimits<typeof LIMITS>;
}

type State = 'ok' | 'watch' | 'fail';

export interface FrameSymmetryResult extends Judged {
  pairs: {
    name: string;
    benchDx_mm: number;
    benchDy_mm: number;
    benchDz_mm: number;
    bench_mm: number;
    residual_mm: number;
    midOffset_mm: number;
    state: State;
  }[];
  diagonals: {
    from: string;
    to: string;
    leftToRight_mm: number;
    rightToLeft_mm: number;
    difference_mm: number;
    state: State;
  }[];
  datum: { name: string; left_mm: number; right_mm: number; state: State }[];
  planeNormal: Vector3;
  planeOffset_mm: number;
  planeYaw_deg: number;
  planeRoll_deg: number;
  rms_mm: number;
  worst: string;
  worst_mm: number;
}

interface Pair {
  name: string;
  left: Vector3;
  right: Vector3;
  datum: number | null;
}

/** Of the tolerance (common practice). */
/** Common practice; a shop may put its own in their place. */
export const LIMITS = { watch: 2 / 3 };

/** Eigenvalues this close, of the largest, leave the plane open. */
const UNDECIDED = 1e-6;

const minus = (a: Vector3, b: Vector3): Vector3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vector3, b: Vector3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const length = (a: Vector3): number => Math.hypot(...a);

function pointAt(value: unknown, field: string): Vector3 {
  const of = objectAt(value, field);
  const at = (axis: string): number =>
    numberAt(of[axis], `${field}.${axis}`, { least: -10_000, most: 10_000 });
  return [at('x_mm'), at('y_mm'), at('z_mm')];
}

function pairAt(value: unknown, field: string): Pair {
  const of = objectAt(value, field);
  const name = textAt(of.name, `${field}.name`);
  const [left, right] = [pointAt(of.left, `${field}.left`), pointAt(of.right, `${field}.right`)];
  const datum = optionalAt(of.datum_mm, `${field}.datum_mm`, { least: -10_000, most: 10_000 });
  if (left[1] <= right[1]) throw inconsistent(`${field}.left.y_mm`, 'left and right are swapped');
  return { name, left, right, datum };
}

/** The plane n·p = d about which left mirrors right best. */
function bestPlane(pairs: readonly Pair[]): { normal: Vector3; offset: number } {
  const all = pairs.flatMap((p) => [p.left, p.right]);
  const middle = ([0, 1, 2] as const).map((k) => all.reduce((a, p) => a + p[k], 0) / all.length) as Vector3;
  const m: Matrix3 = [[0, 0, 0], [0, 0, 0], [0, 0, 0]]; // prettier-ignore
  for (const pair of pairs) {
    const [l, q] = [minus(pair.left, middle), minus(pair.right, middle)];
    for (const i of [0, 1, 2] as const)
      for (const j of [0, 1, 2] as const) m[i][j] += (q[i] * l[j] + l[i] * q[j]) / 2;
  }
  const [first, second, third] = symmetricEigen(m) as [Eigen, Eigen, Eigen];
  if (second.value - first.value < UNDECIDED * Math.max(Math.abs(first.value), Math.abs(third.value)))
    throw inconsistent('points', 'they lie so that no one plane fits them');
  const sign = first.vector[1] < 0 ? -1 : 1;
  const normal = first.vector.map((x) => x * sign) as Vector3;
  return { normal, offset: dot(normal, middle) };
}
type Eigen = ReturnType<typeof symmetricEigen>[number];

function mirrored(point: Vector3, normal: Vector3, offset: number): Vector3 {
  const by = 2 * (dot(normal, point) - offset);
  return [point[0] - by * normal[0], point[1] - by * normal[1], point[2] - by * normal[2]];
}

function diagonalOf(a: Pair, b: Pair, stateOf: (mm: number) => State) {
  const leftToRight_mm = length(minus(a.left, b.right));
  const rightToLeft_mm = length(minus(a.right, b.left));
  const difference_mm = leftToRight_mm - rightToLeft_mm;
  return {
    from: a.name,
    to: b.name,
    leftToRight_mm,
    rightToLeft_mm,
    difference_mm,
    state: stateOf(difference_mm),
  };
}

/** Judges a frame by its pairs, its diagonals and its heights. */
export function frameSymmetry(input: FrameSymmetryInput): FrameSymmetryResult {
  const allowed = limitsAt(input.limits, LIMITS);
  const points = listAt(input.points, 'points', { least: 3, most: 200 }).map((p, i) =>
    pairAt(p, `points[${i}]`),
  );
  const tolerance = numberAt(input.tolerance_mm, 'tolerance_mm', { above: 0, most: 1000, otherwise: 3 });
  const { normal, offset } = bestPlane(points);
  const stateOf = (mm: number): State =>
    Math.abs(mm) > tolerance + SLACK
      ? 'fail'
      : Math.abs(mm) > allowed.watch * tolerance + SLACK
        ? 'watch'
        : 'ok';
  const pairs = points.map(({ name, left, right }) => {
    const bench: Vector3 = [left[0] - right[0], left[1] + right[1], left[2] - right[2]];
    const residual_mm = length(minus(left, mirrored(right, normal, offset)));
    return {
      ...{ name, benchDx_mm: bench[0], benchDy_mm: bench[1], benchDz_mm: bench[2], bench_mm: length(bench) },
      residual_mm,
      midOffset_mm: (dot(normal, left) + dot(normal, right)) / 2 - offset,
      state: stateOf(residual_mm),
    };
  });
  const diagonals = points.slice(1).map((b, i) => diagonalOf(points[i]!, b, stateOf));
  diagonals.push(diagonalOf(points[0]!, points.at(-1)!, stateOf));
  const datum = points.flatMap(({ name, left, right, datum: at }) => {
    if (at === null) return [];
    const [left_mm, right_mm] = [left[2] - at, right[2] - at];
    return [{ name, left_mm, right_mm, state: stateOf(Math.max(Math.abs(left_mm), Math.abs(right_mm))) }];
  });
  const { reasons, say } = reasonList();
  const judge = (states: readonly { state: State }[], code: string, what: string): void => {
    const worst = states.some((s) => s.state === 'fail') ? 'fail' : states.some((s) => s.state === 'watch') ? 'watch' : null; // prettier-ignore
    if (worst)
      say(
        worst,
        code,
        `${what} by more than ${worst === 'fail' ? tolerance : (allowed.watch * tolerance).toFixed(1)} mm.`,
      );
  };
  judge(pairs, 'pair_asymmetry', 'A pair is not the mirror of itself,');
  judge(diagonals, 'diagonal_difference', 'Diagonals differ');
  judge(datum, 'datum_height', 'A height is off');
  const worst = pairs.reduce((a, b) => (b.residual_mm > a.residual_mm ? b : a));
  return {
    ...{ pairs, diagonals, datum },
    planeNormal: normal,
    planeOffset_mm: offset,
    planeYaw_deg: deg(Math.atan2(-normal[0], normal[1])),
    planeRoll_deg: deg(Math.atan2(normal[2], normal[1])),
    rms_mm: Math.sqrt(pairs.reduce((a, p) => a + p.residual_mm ** 2, 0) / pairs.length),
    worst: worst.name,
    worst_mm: worst.residual_mm,
    ...judged(reasons),
  };
}
