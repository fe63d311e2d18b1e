/** What each build stands waiting for, worked out from its tasks, parts, places, questions and logbook. */
import type { BuildWaitView, WaitsView } from '#contract/waits.ts';
import { WORKS, type Work } from '#core/estimate/lines.ts';
import { fromVendor, withArticle } from '#core/log/sentences.ts';
import type { PauseSide } from '#core/pauses/pauses.ts';
import { freeOf, type PlaceToStand, type Standing } from '#core/plan/floorPlan.ts';
import { dayOf } from '#core/time/days.ts';
import { whoIsAway, type AwayHand, type Hand } from '#core/shop/away.ts';
import { bindingWait, type Hold } from '#core/waits/binding.ts';
import { waitedFor } from '#core/waits/waits.ts';
import { saidHold } from '#core/waits/said.ts';
import { waitingFor } from '#core/work/tasks.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import type { SignedIn } from '../../http/session.ts';
import { standingNow } from '../entries/index.ts';
import { workableLines } from '../estimate/index.ts';
import { awayByTask, awayPieces, type AwayPiece } from '../outwork/index.ts';
import { shopOf } from '../session/index.ts';
import { tasksByBuild, type TaskToDo } from '../work/index.ts';
import * as q from './waits.queries.ts';

interface Shop {
  now: string;
  timeZone: string;
  builds: q.BuildRow[];
  places: PlaceToStand[];
  /** What takes places up: cars, and pieces as large as one. */
  standing: Standing[];
  hands: Hand[];
  /** Whom each kind of work waits for today. */
  away: ReadonlyMap<Work, AwayHand | null>;
}

const on = (shop: Shop, instant: string): string => dayOf(instant, shop.timeZone);

const restActs = (side: PauseSide, customer: string): Pick<Hold, 'kind' | 'act'> => ({
  kind: 'said',
  act: side === 'customer' ? `ask ${customer} when it goes on` : 'say when it goes on',
});

