/** How a logbook leaves its build standing: what the Floor and the build page show without reading it all again. */
import type { Wait } from '../waits/waits.ts';
import type { KindSum } from './entries.ts';
import type { Facts, Kind } from './kinds.ts';

export interface Standing {
  sums: KindSum[];
  waits: Wait[];
  /** The newest thing that shows what is going on. */
  doing: { kind: Kind; text: string; at: string } | null;
  /** When the customer was last told something. */
  toldAt: string | null;
}

export const EMPTY_STANDING: Standing = { sums: [], waits: [], doing: null, toldAt: null };

/** Kinds of entry that show what is going on. */
export const DOING_KINDS = ['did', 'fitted', 'found', 'arrived'] as const satisfies readonly Kind[];

const WHOLE_CAR = /^(?:the )?(?:car|van|truck|lorry|bike|whole (?:thing|car)|it|her|shell|vehicle)$/i;

/** A "moved" entry names a place: did the whole car go there, or only a part of it? */
export function movesWholeCar(facts: Facts, nickname: string): boolean {
  if (facts.place === undefined) return false;
  return (
    facts.subject === undefined ||
    WHOLE_CAR.test(facts.subject) ||
    facts.subject.toLowerCase() === nickname.toLowerCase()
  );
}
