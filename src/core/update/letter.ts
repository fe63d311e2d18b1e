/** A letter as it is kept and sent: plain words in order, each sentence knowing where it comes from. */
import type { LetterSection } from '../log/kinds.ts';
import type { TextMark } from './rich.ts';

/** One sentence of a letter, with the entries it tells and whether the owner leaves it out. */
export interface LetterItem {
  id: string;
  text: string;
  /** What of the text is bold, and what leads to an address. */
  marks?: readonly TextMark[];
  leftOut: boolean;
  /** Ids of the photographs that go with it. */
  media?: readonly string[];
  /** Worked out from the ledger: nobody types it, and it is worked out anew before it goes. */
  fixed?: boolean;
  /** What must be answered: it leads to the page on which it is. */
  answer?: boolean;
}

export type PartId = LetterSection | 'costs' | 'decide' | 'next';

export interface LetterPart {
  id: PartId;
  title: string;
  items: LetterItem[];
}

/** A letter as it is kept and sent: plain words in order. */
export interface Letter {
  subject: string;
  greeting: string;
  parts: LetterPart[];
  closing: string;
  /** Words of this letter that look like somebody else’s and were said to be meant. */
  meant?: readonly string[];
}

/** How much a customer wants to read. */
export const DETAILS = ['brief', 'full', 'enthusiast'] as const;
export type Detail = (typeof DETAILS)[number];

export const allItems = (letter: Letter): LetterItem[] => letter.parts.flatMap((p) => p.items);

/**
 * The letter with what is worked out as it is in `now`, part by part. What the owner left out stays out, what was typed
 * stays typed, and a sentence that is no longer so is gone.
 */
export function withFigures(letter: Letter, now: Letter): Letter {
  const out = new Set(allItems(letter).flatMap((i) => (i.leftOut ? [i.id] : [])));
  const fresh = (part: LetterPart): LetterItem[] =>
    part.items.filter((i) => i.fixed).map((i) => ({ ...i, leftOut: out.has(i.id) }));
  const kept = letter.parts.map((part) => {
    const same = now.parts.find((p) => p.id === part.id);
    const own = part.items.filter((i) => !i.fixed);
    return { ...part, items: same ? [...fresh(same), ...own] : own };
  });
  const added = now.parts
    .filter((p) => !letter.parts.some((k) => k.id === p.id) && p.items.some((i) => i.fixed))
    .map((p) => ({ ...p, items: fresh(p) }));
  return { ...letter, parts: [...kept, ...added] };
}

/** What is worked out and goes with the letter: whoever sends it has seen just this. */
export const figuresTold = (letter: Letter): string[] =>
  allItems(letter).flatMap((i) => (i.fixed && !i.leftOut ? [i.text] : []));
