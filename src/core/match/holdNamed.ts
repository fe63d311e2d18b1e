/** Which open hold a line ends that was kept without anybody having been shown what it does. */
import type { DoneAct, OpenThing } from '../acts/acts.ts';
import { openHold, waitOf, type WaitEntry } from '../waits/waits.ts';
import { matchLine, type SaidLine } from './match.ts';

/** Kinds that may end a hold. */
const ENDING: readonly SaidLine['kind'][] = ['arrived', 'resumed'];

type Said = Pick<SaidLine, 'kind' | 'facts'>;

export const mayEnd = ({ kind, facts }: Said): boolean =>
  ENDING.includes(kind) && facts.subject !== undefined;

/** The one hold that it names whole, and no other in the same words; null where there is none. What it only may mean goes on. */
export function holdNamed(said: Said, holds: readonly OpenThing[]): string | null {
  if (!mayEnd(said)) return null;
  const [named] = matchLine(said, holds, '').does;
  return named?.likeness === 1 ? named.id : null;
}

/** The end of a hold, as its entry keeps it. */
export const released = (id: string): DoneAct => ({ act: 'release', type: 'hold', id, before: null });

/** Each entry with the hold that it ends: a logbook from elsewhere names things, and points at none. In the order of happening. */
export function withEnds<E extends Said & Pick<WaitEntry, 'id' | 'at' | 'text'>>(
  entries: readonly E[],
  timeZone: string,
): (E & { acts: DoneAct[] })[] {
  let open: OpenThing[] = [];
  return entries.map((e) => {
    if (e.kind === 'waiting') open.push(openHold(waitOf(e, timeZone)));
    const ended = holdNamed(e, open);
    open = open.filter((h) => h.id !== ended);
    return { ...e, acts: ended === null ? [] : [released(ended)] };
  });
}
