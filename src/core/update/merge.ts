/**
 * Two people at one letter. What each changed is put together sentence by sentence; where both changed the same one, the
 * words of the one who asks stay, and the place is named so that they may look.
 */
import { allItems, type Letter, type LetterItem, type LetterPart } from './letter.ts';

export interface Merged {
  letter: Letter;
  /** Where both changed the same: ids of sentences, or the subject, greeting or closing. */
  clashes: string[];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/** One thing that both may have changed since `base`. */
function pick<T>(base: T, mine: T, theirs: T, onClash: () => void): T {
  if (same(mine, theirs) || same(mine, base)) return theirs;
  if (!same(theirs, base)) onClash();
  return mine;
}

/** What of a sentence changes as one: its words with what is bold in them; whether it is told; its pictures. */
function mergeItem(
  base: LetterItem | undefined,
  mine: LetterItem,
  theirs: LetterItem,
  clash: () => void,
): LetterItem {
  if (theirs.fixed) return { ...theirs, leftOut: pick(base?.leftOut, mine.leftOut, theirs.leftOut, clash)! };
  const words = ({ text, marks }: Partial<LetterItem>) => ({ text: text ?? '', marks: marks ?? [] });
  const { text, marks } = pick(words(base ?? {}), words(mine), words(theirs), clash);
  const media = pick(base?.media, mine.media, theirs.media, clash);
  const merged: LetterItem = {
    ...theirs,
    text,
    leftOut: pick(base?.leftOut, mine.leftOut, theirs.leftOut, clash)!,
  };
  delete merged.marks;
  delete merged.media;
  return { ...merged, ...(marks.length > 0 ? { marks } : {}), ...(media ? { media } : {}) };
}

/**
 * What `mine` and `theirs` made of `base`, put together. In the order of `theirs`; sentences that only one of them added
 * are there, at the end of their part. A sentence that they took away is gone unless it was changed here.
 */
export function mergeLetters(base: Letter, mine: Letter, theirs: Letter): Merged {
  const clashes = new Set<string>();
  const before = new Map(allItems(base).map((i) => [i.id, i]));
  const here = new Map(allItems(mine).map((i) => [i.id, i]));
  const there = new Set(allItems(theirs).map((i) => i.id));
  const stays = (item: LetterItem): boolean =>
    !there.has(item.id) && !item.fixed && !same(before.get(item.id), item);
  const merged = theirs.parts.map((part): LetterPart => {
    const own = mine.parts.find((p) => p.id === part.id);
    const items = part.items.flatMap((item): LetterItem[] => {
      const ours = here.get(item.id);
      if (ours) return [mergeItem(before.get(item.id), ours, item, () => clashes.add(item.id))];
      // Taken away here since, or new there.
      return before.has(item.id) && same(before.get(item.id), item) ? [] : [item];
    });
    return { ...part, items: [...items, ...(own?.items.filter(stays) ?? [])] };
  });
  const added = mine.parts
    .filter((p) => !theirs.parts.some((t) => t.id === p.id) && p.items.some(stays))
    .map((p) => ({ ...p, items: p.items.filter(stays) }));
  const words = (where: 'subject' | 'greeting' | 'closing'): string =>
    pick(base[where], mine[where], theirs[where], () => clashes.add(where));
  const meant = [...new Set([...(theirs.meant ?? []), ...(mine.meant ?? [])])];
  return {
    letter: {
      subject: words('subject'),
      greeting: words('greeting'),
      parts: [...merged, ...added],
      closing: words('closing'),
      ...(meant.length > 0 ? { meant } : {}),
    },
    clashes: [...clashes],
  };
}
