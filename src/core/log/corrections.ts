/** What may be corrected. */

/** What of an entry the rule looks at. */
interface Correctable {
  kind: string;
  hasMoney: boolean;
  aboutType: string | null;
}

/** Why this entry cannot be corrected by somebody who does or does not see prices; null when it can. */
export function whyNotCorrect(entry: Correctable, seesPrices: boolean): string | null {
  if (entry.kind === 'correction')
    return 'That is a correction already: correct the entry that it puts right.';
  if (entry.aboutType === 'letter') return 'A sent letter cannot be unsent. Say it in the next one.';
  if (entry.aboutType === 'revision' || entry.aboutType === 'answer' || entry.aboutType === 'line')
    return 'What was sent and agreed stays as it was. Send a new revision, or take down a new answer.';
  if (entry.hasMoney && !seesPrices)
    return 'This entry carries a price. Ask the owner or the office to correct it.';
  return null;
}
