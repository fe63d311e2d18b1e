/** What a line does to the things of its car, and how that is taken back: each kind of thing knows how. */
import { whyNotTogether, type ActOn, type DoneAct, type ThingType } from '#core/acts/acts.ts';
import { released } from '#core/match/holdNamed.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { invalidFields, notFound } from '../../http/refusal.ts';
import { openWaitsOf } from '../builds/index.ts';
import type { Done, LineCall, Prepare, Prepared, TakeBack } from '../entries/index.ts';
import { prepareJob, takeBackOfJob } from '../jobs/index.ts';
import { preparePiece, takeBackOfPiece } from '../outwork/index.ts';
import { preparePart, takeBackOfPart } from '../parts/index.ts';
import { prepareQuestion, takeBackOfQuestion } from '../questions/index.ts';
import { prepareSnag, takeBackOfSnag } from '../snags/index.ts';
import { prepareLine, prepareTask, takeBackOfLine, takeBackOfTask } from '../work/index.ts';

/** A hold that somebody typed ends with the entry that points at it; nothing else is changed. */
const prepareHold: Prepare = async ({ tx, build, act }) => {
  if (!(await openWaitsOf(tx, build.id)).some((w) => w.entryId === act.id)) throw notFound('hold');
  return { done: released(act.id), perform: async () => {} };
};

const THINGS: Record<ThingType, { prepare: Prepare; takeBack: TakeBack }> = {
  part: { prepare: preparePart, takeBack: takeBackOfPart },
  piece: { prepare: preparePiece, takeBack: takeBackOfPiece },
  task: { prepare: prepareTask, takeBack: takeBackOfTask },
  line: { prepare: prepareLine, takeBack: takeBackOfLine },
  job: { prepare: prepareJob, takeBack: takeBackOfJob },
  snag: { prepare: prepareSnag, takeBack: takeBackOfSnag },
  question: { prepare: prepareQuestion, takeBack: takeBackOfQuestion },
  hold: { prepare: prepareHold, takeBack: async () => {} },
};

/** The thing that an entry is about: the first that is no hold; what only ends a hold points at the entry that began it. */
function aboutOf(acts: readonly ActOn[]): Done['about'] {
  const thing = acts.find((a) => a.type !== 'hold');
  // An agreed line stays as it was agreed, whatever becomes of the hours on it.
  if (thing?.type === 'line') return null;
  if (thing) return { type: thing.type, id: thing.id };
  const hold = acts.find((a) => a.type === 'hold');
  return hold ? { type: 'entry', id: hold.id } : null;
}

/** Looks at every act of a line; refused where one cannot be, before anything is kept. */
export async function prepareActs(
  call: Omit<LineCall, 'act'>,
): Promise<{ done: Done; prepared: Prepared[] }> {
  const acts = call.line.does;
  if (acts === undefined) return { done: { about: null, acts: null }, prepared: [] };
  const faults = whyNotTogether(acts);
  if (faults.length > 0)
    throw invalidFields(faults.map(({ at, reason }) => ({ field: `does.${at}`, reason })));
  const prepared: Prepared[] = [];
  for (const act of acts) prepared.push(await THINGS[act.type].prepare({ ...call, act }));
  return { done: { about: aboutOf(acts), acts: prepared.map((p) => p.done) }, prepared };
}

/** Takes back what an entry did, the last first. */
export async function takeBackAll(
  tx: Tx,
  deps: Deps,
  acts: readonly DoneAct[],
  entryId: string,
): Promise<void> {
  for (const done of [...acts].reverse()) await THINGS[done.type].takeBack(tx, deps, done, entryId);
}
