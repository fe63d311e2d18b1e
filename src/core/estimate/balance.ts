/**
 * Which open lines can wait so that what they save pays for an overrun, losing least. Exact: see `leanSets` for how.
 */
import { leanSets } from './leanSets.ts';

export interface Waiting {
  id: string;
  /** What putting it off saves now, minor units, above 0. */
  savesMinor: number;
  /** What is lost by it, in points of at least 0; see `lossOf`. */
  loss: number;
  /** Lines that this one needs: they cannot wait while it is kept. */
  needs: readonly string[];
  /** Why it cannot wait, or null: a safety line, work that has begun. */
  whyNot: string | null;
}

export interface Pins {
  /** Put off in any case. */
  off?: readonly string[];
  /** Kept in any case. */
  kept?: readonly string[];
}

export interface Alternative {
  putOff: string[];
  savesMinor: number;
  loss: number;
}

export interface Balance {
  /** Best first. Empty where nothing that may wait covers the overrun. */
  alternatives: Alternative[];
  /** The most that could be saved by putting off everything that may wait. */
  mostMinor: number;
  /** Pinned lines that cannot be put off, each with its reason. */
  refused: { id: string; reason: string }[];
}

/** The lines in an order in which whatever needs a line stands before it. Throws RangeError on a circle. */
function ordered(lines: readonly Waiting[]): Waiting[] {
  const openNeeders = new Map(lines.map((l) => [l.id, 0]));
  const byId = new Map(lines.map((l) => [l.id, l]));
  for (const l of lines)
    for (const n of l.needs) if (byId.has(n)) openNeeders.set(n, openNeeders.get(n)! + 1);
  const ready = lines.filter((l) => openNeeders.get(l.id) === 0);
  const order: Waiting[] = [];
  while (ready.length > 0) {
    const next = ready.pop()!;
    order.push(next);
    for (const n of next.needs) {
      const need = byId.get(n);
      if (!need) continue;
      openNeeders.set(n, openNeeders.get(n)! - 1);
      if (openNeeders.get(n) === 0) ready.push(need);
    }
  }
  if (order.length < lines.length) throw new RangeError('lines need each other in a circle');
  return order;
}

/** Why each line must be kept, from its own reason or from a kept line that needs it. `order` has needers first. */
function reasonsToKeep(order: readonly Waiting[], kept: ReadonlySet<string>): Map<string, string> {
  const reasons = new Map<string, string>();
  for (const l of order) {
    const own = l.whyNot ?? (kept.has(l.id) ? 'you chose to keep it' : null);
    if (own !== null) reasons.set(l.id, own);
    if (!reasons.has(l.id)) continue;
    for (const n of l.needs) if (!reasons.has(n)) reasons.set(n, 'a line that is kept needs it');
  }
  return reasons;
}

/** Everything that waits with it: the lines that need it, and those that need them. */
function withNeeders(ids: readonly string[], lines: readonly Waiting[]): Set<string> {
  const off = new Set(ids);
  for (let grown = true; grown;) {
    grown = false;
    for (const l of lines)
      if (!off.has(l.id) && l.needs.some((n) => off.has(n))) {
        off.add(l.id);
        grown = true;
      }
  }
  return off;
}

/**
 * The best ways to save at least `overMinor` by putting lines off; each alternative is lean (restoring any of its lines,
 * with what that line needs, no longer covers the overrun) unless a pin holds a line in it. Ties go to the one that puts
 * off less money. Throws RangeError where lines need each other in a circle.
 */
export function balance(
  lines: readonly Waiting[],
  overMinor: number,
  { pins = {}, most = 3 }: { pins?: Pins; most?: number } = {},
): Balance {
  const order = ordered(lines);
  const reasons = reasonsToKeep(order, new Set(pins.kept));
  const forced = withNeeders(pins.off ?? [], lines);
  const refused = [...forced].flatMap((id) => {
    const reason = reasons.get(id);
    return reason === undefined ? [] : [{ id, reason }];
  });
  const free = order.filter((l) => !reasons.has(l.id));
  const mostMinor = free.reduce((s, l) => s + l.savesMinor, 0);
  if (refused.length > 0 || mostMinor < overMinor) return { alternatives: [], mostMinor, refused };
  const held = free.filter((l) => forced.has(l.id));
  const rest = free.filter((l) => !forced.has(l.id));
  const start = {
    saves: held.reduce((s, l) => s + l.savesMinor, 0),
    loss: held.reduce((s, l) => s + l.loss, 0),
  };
  const found = leanSets(rest, overMinor - start.saves, most).map(({ ids, saves, loss }) => ({
    putOff: [...held.map((l) => l.id), ...ids],
    savesMinor: start.saves + saves,
    loss: start.loss + loss,
  }));
  return { alternatives: found, mostMinor, refused };
}
