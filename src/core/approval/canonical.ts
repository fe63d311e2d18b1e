/** One text for one content, whatever order its keys came in: what hashes and comparisons are made over. */

/** Keys in one order, at every depth; absent values left out. */
function inOrder(value: unknown): unknown {
  if (typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map(inOrder);
  return Object.fromEntries(
    Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => [k, inOrder(v)]),
  );
}

/**
 * JSON with sorted keys and no spaces, as RFC 8785 (JSON canonicalisation) writes objects, strings and whole numbers. Keys
 * sort by UTF-16 code units, as there.
 */
export const canonical = (content: unknown): string => JSON.stringify(inOrder(content));
