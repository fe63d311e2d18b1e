import type { Uncharged } from '#core/costs/costs.ts';

/** Where something lies that no line bears. */
export const UNCHARGED_WORDS: Record<Uncharged, string> = {
  task: 'tasks on no line',
  warranty: 'our own work put right',
  shop: 'the shop’s own cost',
  nowhere: 'belongs nowhere yet',
};
