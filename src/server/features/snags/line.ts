/** What is to be put right, as a line of the log ends it; and how that is taken back. */
import type { DoneAct } from '#core/acts/acts.ts';
import { whyNotEnd, type SnagState } from '#core/snags/snags.ts';
import { invalidAt, notFound } from '../../http/refusal.ts';
import type { Prepare, TakeBack } from '../entries/index.ts';
import * as q from './snags.queries.ts';

/** How it was ended: `right`, or `left` as it is. */
interface SnagBefore {
  state: SnagState;
}

export const snagEnded = (id: string, act: 'put right' | 'leave'): DoneAct<SnagBefore> => ({
  act,
  type: 'snag',
  id,
  before: { state: 'open' },
});

export const prepareSnag: Prepare = async ({ tx, build, line, act }) => {
  const snag = await q.snagById(tx, build.id, act.id);
  if (!snag) throw notFound('snag');
  const [fault] = whyNotEnd(snag.state, { state: 'right', said: '' });
  if (fault) throw invalidAt('does', `“${snag.what}”: ${fault.reason}`);
  return {
    done: snagEnded(snag.id, 'put right'),
    // “Boot handle put right” is work done, whatever it was read as.
    ...(line.kind === 'note' ? { said: { kind: 'did' as const, facts: line.facts } } : {}),
    perform: async () => {
      await q.endSnag(tx, { id: snag.id, state: 'right', entryId: line.id });
    },
  };
};

/** It is open again, unless another entry ended it. */
export const takeBackOfSnag: TakeBack = async (tx, _deps, { id }, entryId) => {
  await q.reopenSnag(tx, { id, entryId });
};
