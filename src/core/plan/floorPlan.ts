/** The plan of the shop: where its places lie, what can stand in them, and why a car cannot be moved to one. */
import { PLACE_KINDS, type PlaceKind } from '../shop/places.ts';

/** The plan is a grid; everything on it snaps to its steps. */
export const GRID = { columns: 24, rows: 16 } as const;

/** In steps of the grid, from its upper left corner. */
export interface Spot {
  x: number;
  y: number;
  w: number;
  h: number;
}

/** How many whole cars a kind of place holds. A bench, a yard, a store and a vendor hold what is put there. */
const HOLDS: Record<PlaceKind, number> = {
  lift: 1,
  bay: 1,
  booth: 1,
  'blast room': 1,
  bench: Infinity,
  yard: Infinity,
  store: Infinity,
  vendor: Infinity,
};

/** Size of a place of a kind before anybody has drawn it. */
const SIZE: Record<PlaceKind, { w: number; h: number }> = {
  lift: { w: 4, h: 5 },
  bay: { w: 4, h: 5 },
  booth: { w: 5, h: 4 },
  'blast room': { w: 5, h: 4 },
  bench: { w: 5, h: 3 },
  yard: { w: 12, h: 4 },
  store: { w: 6, h: 4 },
  vendor: { w: 4, h: 2 },
};

/** Whole steps, inside the grid, at least two by two: what an edit leaves a spot as. */
export function snap(spot: Spot): Spot {
  const within = (n: number, least: number, most: number): number =>
    Math.min(Math.max(Math.round(n), least), most);
  const w = within(spot.w, 2, GRID.columns);
  const h = within(spot.h, 2, GRID.rows);
  return { x: within(spot.x, 0, GRID.columns - w), y: within(spot.y, 0, GRID.rows - h), w, h };
}

export const overlap = (a: Spot, b: Spot): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** Why a place cannot lie there, or null. */
export function whyNotSpot(
  spot: Spot,
  others: readonly { name: string; spot: Spot | null }[],
): string | null {
  const snapped = snap(spot);
  if ((['x', 'y', 'w', 'h'] as const).some((k) => snapped[k] !== spot[k]))
    return 'it does not lie on the plan';
  const under = others.find((o) => o.spot !== null && overlap(o.spot, spot));
  return under ? `it would lie over “${under.name}”` : null;
}

/** The first free spot of a size, row by row; where the plan is full, its lower right corner. */
function freeSpot({ w, h }: { w: number; h: number }, taken: readonly Spot[]): Spot {
  for (let y = 0; y + h <= GRID.rows; y += 1)
    for (let x = 0; x + w <= GRID.columns; x += 1) {
      const spot = { x, y, w, h };
      if (!taken.some((t) => overlap(t, spot))) return spot;
    }
  return { x: GRID.columns - w, y: GRID.rows - h, w, h };
}

/** Every place with its spot: as it was drawn, or where there is room, kind by kind. */
export function arrange<P extends { kind: PlaceKind; spot: Spot | null }>(
  places: readonly P[],
): (Omit<P, 'spot'> & { spot: Spot })[] {
  const taken = places.flatMap((p) => p.spot ?? []);
  const spots = new Map<P, Spot>();
  for (const kind of PLACE_KINDS)
    for (const p of places.filter((q) => q.kind === kind)) {
      const spot = p.spot ?? freeSpot(SIZE[kind], taken);
      if (p.spot === null) taken.push(spot);
      spots.set(p, spot);
    }
  return places.map((p) => ({ ...p, spot: spots.get(p)! }));
}

export interface Standing {
  buildId: string;
  nickname: string;
  placeId: string | null;
  /** What is off it, so that it does not roll, and what would free it; null while it rolls. */
  pinned: { by: string; freedBy: string } | null;
}

export interface PlaceToStand {
  id: string;
  name: string;
  kind: PlaceKind;
  closed: boolean;
}

/**
 * Why a car cannot be put at a place, with the way out; null where it can. A place that holds one car is taken by another;
 * a closed place takes none; a car that does not roll stays where it is.
 */
export function whyNotMove(
  buildId: string,
  place: PlaceToStand,
  places: readonly PlaceToStand[],
  cars: readonly Standing[],
): string | null {
  if (place.closed) return `“${place.name}” is closed`;
  const pinned = cars.find((c) => c.buildId === buildId && c.placeId !== place.id)?.pinned;
  if (pinned) {
    const free =
      pinned.freedBy === ''
        ? 'say on the plan that it rolls'
        : `${pinned.freedBy}, then say on the plan that it rolls`;
    return `it does not roll, ${pinned.by}: ${free}`;
  }
  const there = cars.filter((c) => c.placeId === place.id && c.buildId !== buildId);
  if (there.length < HOLDS[place.kind]) return null;
  const isFree = (p: PlaceToStand): boolean =>
    !p.closed && cars.filter((c) => c.placeId === p.id && c.buildId !== buildId).length < HOLDS[p.kind];
  const same = places.find((p) => p.kind === place.kind && p.id !== place.id && isFree(p));
  const away = places.find((p) => (p.kind === 'yard' || p.kind === 'store') && isFree(p));
  const who = there.map((c) => c.nickname).join(' and ');
  const stuck = there.find((c) => c.pinned !== null);
  const out = same
    ? `“${same.name}” is free`
    : stuck
      ? `it does not roll, ${stuck.pinned!.by}${stuck.pinned!.freedBy ? `; to free it: ${stuck.pinned!.freedBy}` : ''}`
      : away
        ? `move the ${who} to “${away.name}” first`
        : `move the ${who} first`;
  return `the ${who} stands on “${place.name}”: ${out}`;
}

/** For a kind of place: one that is free, or the cars that hold all of them, those that do not roll first. */
export function freeOf<C extends Pick<Standing, 'placeId'> & { pinned: unknown }>(
  kind: PlaceKind,
  places: readonly PlaceToStand[],
  cars: readonly C[],
): { free: PlaceToStand | null; heldBy: C[] } {
  const of = places.filter((p) => p.kind === kind && !p.closed);
  const at = (p: PlaceToStand): C[] => cars.filter((c) => c.placeId === p.id);
  const free = of.find((p) => at(p).length < HOLDS[kind]) ?? null;
  const heldBy = free ? [] : of.flatMap(at);
  return { free, heldBy: heldBy.sort((a, b) => Number(b.pinned !== null) - Number(a.pinned !== null)) };
}
