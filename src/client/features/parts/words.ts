import type { PartAct, PartState } from '#core/parts/parts.ts';

/** What a press on a part says, as the next act. */
export const ACT_WORDS: Record<PartAct, string> = {
  found: 'I know where',
  order: 'Order',
  'new date': 'New date',
  arrive: 'It is here',
  fit: 'Fit',
  failed: 'It failed',
  'send back': 'Send back',
  'core sent': 'Old one sent back',
  credited: 'Credited',
  'old one settled': 'They have said',
  'take up again': 'Needed again',
};

export const STATE_HEADS: Record<PartState, string> = {
  'to find': 'To find',
  'to order': 'To order',
  ordered: 'Ordered',
  arrived: 'Here, not fitted',
  wrong: 'Wrong, to be dealt with',
  fitted: 'Fitted',
  returned: 'Sent back',
};
