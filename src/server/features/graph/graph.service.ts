/** The graph of holds: what keeps each task and each build from going on, from one look at the shop. */
import { groupBy } from '#core/lists/groupBy.ts';
import { buildHolds, type BuildHolds } from '#core/graph/build.ts';
import { firstMove, type Ground, type TaskToDo } from '#core/graph/readiness.ts';
import { WORKS } from '#core/estimate/lines.ts';
import { withArticle } from '#core/log/sentences.ts';
import type { PauseSide } from '#core/pauses/pauses.ts';
import { whoIsAway, type Hand } from '#core/shop/away.ts';
import { dayOf } from '#core/time/days.ts';
import type { Hold } from '#core/waits/binding.ts';
import { saidHold } from '#core/waits/said.ts';
import { typedHold, type Wait } from '#core/waits/waits.ts';
import type { Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { notFound } from '../../http/refusal.ts';
import { standingNow } from '../entries/index.ts';
import { workableLines, type WorkableLine } from '../estimate/index.ts';
import { awayByTask, awayPieces, type AwayPiece } from '../outwork/index.ts';
import { inItsTurn } from '../../turns.ts';
import { shopOf } from '../session/index.ts';
import * as q from './graph.queries.ts';
import { tasksByBuild } from './tasks.queries.ts';

/** A build in the graph. */
export interface BuildNode extends BuildHolds {
  buildId: string;
  nickname: string;
  tasks: readonly TaskToDo[];
  ground: Ground;
  /** Pieces that tasks need and that are not here, in words, by the task. */
  away: ReadonlyMap<string, string[]>;
  /** Lines that may be worked on or could be; of all builds, only where a task waits for one. */
  lines: readonly WorkableLine[];
  /** What somebody typed that it waits for. */
  waits: readonly Wait[];
}

interface Shop {
  now: string;
  timeZone: string;
  builds: q.BuildRow[];
  hands: Hand[];
}

const on = (shop: Shop, instant: string): string => dayOf(instant, shop.timeZone);

const restAct = (side: PauseSide, customer: string): string =>
  side === 'customer' ? `ask ${customer} when it goes on` : 'say when it goes on';

/** What was said in the logbook, and what is asked of the customer. */
function saidHolds(shop: Shop, b: q.BuildRow): Hold[] {
  const names = {
    customer: b.customer,
    people: shop.hands.map((h) => h.name),
    cars: shop.builds.filter((o) => o.id !== b.id).map((o) => o.nickname),
  };
  // A part or piece that is waited for holds by itself.
  const free = b.waits.filter((w) => w.about === undefined);
  const said = free.map((w): Hold => {
    const typed = { ...typedHold(w), entryId: w.entryId };
    // What it rests for is a sentence of its own, said by whoever let it rest.
    if (w.entryId === b.rests?.entryId)
      return { ...typed, kind: 'said', act: restAct(b.rests.side, b.customer), what: w.subject };
    return { ...typed, ...saidHold(w, names) };
  });
  if (b.askedAt === null) return said;
  const asked: Hold = {
    kind: 'answer',
    what: `${b.customer}’s answer to the estimate`,
    since: on(shop, b.askedAt),
    until: null,
    act: `ring ${b.customer}`,
  };
  return [...said, asked];
}

/** The pause that a build is in, as its logbook says it. */
function restOf(b: q.BuildRow): Ground['rest'] {
  const wait = b.rests && b.waits.find((w) => w.entryId === b.rests!.entryId);
  if (!b.rests || !wait) return null;
  return {
    words: wait.subject,
    act: restAct(b.rests.side, b.customer),
    since: wait.since,
    until: wait.due ?? null,
  };
}

const PART_ACTS = {
  'to find': 'find where to get it',
  'to order': 'order it',
  wrong: 'send it back, or get another',
} as const;

const partHold = (shop: Shop, p: q.OpenPart): Hold => ({
  kind: 'part',
  what: `${withArticle(p.what)}${p.vendor === '' ? '' : ` from ${p.vendor}`}`,
  since: on(shop, p.madeAt),
  until: p.state === 'ordered' ? p.due : null,
  act:
    p.state === 'ordered'
      ? `ring ${p.vendor || 'the supplier'}`
      : PART_ACTS[p.state as keyof typeof PART_ACTS],
});

/** What each task waits for of the parts. */
function partsByTask(shop: Shop, parts: readonly q.OpenPart[]): Map<string, Hold[]> {
  const byTask = groupBy(
    parts.filter((p) => p.taskId !== null),
    (p) => p.taskId!,
  );
  return new Map([...byTask].map(([taskId, of]) => [taskId, of.map((p) => partHold(shop, p))]));
}

/** A piece that is not here, and what would bring it. */
function awayHold({ state, words, vendor, since, back }: AwayPiece): Hold {
  const act = {
    off: 'send it, or its batch',
    out: `ring ${vendor}`,
    missing: `ring ${vendor} and have it searched for today`,
  }[state];
  return { kind: 'batch', what: words, since, until: back?.likely ?? null, act };
}

/**
 * The builds that are here, or the one that is asked about, each with what holds it and its tasks.
 *
 * @param withPrices whether a line that is not agreed says so with its price
 */
export async function graphOf(
  tx: Tx,
  deps: Deps,
  { only, withPrices = false }: { only?: string; withPrices?: boolean } = {},
): Promise<BuildNode[]> {
  const now = deps.clock.now();
  const { timeZone } = await shopOf(tx);
  const today = dayOf(now, timeZone);
  const [hands, builds, { places, standing }, parts, pieces, tasks] = await Promise.all([
    q.hands(tx),
    q.buildRows(tx, only),
    standingNow(tx),
    q.openParts(tx, only),
    awayPieces(tx, only ?? null),
    tasksByBuild(tx, only),
  ]);
  const shop: Shop = { now, timeZone, builds, hands };
  const awayHands = new Map(WORKS.map((work) => [work, whoIsAway(work, hands, today)]));
  const away = awayByTask(pieces);
  const asked = shop.builds.filter((build) => only === undefined || build.id === only);
  return Promise.all(
    asked.map(async (b): Promise<BuildNode> => {
      const own = <T extends { buildId: string }>(of: readonly T[]): T[] =>
        of.filter((x) => x.buildId === b.id);
      const ofBuild = (tasks.get(b.id) ?? []).map((t): TaskToDo => ({
        ...t,
        task: { ...t.task, away: away.get(t.task.id) ?? [] },
      }));
      const needsLines =
        only !== undefined || ofBuild.some((t) => t.task.state === 'to do' && t.lineId !== null);
      const lines = needsLines ? await workableLines(tx, deps, b.id, withPrices) : [];
      const idleSince = on(shop, b.lastAt);
      return inItsTurn(tx, () => {
        const ground: Ground = {
          now,
          timeZone,
          build: { id: b.id, customer: b.customer, placeKind: b.placeKind, idleSince },
          tasks: new Map(ofBuild.map((t) => [t.task.id, t.task])),
          lines: new Map(lines.map((l) => [l.id, l])),
          places,
          standing,
          away: awayHands,
          owed: b.owed,
          parts: partsByTask(shop, own(parts)),
          rest: restOf(b),
        };
        const holds = buildHolds({
          tasks: ofBuild,
          ground,
          isWorkedOn: b.isWorkedOn,
          nextStep: b.nextStep,
          apart: [
            ...saidHolds(shop, b),
            ...own(parts).map((p) => partHold(shop, p)),
            ...own(pieces).map(awayHold),
          ],
          idleSince,
        });
        return {
          buildId: b.id,
          nickname: b.nickname,
          tasks: ofBuild,
          ground,
          away,
          lines,
          waits: b.waits,
          ...holds,
        };
      });
    }),
  );
}

/** One build in the graph. */
export async function nodeOf(tx: Tx, deps: Deps, buildId: string, withPrices: boolean): Promise<BuildNode> {
  const [node] = await graphOf(tx, deps, { only: buildId, withPrices });
  if (!node) throw notFound('build');
  return node;
}

/** What holds one task up now, and where its car has to be moved first; empty where it can be begun. */
export const readinessIn = (node: BuildNode, taskId: string) => {
  const task = node.tasks.find((t) => t.task.id === taskId);
  return { holds: node.ofTasks.get(taskId) ?? [], first: task ? firstMove(task, node.ground) : null };
};