/** What was said in the logbook, and what is asked of the customer. */
function saidHolds(shop: Shop, b: q.BuildRow): Hold[] {
  const names = {
    customer: b.customer,
    people: shop.hands.map((h) => h.name),
    cars: shop.builds.filter((o) => o.id !== b.id).map((o) => o.nickname),
  };
  const said = b.waits.map((w): Hold => {
    const { since, due: until = null } = w;
    // What it rests for is a sentence of its own, said by whoever let it rest.
    if (w.entryId === b.rests?.entryId)
      return { ...restActs(b.rests.side, b.customer), what: w.subject, since, until };
    return { ...saidHold(w, names), what: `${waitedFor(w)}${fromVendor(w.vendor)}`, since, until };
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

/** A piece that is not here, and what would bring it. */
function awayHold({ state, words, vendor, since, back }: AwayPiece): Hold {
  const act = {
    off: 'send it, or its batch',
    out: `ring ${vendor}`,
    missing: `ring ${vendor} and have it searched for today`,
  }[state];
  return { kind: 'batch', what: words, since, until: back?.likely ?? null, act };
}

/** A task that waits for its place: what is free, or who must make room. */
function placeHold(shop: Shop, b: q.BuildRow, task: TaskToDo): Hold {
  const { free, heldBy } = freeOf(task.place!, shop.places, shop.standing);
  const act = free
    ? `move it to ${free.name}, which is free`
    : heldBy.length > 0
      ? `move the ${heldBy.at(-1)!.nickname}`
      : `find a ${task.place} elsewhere`;
  return {
    kind: 'place',
    what: `a ${task.place} for “${task.task.title}”`,
    since: on(shop, b.lastAt),
    until: null,
    act,
    task: task.task.title,
  };
}

/** A task that waits for whoever does that kind of work. */
function personHold(shop: Shop, task: TaskToDo): Hold | null {
  const away = shop.away.get(task.work) ?? null;
  return (
    away && {
      kind: 'person',
      what: `${away.name} for “${task.task.title}”`,
      since: away.since,
      until: away.back,
      act: `find somebody else for ${task.work} work, or let it wait`,
      task: task.task.title,
    }
  );
}

const owedHold = (customer: string, o: q.OwedRow): Hold => ({
  kind: 'payment',
  what: `money on account: ${o.what}`,
  since: o.askedOn,
  until: o.due,
  act: `ring ${customer} about it`,
});

/** What the tasks of a build wait for, and whether one of them could be begun. */
async function taskHolds(
  tx: Tx,
  deps: Deps,
  shop: Shop,
  b: q.BuildRow,
  tasks: readonly TaskToDo[],
): Promise<{ holds: Hold[]; canBeBegun: boolean }> {
  const byId = new Map(tasks.map((t) => [t.task.id, t.task]));
  const holds: Hold[] = [];
  let canBeBegun = tasks.some((t) => t.task.state === 'going');
  const ready = tasks
    .filter((t) => t.task.state === 'to do')
    .filter((t) => {
      const waits = waitingFor(t.task, byId, shop.now);
      for (const w of waits) {
        if (w.from !== undefined)
          holds.push({
            kind: 'cure',
            what: w.words,
            since: on(shop, b.lastAt),
            until: on(shop, w.from),
            act: 'let it rest',
            task: t.task.title,
          });
        else if (w.onTaskId === null && w.isAway === undefined && waits.length === 1)
          holds.push({
            kind: 'gate',
            what: `somebody to see and sign “${t.task.gate}”`,
            since: on(shop, b.lastAt),
            until: null,
            act: 'look, and sign it',
            task: t.task.title,
          });
      }
      return waits.length === 0;
    });
  const lines = ready.some((t) => t.lineId !== null) ? await workableLines(tx, deps, b.id, false) : [];
  const whyNot = new Map(lines.map((l) => [l.id, l]));
  for (const t of ready) {
    const line = t.lineId === null ? undefined : whyNot.get(t.lineId);
    if (line?.whyNot)
      holds.push({
        kind: 'answer',
        what: `a yes to “${line.title}”`,
        since: on(shop, b.lastAt),
        until: null,
        act: `ask ${b.customer}`,
      });
    else if (t.place !== null && t.place !== 'vendor' && t.place !== 'bench' && t.place !== b.placeKind)
      holds.push(placeHold(shop, b, t));
    else {
      const hold = personHold(shop, t);
      if (hold) holds.push(hold);
      else canBeBegun = true;
    }
  }
  return { holds, canBeBegun };
}

async function waitOf(
  tx: Tx,
  deps: Deps,
  shop: Shop,
  b: q.BuildRow,
  tasks: readonly TaskToDo[],
  parts: readonly q.OpenPart[],
  away: readonly AwayPiece[],
  owed: readonly q.OwedRow[],
): Promise<BuildWaitView> {
  const { holds: ofTasks, canBeBegun } = await taskHolds(tx, deps, shop, b, tasks);
  const holds = [
    ...saidHolds(shop, b),
    ...parts.map((p) => partHold(shop, p)),
    ...away.map(awayHold),
    ...owed.map((o) => owedHold(b.customer, o)),
    ...ofTasks,
  ];
  const open = tasks.some((t) => t.task.state === 'to do' || t.task.state === 'going');
  // Without tasks, what the owner wrote as next can be gone on with, unless something is waited for.
  const goesOn = !open && holds.length === 0 && b.nextStep !== '';
  const binding = bindingWait({
    canBeWorkedOn: b.isWorkedOn || ((canBeBegun || goesOn) && owed.length === 0),
    holds,
    idleSince: on(shop, b.lastAt),
  });
  return { buildId: b.id, nickname: b.nickname, binding, others: holds.filter((h) => h !== binding) };
}

/** What holds each of these builds; all of them where none is named. */
export async function waitsNow(tx: Tx, deps: Deps, only?: string): Promise<BuildWaitView[]> {
  const now = deps.clock.now();
  const { timeZone } = await shopOf(tx);
  const today = dayOf(now, timeZone);
  const hands = await q.hands(tx);
  const shop: Shop = {
    now,
    timeZone,
    builds: await q.buildRows(tx),
    ...(await standingNow(tx)),
    hands,
    away: new Map(WORKS.map((work) => [work, whoIsAway(work, hands, today)])),
  };
  const owed = await q.owed(tx);
  const parts = await q.openParts(tx, only);
  const away = await awayPieces(tx, only ?? null);
  const tasks = await tasksByBuild(tx, awayByTask(away), only);
  const asked = shop.builds.filter((build) => only === undefined || build.id === only);
  return Promise.all(
    asked.map((b) => {
      const isOwn = ({ buildId }: { buildId: string }): boolean => buildId === b.id;
      const own = tasks.get(b.id) ?? [];
      return waitOf(tx, deps, shop, b, own, parts.filter(isOwn), away.filter(isOwn), owed.filter(isOwn));
    }),
  );
}

export const readWaits = (deps: Deps, who: SignedIn): Promise<WaitsView> =>
  inShop(deps.db, who.shopId, async (tx) => ({ waits: await waitsNow(tx, deps) }));
