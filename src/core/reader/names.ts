/** Names of people, customers, vendors and places are to the models what they name, not how they are called. */
import type { Word } from './words.ts';

interface Names {
  builds: readonly { customer?: string | undefined }[];
  people: readonly { name: string }[];
  vendors: readonly { name: string }[];
  places: readonly { name: string }[];
}

/** Words in names that say nothing of whose they are. */
const NO_NAME = /^(?:the|and|for|mr|mrs|ms|dr|miss|van|family|brothers|sons|old|big|little|young)$/;

/** The words, those that stand in a known name as the sign of what it names: `@person`, `@customer`, `@vendor`, `@place`. */
export function withoutNames(words: readonly Word[], { builds, people, vendors, places }: Names): Word[] {
  const signs = new Map<string, string>();
  const add = (name: string, sign: string, ownWords: number): void => {
    for (const w of name
      .toLowerCase()
      .replaceAll('’', "'")
      .split(/[^\p{L}']+/u)
      .slice(0, ownWords))
      if (w.length > 2 && !NO_NAME.test(w)) signs.set(w.replace(/'s$/, ''), sign);
  };
  for (const { name } of places) if (!name.includes(' ')) add(name, '@place', 1);
  for (const { name } of vendors) add(name, '@vendor', 1);
  for (const { customer } of builds) if (customer) add(customer, '@customer', 3);
  for (const { name } of people) add(name, '@person', 3);
  return words.map((w) => {
    const own = /'s$/.test(w.norm) ? "'s" : '';
    const sign = signs.get(w.norm.replace(/'s$/, ''));
    return sign === undefined ? w : { ...w, norm: sign + own };
  });
}
