/**
 * The sets of lines that cover a need with the least loss, best first, where a line may only be in the set if every line
 * that needs it is. Branch and bound over **net losses**: Lagrangian relaxation (Geoffrion 1974) of the cover with a price
 * λ for each minor unit saved, and of the precedence with the flows of a minimum closure (Picard 1976). Line by line what
 * remains is its net loss r, and for every set: loss ≥ λ · need + Σ r over the set, so going against the sign of one
 * line's net loss raises the floor by its size, and the search needs no more than an addition to know it.
 */

export interface Coverable {
  id: string;
  savesMinor: number;
  loss: number;
  needs: readonly string[];
}

export interface LeanSet {
  ids: string[];
  saves: number;
  loss: number;
}

/** Lines by number: what each saves and loses, what it needs, and what needs it, both with all that follows. */
interface Net {
  saves: number[];
  loss: number[];
  /** Direct needers: they must be in the set with it. */
  needers: number[][];
  allNeeds: number[][];
  allNeeders: number[][];
}

function reach(direct: readonly number[][]): number[][] {
  return direct.map((first, from) => {
    const seen = new Set<number>();
    const open = [...first];
    for (let i = open.pop(); i !== undefined; i = open.pop())
      if (i !== from && !seen.has(i)) {
        seen.add(i);
        open.push(...direct[i]!);
      }
    return [...seen];
  });
}

function netOf(lines: readonly Coverable[]): Net {
  const at = new Map(lines.map((l, i) => [l.id, i]));
  const needs = lines.map((l) => l.needs.flatMap((id) => at.get(id) ?? []));
  const needers: number[][] = lines.map(() => []);
  needs.forEach((of, i) => of.forEach((n) => needers[n]!.push(i)));
  return {
    saves: lines.map((l) => l.savesMinor),
    loss: lines.map((l) => l.loss),
    needers,
    allNeeds: reach(needs),
    allNeeders: reach(needers),
  };
}

interface Priced {
  /** Net loss of each line at this price. */
  net: number[];
  /** The floor under every covering set's loss. */
  floor: number;
  /** What the set of least net loss saves. */
  saved: number;
}

/**
 * Net losses at a price for each unit saved. A line worth its price pays for the dear ones that must go with it: a
 * maximum flow from the first to the second, by augmenting paths.
 */
function priced({ saves, loss, needers }: Net, need: number, price: number): Priced {
  const net = saves.map((s, i) => loss[i]! - price * s);
  const tiny = 1e-9 * Math.max(1, ...loss);
  const n = net.length;
  /** What already flows from each line to its needers, and may flow back. */
  const flow = needers.map((of) => of.map(() => 0));
  const into: [number, number][][] = net.map(() => []);
  needers.forEach((of, i) => of.forEach((j, k) => into[j]!.push([i, k])));
  const came = new Int32Array(n);
  const arc = new Int32Array(n);
  const path = (from: number): number => {
    came.fill(-1);
    came[from] = from;
    const open = [from];
    for (let head = 0; head < open.length; head += 1) {
      const i = open[head]!;
      if (net[i]! > tiny) return i;
      for (let k = 0; k < needers[i]!.length; k += 1) {
        const j = needers[i]![k]!;
        if (came[j] !== -1) continue;
        [came[j], arc[j]] = [i, k];
        open.push(j);
      }
      for (const [j, k] of into[i]!) {
        if (came[j] !== -1 || flow[j]![k]! <= tiny) continue;
        [came[j], arc[j]] = [i, -1 - k];
        open.push(j);
      }
    }
    return -1;
  };
  const inSet = new Uint8Array(n);
  for (let from = 0; from < n; from += 1)
    while (net[from]! < -tiny) {
      const to = path(from);
      if (to === -1) {
        for (let i = 0; i < n; i += 1) if (came[i] !== -1) inSet[i] = 1;
        break;
      }
      let amount = Math.min(-net[from]!, net[to]!);
      for (let j = to; j !== from; j = came[j]!)
        if (arc[j]! < 0) amount = Math.min(amount, flow[j]![-1 - arc[j]!]!);
      for (let j = to; j !== from; j = came[j]!) {
        if (arc[j]! < 0) flow[j]![-1 - arc[j]!]! -= amount;
        else flow[came[j]!]![arc[j]!]! += amount;
      }
      net[from]! += amount;
      net[to]! -= amount;
    }
  const floor = net.reduce((s, r) => s + Math.min(0, r), price * need);
  return { net, floor, saved: saves.reduce((s, v, i) => s + (inSet[i] ? v : 0), 0) };
}

const PRICES_TRIED = 30;

