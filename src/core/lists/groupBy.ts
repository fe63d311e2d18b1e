/**
 * Things by what `keyOf` says of each, in the order in which each group was first met. As `Map.groupBy` (ECMAScript 2024), which
 * Node 20 does not have.
 */
export function groupBy<Thing, Key>(
  things: Iterable<Thing>,
  keyOf: (thing: Thing) => Key,
): Map<Key, Thing[]> {
  const groups = new Map<Key, Thing[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}
