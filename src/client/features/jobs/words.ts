/** How the states of a job are said on screen, and where its next step is taken. */
import type { JobState } from '#core/jobs/jobs.ts';

export const JOB_WORDS: Record<JobState, string> = {
  found: 'Found',
  priced: 'Priced, not sent yet',
  asked: 'Waiting for an answer',
  'put off': 'Put off',
  declined: 'Declined',
  planned: 'Planned',
  agreed: 'Agreed',
  'in work': 'In work',
  done: 'Done',
  'handed over': 'Handed over',
};

/** The page on which a job in this state goes on, and what is done there. */
export const NEXT_STEP: Partial<Record<JobState, { to: string; words: string; isDesk?: true }>> = {
  found: { to: 'estimate', words: 'Price it', isDesk: true },
  priced: { to: 'estimate', words: 'Send the estimate', isDesk: true },
  asked: { to: 'estimate', words: 'See the estimate', isDesk: true },
  planned: { to: 'work', words: 'To the work' },
  agreed: { to: 'work', words: 'To the work' },
  'in work': { to: 'work', words: 'To the work' },
};
