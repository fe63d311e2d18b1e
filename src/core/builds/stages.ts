/** The stages of a build, from arrival to the file. */

export const STAGES = ['open', 'finished', 'handed over', 'closed'] as const;
export type Stage = (typeof STAGES)[number];

/** Where each stage may lead; `open` from anywhere is to reopen. */
const LEADS_TO: Record<Stage, readonly Stage[]> = {
  open: ['finished', 'handed over', 'closed'],
  finished: ['handed over', 'closed', 'open'],
  'handed over': ['closed', 'open'],
  closed: ['open'],
};

export const stagesAfter = (stage: Stage): readonly Stage[] => LEADS_TO[stage];

export interface StageChange {
  from: Stage;
  to: Stage;
  /** Lines without which it may not be driven, in words. */
  notRoadworthy: readonly string[];
  /** Who asks is the owner. */
  isOwner: boolean;
  /** What the owner says to a hand-over of a car that is not roadworthy. */
  word: string;
  /** Another open build bears this name already. */
  nameTaken: boolean;
}

/** Why the build cannot go to that stage, at a field, or null. */
export function whyNotStage(c: StageChange): { field: 'to' | 'word' | 'nickname'; reason: string } | null {
  if (!LEADS_TO[c.from].includes(c.to))
    return { field: 'to', reason: `it is ${c.from}, and cannot become ${c.to}` };
  if (c.to === 'open' && c.nameTaken)
    return { field: 'nickname', reason: 'another open build has its nickname: change one of them first' };
  if (c.to !== 'handed over' || c.notRoadworthy.length === 0) return null;
  if (!c.isOwner)
    return { field: 'to', reason: 'it is not roadworthy: only the owner can hand it over, in so many words' };
  return c.word.trim() === ''
    ? { field: 'word', reason: 'it is not roadworthy: say why it goes all the same, and how' }
    : null;
}

const WORDS: Record<Stage, string> = {
  open: 'Reopened',
  finished: 'Finished',
  'handed over': 'Handed over',
  closed: 'Closed',
};

/** What the logbook says of it. */
export function stageInWords({
  to,
  word,
  notRoadworthy,
}: Pick<StageChange, 'to' | 'word' | 'notRoadworthy'>): string {
  const not =
    to === 'handed over' && notRoadworthy.length > 0 ? `, not roadworthy (${notRoadworthy.join('; ')})` : '';
  const said = word.trim();
  return `${WORDS[to]}${not}${said === '' ? '' : `: ${said}`}`;
}
