/**
 * From symptom to cause: what the customer noticed, what was ruled out, what was found to cause it, what proves it. So
 * that “came in with a wet carpet, needs a screen frame” stands on one page with its evidence.
 */

/** What an entry of the logbook says about a symptom. */
export const SYMPTOM_ROLES = ['ruled out', 'cause', 'proof'] as const;
export type SymptomRole = (typeof SYMPTOM_ROLES)[number];

export interface SymptomLink {
  entryId: string;
  role: SymptomRole;
  kind: string;
  /** Whether photographs belong to the entry. */
  hasPhotos: boolean;
}

/**
 * What is still missing before the symptom is explained, or null. A cause counts as shown by its own photographs, or by
 * an entry that proves it: a reading, a test, what happened when it was put right.
 */
export function whyNotExplained(links: readonly SymptomLink[]): string | null {
  const causes = links.filter((l) => l.role === 'cause');
  if (causes.length === 0)
    return links.length === 0 ? 'not looked into yet' : 'no cause found yet, only what it is not';
  const proven = links.some((l) => l.role === 'proof') || causes.some((l) => l.hasPhotos);
  return proven ? null : 'a cause is named, but nothing shows it yet: take a picture or a reading';
}

/** Why an entry cannot play this part, or null. */
export function whyNotRole(role: SymptomRole, kind: string): string | null {
  return role === 'cause' && kind !== 'found'
    ? 'only a finding can be the cause: log what was found first'
    : null;
}
