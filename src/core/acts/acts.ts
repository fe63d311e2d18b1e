/**
 * What a line of the log does to the thing that it is about, besides being kept: a registry of acts, each with the kinds of
 * thing it can be done to and its words.
 */

import type { Check } from '../parts/parts.ts';

/** Things of a build that are open: something is still to happen to them. */
export const THING_TYPES = ['part', 'piece', 'task', 'line', 'hold', 'job', 'snag', 'question'] as const;
export type ThingType = (typeof THING_TYPES)[number];

interface ActSpec {
  /** What it can be done to. */
  on: readonly ThingType[];
  /** In front of the thing's name, before it is kept: “Receives 4 hydraulic hoses”. */
  will: string;
  /** The same once it was done. */
  did: string;
}

const SPECS = {
  need: { on: ['part'], will: 'Puts on the parts list:', did: 'Put on the parts list:' },
  plan: { on: ['task'], will: 'Writes down the task', did: 'Wrote down the task' },
  order: { on: ['part'], will: 'Orders', did: 'Ordered' },
  receive: { on: ['part'], will: 'Receives', did: 'Received' },
  expect: { on: ['part', 'piece'], will: 'Expects', did: 'Expects' },
  fit: { on: ['part'], will: 'Marks as fitted:', did: 'Fitted' },
  'come back': { on: ['piece'], will: 'Back from its vendor:', did: 'Back from its vendor:' },
  start: { on: ['task'], will: 'Starts', did: 'Started' },
  stop: { on: ['task'], will: 'Stops', did: 'Stopped' },
  work: { on: ['task', 'line'], will: 'Hours go to', did: 'Hours went to' },
  finish: { on: ['task'], will: 'Finishes', did: 'Finished' },
  add: { on: ['job'], will: 'Belongs to', did: 'Belongs to' },
  'put right': { on: ['snag'], will: 'Puts right', did: 'Put right' },
  answer: { on: ['question'], will: 'Answers', did: 'Answered' },
  release: { on: ['hold'], will: 'Ends the wait for', did: 'Ended the wait for' },
} as const satisfies Record<string, ActSpec>;

export type LineAct = keyof typeof SPECS;
export const ACT_SPECS: Readonly<Record<LineAct, ActSpec>> = SPECS;
export const LINE_ACTS = Object.keys(SPECS) as LineAct[];

/** An act on one thing, by reference. */
export interface ActOn {
  act: LineAct;
  type: ThingType;
  /** Of the thing. `order`, `need` and `plan` may name one that is not there yet: it is written down with this id. */
  id: string;
  /** On stop and work: nothing is left of the task. */
  isDone?: boolean | undefined;
  /** On stop and work: minutes that are left of it, where somebody said so. */
  toGoMinutes?: number | undefined;
  /** On receive and come back: so many of them came, and the others are still to come; all of them where it is absent. */
  count?: number | undefined;
  /** On receive: how it was when it was looked at; right where nothing else is said. */
  check?: Check | undefined;
}

/** An act as it is kept with its entry: how the thing stood before, so that it can be taken back. */
export interface DoneAct<Before = unknown> {
  /** As the thing's own feature calls it. */
  act: string;
  type: ThingType;
  id: string;
  /** Null where the act made the thing. */
  before: Before | null;
}

/** Why these acts cannot go together with one line, by their place in the list; empty where they can. */
export function whyNotTogether(acts: readonly ActOn[]): { at: number; reason: string }[] {
  const seen = new Set<string>();
  return acts.flatMap(({ act, type, id }, at) => {
    if (!ACT_SPECS[act].on.includes(type)) return [{ at, reason: `“${act}” cannot be done to a ${type}` }];
    const key = `${type} ${id}`;
    if (seen.has(key)) return [{ at, reason: 'the same thing is named twice' }];
    seen.add(key);
    return [];
  });
}

/** A thing of a build that something is still to happen to, as a line may mean it. */
export interface OpenThing {
  type: ThingType;
  id: string;
  /** As it stands on screens: “hydraulic hoses”, “Filler and blocking”. */
  name: string;
  /** Of a part, piece and task: how it stands. Empty where it has no states. */
  state: string;
  quantity?: number;
  vendor?: string;
  /** On a task: whoever asks is at it now. */
  isMine?: boolean;
  /** On a task and a line: why work on it cannot be begun, in words; absent where it can. */
  whyNot?: string;
}
