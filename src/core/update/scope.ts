/** How much somebody who is told of a car beside its customer may see. */
import type { Letter } from './letter.ts';

export const SCOPES = ['letters', 'money', 'approve'] as const;
/** Letters only, without money; with money; may answer an estimate too. */
export type Scope = (typeof SCOPES)[number];

export const SCOPE_WORDS: Readonly<Record<Scope, string>> = {
  letters: 'the letters, without money',
  money: 'everything, with money',
  approve: 'everything, and may answer estimates',
};

/** Parts of a letter that are of money as a whole: what it cost, and what is to be decided, with its price. */
const OF_MONEY: ReadonlySet<string> = new Set(['costs', 'decide']);

/** A letter without its parts of money. What its other words say of money is for the caller to hide. */
export const withoutMoneyParts = (letter: Letter): Letter => ({
  ...letter,
  parts: letter.parts.filter((p) => !OF_MONEY.has(p.id)),
});

/** What is bold and where words lead holds for the words as they were: not where some were hidden. */
export const withMarksOf = (hidden: Letter, whole: Letter): Letter => {
  const before = new Map(whole.parts.flatMap((p) => p.items.map((i) => [i.id, i.text])));
  return {
    ...hidden,
    parts: hidden.parts.map((p) => ({
      ...p,
      items: p.items.map(({ marks, ...item }) =>
        marks && before.get(item.id) === item.text ? { ...item, marks } : item,
      ),
    })),
  };
};
