/** What one act today would free: the same act for several cars is one act. */
import type { Day } from '../time/days.ts';
import type { Hold } from './binding.ts';

export interface HeldBuild {
  buildId: string;
  nickname: string;
  /** Null where it can be worked on. */
  binding: Hold | null;
  others: readonly Hold[];
}

export interface FreeingAct<B extends HeldBuild = HeldBuild> {
  act: string;
  /** Cars that nothing else holds: this act frees them. */
  frees: B[];
  /** Cars that something else holds too: it only brings them on. */
  bringsOn: B[];
}

/** Overdue ends first, then those nobody knows, then by their day: the sooner an act can do something, the earlier. */
function pressing({ until }: Hold, today: Day): string {
  return until === null ? '1' : until < today ? `0${until}` : `2${until}`;
}

/** Acts in the order of what they free: most cars freed, then most brought on, then what presses most. */
export function freeingActs<B extends HeldBuild>(builds: readonly B[], today: Day): FreeingAct<B>[] {
  const acts = new Map<string, FreeingAct<B> & { presses: string }>();
  for (const b of builds) {
    if (b.binding === null) continue;
    const { act } = b.binding;
    const known = acts.get(act) ?? { act, frees: [], bringsOn: [], presses: '3' };
    const onlyThis = b.others.every((h) => h.act === act);
    (onlyThis ? known.frees : known.bringsOn).push(b);
    const presses = pressing(b.binding, today);
    if (presses < known.presses) known.presses = presses;
    acts.set(act, known);
  }
  return [...acts.values()]
    .sort(
      (a, b) =>
        b.frees.length - a.frees.length ||
        b.bringsOn.length - a.bringsOn.length ||
        (a.presses < b.presses ? -1 : a.presses > b.presses ? 1 : a.act < b.act ? -1 : 1),
    )
    .map(({ act, frees, bringsOn }) => ({ act, frees, bringsOn }));
}

/** Where each held car comes in that order, by its id: the Floor is read in it. */
export const rankByFreeing = (acts: readonly FreeingAct[]): Map<string, number> =>
  new Map(
    acts.flatMap(({ frees, bringsOn }, i) => [...frees, ...bringsOn].map((b) => [b.buildId, i] as const)),
  );
