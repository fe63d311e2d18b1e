/** A job, as a line of the log adds to it; and how what was done to jobs is taken back. */
import type { DoneAct } from '#core/acts/acts.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { Prepare, TakeBack } from '../entries/index.ts';
import * as q from './jobs.queries.ts';
import type { JobBefore } from './jobs.service.ts';

/** What was found belongs to a job that is there already, and begins none. */
export const prepareJob: Prepare = async ({ tx, build, line, act }) => {
  const job = await q.jobById(tx, act.id);
  if (job?.buildId !== build.id) throw notFound('job');
  return {
    done: { act: act.act, type: 'job', id: job.id, before: null },
    perform: async () => {
      await q.setJobOf(tx, line.id, job.id);
    },
  };
};

/** Joined or split: what is still where it was put goes back. Added: the entry is of no job any more. */
export const takeBackOfJob: TakeBack = async (tx, _deps, done, entryId) => {
  const { id, before } = done as DoneAct<JobBefore>;
  if (before === null) return void (await q.setJobOf(tx, entryId, null));
  const here = new Set((await q.rootsOf(tx, before.to)).map((r) => r.id));
  if (before.ids.some((of) => !here.has(of)))
    throw new Refusal(
      'conflict',
      `Something of “${(await q.jobById(tx, id))!.title}” was moved since: take that back first. Nothing was changed.`,
    );
  await q.moveRoots(tx, { ids: before.ids, from: before.to, to: before.from });
};
