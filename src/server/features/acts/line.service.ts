/** Lines of the log: kept with what they do, put right, taken back. */
import type { EntryAddDto, EntryCorrectDto, EntryView, SaidManyDto } from '#contract/entries.ts';
import type { DoneAct, LineAct } from '#core/acts/acts.ts';
import { holdNamed, mayEnd } from '#core/match/holdNamed.ts';
import { openHold } from '#core/waits/waits.ts';
import { holdName } from '../../db/lock.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound, Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { buildForUpdate, openWaitsOf, sayNext, type BuildKey } from '../builds/index.ts';
import {
  addLineIn,
  correctable,
  correctIn,
  entryById,
  entryShown,
  holdsAfter,
  seesPrices,
  wasTakenBack,
  whenIn,
  type Revision,
} from '../entries/index.ts';
import { revisePiece } from '../outwork/index.ts';
import { revisePart } from '../parts/index.ts';
import { shopOf } from '../session/index.ts';
import { revisePlan } from '../work/index.ts';
import { prepareActs, takeBackAll } from './apply.ts';

/** Batches are held before builds wherever pieces come and go, so that two acts do not wait for each other. */
async function holdBatches(tx: Tx, acts: readonly { type: string }[]): Promise<void> {
  if (acts.some((a) => a.type === 'piece')) await holdName(tx, 'batches');
}

/** A line that was kept before anybody was shown what it does, without a network, ends the hold that it names whole. */
async function withEnd(tx: Tx, build: BuildKey, line: EntryAddDto): Promise<EntryAddDto> {
  if (!mayEnd(line)) return line;
  const id = holdNamed(line, (await openWaitsOf(tx, build.id)).map(openHold));
  return id === null ? line : { ...line, does: [{ act: 'release', type: 'hold', id }] };
}

/** Keeps a line and does what it does. The same id again is the same line, and does nothing a second time. */
async function keepLine(
  tx: Tx,
  deps: Deps,
  who: SignedIn,
  build: BuildKey,
  line: EntryAddDto,
  prefix?: string,
): Promise<void> {
  // The shop is asked for below; side by side they are one statement while others wait for the car.
  const [known] = await Promise.all([entryById(tx, line.id), shopOf(tx)]);
  if (known?.acts) {
    if (known.build_id === build.id && known.text === line.text.trim()) return;
    throw new Refusal('conflict', 'Another entry was kept under this id already.');
  }
  const { done, prepared } = known
    ? { done: { about: null, acts: null }, prepared: [] }
    : await prepareActs({
        tx,
        deps,
        who,
        build,
        line: line.does === undefined ? await withEnd(tx, build, line) : line,
        at: await whenIn(tx, deps, line),
      });
  // Where an act knows better than the words what the entry is: whether a task was begun, how long a spell took.
  const said = prepared.find((p) => p.said)?.said;
  await addLineIn(tx, deps, who, build, said ? { ...line, ...said } : line, done, prefix);
  for (const p of prepared) await p.perform();
}

export const addEntry = (deps: Deps, who: SignedIn, buildId: string, line: EntryAddDto): Promise<EntryView> =>
  inShop(deps.db, who.shopId, async (tx) => {
    await holdBatches(tx, line.does ?? []);
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('build');
    await keepLine(tx, deps, who, build, line);
    return entryShown(tx, who, line.id);
  });

/**
 * Keeps a run of speech about several cars: all of it, or none. What is next for a car is what was said last, whatever stood there.
 * Builds are held in the order of their ids, so that two runs at once do not wait for each other.
 */
export const keepSaid = (
  deps: Deps,
  who: SignedIn,
  { lines, nexts, agoMs }: SaidManyDto,
): Promise<{ kept: number }> => {
  if (nexts.length > 0 && !seesPrices(who))
    throw new Refusal('forbidden', 'What is next for a car is for the desk to say. Nothing was kept.');
  return inShop(deps.db, who.shopId, async (tx) => {
    await holdBatches(
      tx,
      lines.flatMap((l) => l.does ?? []),
    );
    const builds = new Map<string, BuildKey>();
    for (const id of [...new Set([...lines, ...nexts].map((x) => x.buildId))].sort()) {
      const build = await buildForUpdate(tx, id);
      if (!build) throw notFound('build');
      builds.set(id, build);
    }
    for (const [i, { buildId, ...line }] of lines.entries()) {
      const written = { ...line, ...(agoMs !== undefined && { agoMs }) };
      await keepLine(tx, deps, who, builds.get(buildId)!, written, `lines.${i}.facts`);
    }
    for (const { buildId, next } of nexts) await sayNext(tx, buildId, next.trim());
    return { kept: lines.length + nexts.length };
  });
};

/**
 * Corrects an entry, or withdraws it; the first words stay in the logbook. What a withdrawn entry did is taken back, and so is what
 * one did that is of another kind now. Answers the entry as it holds now.
 */
export const correctEntry = async (
  deps: Deps,
  who: SignedIn,
  buildId: string,
  dto: EntryCorrectDto,
): Promise<EntryView> => {
  const holds = holdsAfter(dto);
  return inShop(deps.db, who.shopId, async (tx) => {
    const acts = (await entryById(tx, dto.correctsId))?.acts ?? [];
    await holdBatches(tx, acts);
    const build = await buildForUpdate(tx, buildId);
    if (!build) throw notFound('entry');
    const { row, before } = await correctable(tx, who, buildId, dto.correctsId);
    const isNew = !(await entryById(tx, dto.id));
    if (isNew && acts.length > 0 && !(await wasTakenBack(tx, row))) {
      if (holds === 'withdrawn' || holds.kind !== row.kind) await takeBackAll(tx, deps, acts, row.id);
      else await revise(tx, deps, acts, { was: before.facts, now: holds.facts }, row.id);
    }
    await correctIn(tx, deps, who, build, dto, holds);
    return entryShown(tx, who, dto.correctsId);
  });
};

/** What an act took from the entry's facts follows them: hours are read from the entry itself, an order has its own. */
async function revise(
  tx: Tx,
  deps: Deps,
  acts: readonly DoneAct[],
  revision: Revision,
  entryId: string,
): Promise<void> {
  for (const done of acts)
    if (done.type === 'part') await revisePart(tx, done, revision, entryId);
    else if (done.type === 'piece') await revisePiece(tx, deps, done, revision);
    else if (done.act === ('plan' satisfies LineAct) && acts.length === 1)
      await revisePlan(tx, done, revision);
}
