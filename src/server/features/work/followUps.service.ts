/** What is due after hand-over, by date or by miles. */
import { v7 as uuidv7 } from 'uuid';
import { type FollowUpDoneDto, type WorkView } from '#contract/work.ts';
import { inSentence } from '#core/log/sentences.ts';
import { addDays } from '#core/time/days.ts';
import { type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { logIn } from '../entries/index.ts';
import * as q from './work.queries.ts';

import { changingWork } from './workNow.ts';
/** Makes what is due after a task that was done on this day. */
export async function makeFollowUps(tx: Tx, task: q.TaskRow, doneOn: string): Promise<void> {
  await q.dropFollowUps(tx, task.id);
  for (const rule of task.content.followUps ?? [])
    await q.insertFollowUp(tx, {
      id: uuidv7(),
      buildId: task.build_id,
      taskId: task.id,
      title: rule.title,
      dueOn: rule.days === undefined ? null : addDays(doneOn, rule.days),
      dueMiles: rule.miles ?? null,
    });
}

/** A follow-up that was done: said in the logbook. */
export const finishFollowUp = (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  followUpId: string,
  { said, entryId }: FollowUpDoneDto,
): Promise<WorkView> =>
  changingWork(deps, who, buildId, async (tx, build) => {
    const known = await q.followUpById(tx, followUpId);
    if (known?.build_id !== buildId) throw notFound('follow-up');
    if (known.done_at !== null) return;
    await logIn(tx, deps, build, {
      id: entryId,
      personId: who.personId,
      kind: 'did',
      text: `did ${inSentence(known.title)}: ${said.trim()}`,
      facts: { subject: known.title.slice(0, 300) },
      about: { type: 'follow-up', id: followUpId },
    });
    await q.finishFollowUp(tx, followUpId, deps.clock.now());
  });
