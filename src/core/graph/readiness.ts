/**
 * What holds a task up: one answer for everybody who asks. Empty means that it can be begun this minute; the server refuses a
 * start with the very same holds.
 */
import type { Work } from '../estimate/lines.ts';
import { freeOf, type PlaceToStand, type Standing } from '../plan/floorPlan.ts';
import type { AwayHand } from '../shop/away.ts';
import type { PlaceKind } from '../shop/places.ts';
import { dayOf, type Day } from '../time/days.ts';
import { formatMinutes } from '../time/hours.ts';
import type { Hold } from '../waits/binding.ts';
import { waitingFor, type Task, type Waiting } from '../work/tasks.ts';

/** A task with what decides whether it can be begun. */
export interface TaskToDo {
  task: Task;
  lineId: string | null;
  place: PlaceKind | null;
  work: Work;
}

/** Money on account without which work stops, and that is not in. */
export interface Owed {
  what: string;
  askedOn: Day;
  due: Day | null;
}

/** What a task of one build stands on. */
export interface Ground {
  /** The instant, and the shop's time zone. */
  now: string;
  timeZone: string;
  /** `idleSince`: the day on which something was last done to it. */
  build: { id: string; customer: string; placeKind: PlaceKind | null; idleSince: Day };
  tasks: ReadonlyMap<string, Task>;
  /** Of the lines that tasks belong to: why work on it is refused, or null. */
  lines: ReadonlyMap<string, { title: string; whyNot: string | null }>;
  places: readonly PlaceToStand[];
  /** What takes places up: cars, and pieces as large as one. */
  standing: readonly Standing[];
  /** Whom each kind of work waits for today. */
  away: ReadonlyMap<Work, AwayHand | null>;
  owed: readonly Owed[];
  /** Parts that are not here, or not as they should be, by the task that needs them. */
  parts: ReadonlyMap<string, readonly Hold[]>;
  /** What the whole build rests for, while it does. */
  rest: { words: string; act: string; since: Day; until: Day | null } | null;
}

export interface TaskHold extends Hold {
  task: string;
  /** Why the task cannot be begun, as a sentence says it. */
  words: string;
  /** The instant at which it ends by itself: hardening, drying. */
  endsAt?: string;
}

const MINUTE_MS = 60_000;

/** Why a task cannot be begun, as one says it at this instant: of what ends by itself, how long it still takes. */
export function wordsAt({ words, endsAt }: Pick<TaskHold, 'words' | 'endsAt'>, now: string): string {
  if (endsAt === undefined) return words;
  return `another ${formatMinutes(Math.ceil((Date.parse(endsAt) - Date.parse(now)) / MINUTE_MS))} ${words}`;
}

/** Places that a task needs its car to stand at; the bench and the vendor come to the piece. */
const isForCar = (place: PlaceKind | null): place is PlaceKind =>
  place !== null && place !== 'vendor' && place !== 'bench';

function waitHold(w: Waiting, { task }: TaskToDo, g: Ground): TaskHold {
  const base = { since: g.build.idleSince, until: null, task: task.title, words: w.words };
  if (w.from !== undefined)
    return {
      ...base,
      kind: 'cure',
      what: wordsAt({ words: w.words, endsAt: w.from }, g.now),
      until: dayOf(w.from, g.timeZone),
      act: 'let it rest',
      endsAt: w.from,
    };
  if (w.isAway)
    return { ...base, kind: 'batch', what: w.words.replace(/^not here: /, ''), act: 'bring it back' };
  if (w.onTaskId !== null) {
    const first = g.tasks.get(w.onTaskId)!.title;
    return { ...base, kind: 'task', what: `“${first}”`, act: `do “${first}”` };
  }
  return { ...base, kind: 'gate', what: `somebody to see and sign “${task.gate}”`, act: 'look, and sign it' };
}

