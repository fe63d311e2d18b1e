/** Short ways to write a playbook down. */
import type { Work } from '../estimate/lines.ts';
import type { Need, Step } from './playbook.ts';

const MINUTES = 60;

/** A need with its reason; waits in hours. */
export const after = (
  step: string,
  reason: string,
  { atLeast, atMost }: { atLeast?: number; atMost?: number } = {},
): Need => ({
  step,
  reason,
  ...(atLeast === undefined ? {} : { waitAtLeast: Math.round(atLeast * MINUTES) }),
  ...(atMost === undefined ? {} : { waitAtMost: Math.round(atMost * MINUTES) }),
});

/** A step with its usual hours. */
export const step = (
  key: string,
  title: string,
  work: Work,
  hours: number,
  needs: readonly Need[] = [],
  more: Partial<Step> = {},
): Step => ({ key, title, work, minutes: Math.round(hours * MINUTES), needs, ...more });
