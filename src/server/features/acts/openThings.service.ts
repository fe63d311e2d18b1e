/**
 * What is open on a car: parts, pieces that are away, tasks, agreed lines without tasks, holds, jobs, what is to be put right, and what
 * the customer asked.
 */
import type { OpenThingsView } from '#contract/entries.ts';
import type { OpenThing } from '#core/acts/acts.ts';
import { wordsAt } from '#core/graph/readiness.ts';
import { shortened } from '#core/log/shortened.ts';
import { openHold } from '#core/waits/waits.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { seesPrices } from '../entries/index.ts';
import { nodeOf, type BuildNode } from '../graph/index.ts';
import { liveJobs } from '../jobs/index.ts';
import { questionsOf } from '../questions/index.ts';
import { snagsOf } from '../snags/index.ts';
import * as q from './openThings.queries.ts';

/** Why work on a task cannot be begun, as its start would be refused. */
function whyNotOf({ ofTasks, ground }: BuildNode, taskId: string): { whyNot?: string } {
  const holds = ofTasks.get(taskId) ?? [];
  return holds.length === 0 ? {} : { whyNot: holds.map((h) => wordsAt(h, ground.now)).join('; ') };
}

const tasksOf = (node: BuildNode, mine: ReadonlySet<string>): OpenThing[] =>
  node.tasks
    .filter(({ task }) => task.state === 'to do' || task.state === 'going')
    .map(({ task: { id, title, state } }) => ({
      type: 'task',
      id,
      name: title,
      state,
      ...(mine.has(id) ? { isMine: true } : {}),
      ...whyNotOf(node, id),
    }));

/** Hours go to the tasks of a line where it has any. */
const linesOf = ({ lines, tasks }: BuildNode): OpenThing[] =>
  lines
    .filter((l) => !tasks.some((t) => t.lineId === l.id && t.task.state !== 'dropped'))
    .map(({ id, title, state, whyNot }) => ({
      type: 'line',
      id,
      name: title,
      state,
      ...(whyNot === null ? {} : { whyNot }),
    }));

/** Questions are for the desk to answer. */
const openQuestions = async (tx: Tx, who: SignedIn, buildId: string): Promise<OpenThing[]> =>
  seesPrices(who)
    ? (await questionsOf(tx, buildId)).flatMap(({ id, name, text, answeredAt }) =>
        answeredAt === null
          ? [{ type: 'question', id, name: `“${shortened(text, 60)}” (${name})`, state: '' }]
          : [],
      )
    : [];

export const readOpenThings = (deps: Deps, who: SignedIn, buildId: string): Promise<OpenThingsView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    const node = await nodeOf(tx, deps, buildId, seesPrices(who));
    const counted = await q.countedThings(tx, buildId);
    const mine = new Set(await q.tasksUnderHand(tx, buildId, who.personId));
    const holds = node.waits.map(openHold);
    const jobs = (await liveJobs(tx, buildId)).map(({ id, title }): OpenThing => ({
      type: 'job',
      id,
      name: title,
      state: '',
    }));
    const snags = (await snagsOf(tx, buildId)).flatMap(({ id, what, state }): OpenThing[] =>
      state === 'open' ? [{ type: 'snag', id, name: what, state: '' }] : [],
    );
    const questions = await openQuestions(tx, who, buildId);
    return {
      buildId,
      things: [
        ...counted,
        ...tasksOf(node, mine),
        ...linesOf(node),
        ...holds,
        ...jobs,
        ...snags,
        ...questions,
      ],
    };
  });