/** A place that other cars hold: the one that can be moved, or what would let one roll. */
function placeHold({ task, place }: TaskToDo, g: Ground): TaskHold | null {
  if (!isForCar(place) || place === g.build.placeKind) return null;
  const { free, heldBy } = freeOf(place, g.places, g.standing);
  if (free !== null) return null;
  const rolls = heldBy.find((c) => c.pinned === null);
  const stuck = heldBy[0];
  const act = rolls
    ? `move the ${rolls.nickname}`
    : stuck?.pinned
      ? `${stuck.pinned.freedBy || 'make it roll'}: then move the ${stuck.nickname}`
      : `find a ${place} elsewhere`;
  const taken =
    heldBy.length > 0 ? `taken by the ${heldBy.map((c) => c.nickname).join(' and the ')}` : 'there is none';
  return {
    kind: 'place',
    what: `a ${place} for “${task.title}”`,
    since: g.build.idleSince,
    until: null,
    act,
    task: task.title,
    words: `needs a ${place}: ${taken}`,
  };
}

function personHold({ task, work }: TaskToDo, g: Ground): TaskHold | null {
  const away = g.away.get(work) ?? null;
  if (away === null) return null;
  return {
    kind: 'person',
    what: `${away.name} for “${task.title}”`,
    since: away.since,
    until: away.back,
    act: `find somebody else for ${work} work, or let it wait`,
    task: task.title,
    words: `${away.name} does ${work} work and is away`,
  };
}

/** Parts without which it cannot be begun. */
const partHolds = ({ task }: TaskToDo, g: Ground): TaskHold[] =>
  (g.parts.get(task.id) ?? []).map((hold) => ({
    ...hold,
    task: task.title,
    words: `not here: ${hold.what}`,
  }));

function lineHold({ task, lineId }: TaskToDo, g: Ground): TaskHold | null {
  const line = lineId === null ? undefined : g.lines.get(lineId);
  if (!line?.whyNot) return null;
  return {
    kind: 'answer',
    what: `a yes to “${line.title}”`,
    since: g.build.idleSince,
    until: null,
    act: `ask ${g.build.customer}`,
    task: task.title,
    words: line.whyNot,
  };
}

/** What holds every task of the build alike: money that is not in, and that it rests. */
function buildHolds({ task }: TaskToDo, g: Ground): TaskHold[] {
  const owed = g.owed.map((o): TaskHold => ({
    ...owedHold(g.build.customer, o),
    task: task.title,
    words: `work stops until it is in: ${o.what}`,
  }));
  if (g.rest === null) return owed;
  const { words, act, since, until } = g.rest;
  return [
    ...owed,
    { kind: 'said', what: words, since, until, act, task: task.title, words: `on hold: ${words}` },
  ];
}

export const owedHold = (customer: string, { what, askedOn, due }: Owed): Hold => ({
  kind: 'payment',
  what: `money on account: ${what}`,
  since: askedOn,
  until: due,
  act: `ring ${customer} about it`,
});

/**
 * Everything that holds a task up, in the order in which one would say it. A task that is going, done or dropped is held by
 * nothing.
 */
export function readiness(t: TaskToDo, g: Ground): TaskHold[] {
  if (t.task.state !== 'to do') return [];
  return [
    ...buildHolds(t, g),
    ...waitingFor(t.task, g.tasks, g.now).map((w) => waitHold(w, t, g)),
    ...partHolds(t, g),
    lineHold(t, g),
    placeHold(t, g),
    personHold(t, g),
  ].filter((h): h is TaskHold => h !== null);
}

/** What has to be moved first, where its place is free: the car stands elsewhere. */
export function firstMove({ place }: TaskToDo, g: Ground): string | null {
  if (!isForCar(place) || place === g.build.placeKind) return null;
  const { free } = freeOf(place, g.places, g.standing);
  return free && `move it to ${free.name}, which is free`;
}

/** A task that could be begun, were its car at such a place. */
export interface PlaceWanted {
  task: string;
  kind: PlaceKind;
  /** Who stands there and what would make room, or where it is free. */
  words: string;
}

/** @param holds what holds the task, from `readiness` */
export function placeWanted(
  t: TaskToDo,
  [hold, ...more]: readonly TaskHold[],
  g: Ground,
): PlaceWanted | null {
  const { task, place } = t;
  if (task.state !== 'to do' || !isForCar(place) || place === g.build.placeKind) return null;
  if (more.length > 0 || (hold && hold.kind !== 'place')) return null;
  return { task: task.title, kind: place, words: hold ? `${hold.words}; ${hold.act}` : firstMove(t, g)! };
}
