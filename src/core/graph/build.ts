/** What holds a whole build up, from its tasks and from what is waited for; and each way to get it going again. */
import { bindingWait, type Hold } from '../waits/binding.ts';
import { readiness, owedHold, type Ground, type TaskHold, type TaskToDo } from './readiness.ts';

export interface BuildToJudge {
  tasks: readonly TaskToDo[];
  ground: Ground;
  /** Somebody is at it now. */
  isWorkedOn: boolean;
  /** What the owner wrote as next; empty where nothing is. */
  nextStep: string;
  /** What holds it apart from its tasks: typed waits, parts, pieces that are away, answers. */
  apart: readonly Hold[];
  /** Since when nothing is planned, where nothing else holds it. */
  idleSince: string;
}

export interface BuildHolds {
  /** The one thing that releases it last; null where it can be worked on. */
  binding: Hold | null;
  others: Hold[];
  /** Each way to get it going, as the holds that have to end, by their place among the binding one and the others. */
  ways: number[][];
  /** What holds each task up, by its id. */
  ofTasks: ReadonlyMap<string, TaskHold[]>;
}

/** A task that another task of the build comes before is no way to get going: the other one is. */
const isNext = (holds: readonly TaskHold[]): boolean => holds.every((h) => h.kind !== 'task');

/** One hold said of several tasks is one: money that is not in, a pause, a piece that is away. */
const sameHold = (a: Hold, b: Hold): boolean => a.kind === b.kind && a.what === b.what;

/** What is shown of a task's hold with the build: the sentence of the task stays with the task. */
function shown({ kind, what, since, until, act, task }: TaskHold): Hold {
  const hold = { kind, what, since, until, act };
  return kind === 'payment' || kind === 'said' || kind === 'part' ? hold : { ...hold, task };
}

export function buildHolds(b: BuildToJudge): BuildHolds {
  const ofTasks = new Map(b.tasks.map((t) => [t.task.id, readiness(t, b.ground)]));
  const next = b.tasks
    .filter((t) => t.task.state === 'to do')
    .map((t) => ofTasks.get(t.task.id)!)
    .filter(isNext);
  const holds: Hold[] = [];
  const placeOf = (hold: Hold): number => {
    const known = holds.findIndex((h) => sameHold(h, hold));
    return known >= 0 ? known : holds.push(hold) - 1;
  };
  for (const h of b.apart) placeOf(h);
  for (const owed of b.ground.owed) placeOf(owedHold(b.ground.build.customer, owed));
  const ways = next.map((of) => of.map((h) => placeOf(shown(h))));
  const hasTasks = b.tasks.some((t) => t.task.state === 'to do' || t.task.state === 'going');
  const isReady = b.tasks.some((t) => t.task.state === 'going') || next.some((of) => of.length === 0);
  // Without tasks, what the owner wrote as next can be gone on with, unless something is waited for.
  const goesOn = !hasTasks && holds.length === 0 && b.nextStep !== '';
  const canBeWorkedOn = b.isWorkedOn || isReady || goesOn;
  // Somebody decided that it rests: that holds it, whatever else will once it goes on.
  const rest = holds.find((h) => h.kind === 'said' && h.what === b.ground.rest?.words);
  const binding =
    !canBeWorkedOn && rest ? rest : bindingWait({ canBeWorkedOn, holds, idleSince: b.idleSince });
  const others = holds.filter((h) => h !== binding);
  const order = binding === null ? others : [binding, ...others];
  const inOrder = (way: readonly number[]): number[] => way.map((i) => order.indexOf(holds[i]!));
  const ofWaits = hasTasks ? ways.map(inOrder) : [order.map((_, i) => i)];
  return { binding, others, ways: binding === null ? [] : ofWaits, ofTasks };
}
