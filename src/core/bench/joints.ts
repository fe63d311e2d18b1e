/** Angles between the members of a driveline, in space (derived). */
import { deg, rad } from './exact.ts';

/** A member: its inclination, and where it points seen from above; degrees. */
export interface Member {
  v: number;
  p: number;
}

type Vector = readonly [number, number, number];
const directionOf = ({ v, p }: Member): Vector => {
  const [c, s] = [Math.cos(rad(v)), Math.sin(rad(v))];
  return [c * Math.cos(rad(p)), c * Math.sin(rad(p)), -s];
};

/** By atan2, which is exact where the angle is small; degrees. */
function angleBetween(a: Vector, b: Vector): number {
  const cross = [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
  return deg(Math.atan2(Math.hypot(...cross), a[0] * b[0] + a[1] * b[1] + a[2] * b[2]));
}

/** The angles of the joints between members, front to rear; degrees. */
export function anglesOf(members: readonly Member[]): number[] {
  const directions = members.map(directionOf);
  return directions.slice(1).map((d, i) => angleBetween(directions[i]!, d));
}
