/** Cars by the first name of their customer. */
import { isAlsoAWord } from '../../update/commonNames.ts';
import type { NameIndex } from '../names.ts';
import type { CaptureContext } from '../types.ts';

const known = new WeakMap<CaptureContext, NameIndex>();

/** First names of customers, where only one car has such a customer, nobody of the shop is called so, and it is no word. */
export function ownersOf(context: CaptureContext): NameIndex {
  const made = known.get(context) ?? ownersIn(context);
  known.set(context, made);
  return made;
}

function ownersIn({ builds, people }: CaptureContext): NameIndex {
  const firstOf = (name: string): string => (name.split(/\s+/)[0] ?? '').toLowerCase();
  const ours = new Set(people.map((p) => firstOf(p.name)));
  const owned = builds.flatMap(({ customer, ...build }) => {
    const first = firstOf(customer ?? '');
    return first.length < 3 || ours.has(first) || isAlsoAWord(first) ? [] : [{ build, first }];
  });
  const sole = owned.filter((o) => owned.every((p) => p === o || p.first !== o.first));
  return new Map(sole.map(({ build, first }) => [first, [{ words: [first], known: build }]]));
}