/** The price with the highest floor: where the lines through the two prices around it cross, until that is reached. */
function bestPrice(net: Net, need: number): Priced {
  let low = { price: 0, at: priced(net, need, 0) };
  let dear = 2 * Math.max(...net.loss.map((l, i) => l / net.saves[i]!), 1e-9) * net.loss.length;
  let high = { price: dear, at: priced(net, need, dear) };
  let best = low.at.floor >= high.at.floor ? low.at : high.at;
  for (let tried = 0; tried < PRICES_TRIED; tried += 1) {
    const [rise, fall] = [need - low.at.saved, need - high.at.saved];
    if (rise <= 0 || fall >= 0) break;
    dear = (high.at.floor - low.at.floor + rise * low.price - fall * high.price) / (rise - fall);
    if (!(dear > low.price && dear < high.price)) break;
    const at = priced(net, need, dear);
    if (at.floor > best.floor) best = at;
    if (at.saved < need) low = { price: dear, at };
    else if (at.saved > need) high = { price: dear, at };
    else break;
  }
  return best;
}

const [UNDECIDED, IN, OUT] = [0, 1, 2];

/**
 * The `most` lean sets of least loss that save at least `need`: sets from which no line, with what that line needs, can
 * be taken out again. Equal losses: the one that saves less comes first. Savings are above 0 and losses at least 0.
 */
export function leanSets(lines: readonly Coverable[], need: number, most: number): LeanSet[] {
  if (need <= 0) return [{ ids: [], saves: 0, loss: 0 }];
  const all = netOf(lines);
  const { saves, loss, allNeeds, allNeeders } = all;
  const { net, floor: root } = bestPrice(all, need);
  const slack = 1e-7 * Math.max(1, Math.abs(root));
  const order = net.map((_, i) => i).sort((a, b) => Math.abs(net[b]!) - Math.abs(net[a]!) || a - b);
  const state = new Uint8Array(net.length);
  const trail: number[] = [];
  let [floor, saved, lost, possible] = [root, 0, 0, saves.reduce((s, v) => s + v, 0)];
  const best: (LeanSet & { picks: number[] })[] = [];

  const decide = (i: number, to: number): void => {
    state[i] = to;
    trail.push(i);
    if (to === IN) {
      saved += saves[i]!;
      lost += loss[i]!;
      floor += Math.max(0, net[i]!);
    } else {
      possible -= saves[i]!;
      floor -= Math.min(0, net[i]!);
    }
  };
  const undo = (length: number): void => {
    while (trail.length > length) {
      const i = trail.pop()!;
      if (state[i] === IN) {
        saved -= saves[i]!;
        lost -= loss[i]!;
        floor -= Math.max(0, net[i]!);
      } else {
        possible += saves[i]!;
        floor += Math.min(0, net[i]!);
      }
      state[i] = UNDECIDED;
    }
  };
  /** Decides a line with all that follows; false where that goes against what is decided. */
  const decideAll = (i: number, to: number): boolean => {
    decide(i, to);
    for (const j of to === IN ? allNeeders[i]! : allNeeds[i]!) {
      if (state[j] === UNDECIDED) decide(j, to);
      else if (state[j] !== to) return false;
    }
    return true;
  };
  const isLean = (picks: readonly number[]): boolean =>
    picks.every((i) => {
      const back = allNeeds[i]!.reduce((s, j) => s + (state[j] === IN ? saves[j]! : 0), saves[i]!);
      return saved - back < need;
    });
  const keep = (): void => {
    const picks = trail.filter((i) => state[i] === IN);
    if (!isLean(picks)) return;
    best.push({ picks, ids: picks.map((i) => lines[i]!.id), saves: saved, loss: lost });
    best.sort((a, b) => a.loss - b.loss || a.saves - b.saves);
    if (best.length > most) best.pop();
  };
  const hopeless = (): boolean => {
    if (possible < need) return true;
    const worst = best.length < most ? undefined : best[most - 1]!;
    if (!worst) return false;
    return floor > worst.loss + slack || lost > worst.loss || (lost === worst.loss && saved >= worst.saves);
  };
  const visit = (k: number): void => {
    if (hopeless()) return;
    if (saved >= need) return keep();
    let next = k;
    while (next < order.length && state[order[next]!] !== UNDECIDED) next += 1;
    if (next === order.length) return;
    const i = order[next]!;
    const mark = trail.length;
    for (const to of net[i]! <= 0 ? [IN, OUT] : [OUT, IN]) {
      if (decideAll(i, to!)) visit(next + 1);
      undo(mark);
    }
  };
  visit(0);
  return best.map(({ ids, saves: s, loss: l }) => ({ ids, saves: s, loss: l }));
}
