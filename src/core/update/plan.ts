/** The plan as it stands today, told to the customer on their page: when, how far, what it waits for. All of it worked out. */
import { inSentence } from '../log/sentences.ts';
import { formatDay, type Day } from '../time/days.ts';
import type { Hold } from '../waits/binding.ts';
import type { Wait } from '../waits/waits.ts';
import { progressOf, type Effort } from '../work/progress.ts';
import { readyItems, type LetterManner, type LetterReady } from './figures.ts';
import { waitItems } from './held.ts';
import type { LetterItem, LetterPart } from './letter.ts';

/** An agreed line and how far it is. */
export interface PlanLine extends Effort {
  id: string;
  title: string;
  /** Something is spent on it or bought for it. */
  isBegun: boolean;
}

export interface PlanInput {
  ready: LetterReady;
  /** The day each letter promised, oldest first; letters that named none are not among them. */
  promises: readonly { on: Day; promised: Day }[];
  lines: readonly PlanLine[];
  waits: readonly Wait[];
  rests: ReadonlySet<string>;
  holds: { binding: Hold | null; others: readonly Hold[] };
  manner: LetterManner;
}

const item = (id: string, text: string): LetterItem => ({ id, text, leftOut: false });

/** How far, by hours, in words that promise no more than hours can: from a share of all of them, 0 to 1. */
function howFar(share: number): string {
  if (share < 0.2) return 'begun';
  if (share < 0.4) return 'about a third done';
  if (share < 0.6) return 'about half done';
  if (share < 0.85) return 'about three quarters done';
  return 'nearly done';
}

type Stage = 'done' | 'in work' | 'to come';
const stageOf = (line: PlanLine): Stage =>
  !line.isBegun ? 'to come' : line.toGoMinutes > 0 ? 'in work' : 'done';

/** “Done: brake pipes. In work: sills, about half done.” A line each, so that each can be held against what may be said. */
function lineItems(lines: readonly PlanLine[]): LetterItem[] {
  const words: Record<Stage, (line: PlanLine) => string> = {
    'in work': (l) => `In work: ${inSentence(l.title)}, ${howFar(progressOf(l))}.`,
    'to come': (l) => `Still to come: ${inSentence(l.title)}.`,
    done: (l) => `Done: ${inSentence(l.title)}.`,
  };
  return (['in work', 'to come', 'done'] as const).flatMap((stage) =>
    lines.filter((l) => stageOf(l) === stage).map((l) => item(`line-${l.id}`, words[stage](l))),
  );
}

/** What was promised before what holds now: where the day has moved, the customer sees every day it was said to be. */
function earlierItems({ promises, ready, manner }: PlanInput): LetterItem[] {
  const moves = promises.filter((p, i) => p.promised !== promises[i - 1]?.promised);
  const earlier = moves.filter((p, i) => i < moves.length - 1 || p.promised !== ready.promised);
  const say = (day: Day): string => formatDay(day, manner.locale, manner.today);
  return earlier.map((p) =>
    item(`said-${p.on}`, `On ${say(p.on)} I wrote that it would be ${say(p.promised)}.`),
  );
}

/** The parts of the plan, in order; a part with nothing to say is not there. */
export function planParts(input: PlanInput): LetterPart[] {
  const { ready, manner, waits, holds, rests, lines } = input;
  const when = readyItems({ ...ready, told: null }, manner);
  const parts: LetterPart[] = [
    {
      id: 'next',
      title: 'When it will be ready',
      items: [
        ...(when.length > 0 ? when : [item('ready', 'No day is promised yet.')]),
        ...earlierItems(input),
      ],
    },
    { id: 'done', title: 'How far it is', items: lineItems(lines) },
    { id: 'waiting', title: 'What it waits for', items: waitItems(waits, holds, manner, rests) },
  ];
  return parts.filter((p) => p.items.length > 0);
}
