/** The number of a feature: FNV-1a over its UTF-16 units, 32 bits (Fowler, Noll, Vo; draft-eastlake-fnv). */
export function hashOf(feature: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < feature.length; i += 1) h = Math.imul(h ^ feature.charCodeAt(i), 0x01000193);
  return h >>> 0;
}
