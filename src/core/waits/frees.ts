/** What one act today would free, found by trying it: an act frees a car when nothing else keeps one of its tasks from being begun. */
import type { Day } from '../time/days.ts';
import type { Hold } from './binding.ts';

export interface HeldBuild {
  buildId: string;
  nickname: string;
  /** Null where it can be worked on. */
  binding: Hold | null;
  others: readonly Hold[];
  /**
   * Each way to get the car going, as the holds that all have to end: of each task that could be the next, and of what is waited for
   * where no task is written down. By their place among `binding` and `others`.
   */
  ways: readonly (readonly number[])[];
}

/** A car that an act helps, with the hold that it ends. */
export interface Helped<B extends HeldBuild = HeldBuild> {
  build: B;
  hold: Hold;
}

export interface FreeingAct<B extends HeldBuild = HeldBuild> {
  act: string;
  /** Cars that this act alone gets going. */
  frees: Helped<B>[];
  /** Cars that something else holds too, or that would still wait for their turn: it only brings them on. */
  bringsOn: Helped<B>[];
}

/** Overdue ends first, then those nobody knows, then by their day: the sooner an act can do something, the earlier. */
function pressing({ until }: Hold, today: Day): string {
  return until === null ? '1' : until < today ? `0${until}` : `2${until}`;
}

/** All that holds a build, as `ways` counts them: the binding one first. */
const holdsOf = (b: HeldBuild): Hold[] => (b.binding === null ? [] : [b.binding, ...b.others]);

/** The holds that an act ends, each by itself enough to get the car going. */
function freedBy(b: HeldBuild): Hold[] {
  const holds = holdsOf(b);
  const alone = b.ways
    .filter((way) => way.length > 0 && way.every((i) => holds[i]!.act === holds[way[0]!]!.act))
    .map((way) => holds[way[0]!]!);
  return [...new Map(alone.map((h) => [h.act, h])).values()];
}

/** Time alone ends a cure. */
const isForSomebody = ({ kind }: Hold): boolean => kind !== 'cure';

interface Found<B extends HeldBuild> {
  frees: Helped<B>[];
  bringsOn: Helped<B>[];
  presses: string;
}

/** One car out of a place lets one other in: the one that presses most. */
function takeTurns<B extends HeldBuild>(
  { frees, bringsOn }: Found<B>,
  today: Day,
): Omit<FreeingAct<B>, 'act'> {
  const [first, ...rest] = frees
    .filter((f) => f.hold.kind === 'place')
    .sort((a, b) => (pressing(a.hold, today) < pressing(b.hold, today) ? -1 : 1));
  const freed = frees.filter((f) => f.hold.kind !== 'place' || f === first);
  return { frees: freed, bringsOn: [...rest, ...bringsOn] };
}

/** Acts in the order of what they free: most cars freed, then most brought on, then what presses most. */
export function freeingActs<B extends HeldBuild>(builds: readonly B[], today: Day): FreeingAct<B>[] {
  const acts = new Map<string, Found<B>>();
  const foundOf = (act: string): Found<B> => {
    const known = acts.get(act) ?? { frees: [], bringsOn: [], presses: '3' };
    acts.set(act, known);
    return known;
  };
  for (const build of builds) {
    const { binding } = build;
    if (binding === null) continue;
    const freeing = freedBy(build).filter(isForSomebody);
    for (const hold of freeing) foundOf(hold.act).frees.push({ build, hold });
    const isFreed = freeing.some((h) => h.act === binding.act);
    if (!isFreed && isForSomebody(binding)) foundOf(binding.act).bringsOn.push({ build, hold: binding });
    for (const hold of [...freeing, ...(isForSomebody(binding) ? [binding] : [])]) {
      const found = foundOf(hold.act);
      const presses = pressing(hold, today);
      if (presses < found.presses) found.presses = presses;
    }
  }
  return [...acts]
    .map(([act, found]) => ({ act, ...takeTurns(found, today), presses: found.presses }))
    .sort(
      (a, b) =>
        b.frees.length - a.frees.length ||
        b.bringsOn.length - a.bringsOn.length ||
        (a.presses < b.presses ? -1 : a.presses > b.presses ? 1 : a.act < b.act ? -1 : 1),
    )
    .map(({ act, frees, bringsOn }) => ({ act, frees, bringsOn }));
}

/** Where each held car comes in that order, by its id and the first act that helps it: the Floor is read in it. */
export function rankByFreeing(acts: readonly FreeingAct[]): Map<string, number> {
  const rank = new Map<string, number>();
  for (const [i, { frees, bringsOn }] of acts.entries())
    for (const { build } of [...frees, ...bringsOn]) if (!rank.has(build.buildId)) rank.set(build.buildId, i);
  return rank;
}
