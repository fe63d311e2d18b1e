/**
 * Which open thing of a car a line is about, and what it does to it. Nothing is guessed between two that are alike: they are
 * offered, and a person chooses.
 */
import { type ActOn, type LineAct, type OpenThing } from '../acts/acts.ts';
import type { LoggedKind } from '../capture/understood.ts';
import type { Facts } from '../log/kinds.ts';
import type { Check } from '../parts/parts.ts';
import type { Turn } from '../capture/turns.ts';
import { likeness, nameOf, SURE, wordsInCommon, type Name } from './names.ts';

/** What of a line decides. */
export interface SaidLine {
  kind: LoggedKind;
  facts: Facts;
  /** That work begins, pauses or ends with it. */
  turn?: Turn | undefined;
  /** That what arrived is not as it should be. */
  condition?: Check | null | undefined;
}

/** An act that a line may mean, on a thing that is there or, on `order`, one that is not yet. */
export interface Meant extends ActOn {
  thing: OpenThing | null;
  /** From 0 to 1: how well the line names the thing. */
  likeness: number;
}

export interface Match {
  /** What the line does unless somebody says otherwise. */
  does: Meant[];
  /** What it may mean instead, where that is in doubt; the likeliest first. One of them, or none. */
  asks: Meant[];
}

/** From this likeness on a thing is offered. Chosen; see `match.test`. */
const OFFERED = 0.45;
/** So much more alike than the next it must be. */
const MARGIN = 0.12;
const MOST_OFFERED = 3;
/** What another number or another vendor than the thing's takes away: by either, nothing is sure. */
const OTHER_COUNT = 0.35;
const OTHER_VENDOR = 0.35;

const NOT_HERE: readonly string[] = ['ordered', 'to order', 'to find'];

interface Rule {
  act: LineAct;
  /** Whether the act may be done to this thing. */
  to: (thing: OpenThing) => boolean;
  /** It is offered, never taken by itself: the line does not plainly say it. */
  isOffer?: true;
}

/** Why the act will be refused, as the thing says by itself: a start that something holds, work that is not agreed; or null. */
export const whyRefused = ({ act, type, thing }: Meant): string | null =>
  thing?.whyNot !== undefined && (act === 'start' || type === 'line') ? thing.whyNot : null;

const isPart =
  (...states: readonly string[]) =>
  (t: OpenThing): boolean =>
    t.type === 'part' && states.includes(t.state);
const isTask = (t: OpenThing): boolean => t.type === 'task';
const isWork = (t: OpenThing): boolean => t.type === 'task' || t.type === 'line';
const isMine = (t: OpenThing): boolean => t.type === 'task' && t.isMine === true;
const isHold = (t: OpenThing): boolean => t.type === 'hold';
const isJob = (t: OpenThing): boolean => t.type === 'job';
const isSnag = (t: OpenThing): boolean => t.type === 'snag';
const isQuestion = (t: OpenThing): boolean => t.type === 'question';

/** Hours go to what they were worked on; without hours, what was done may be finished. */
function finishRules(hasHours: boolean, isFinish: boolean): Rule[] {
  if (hasHours) return [{ act: 'work', to: isWork }];
  if (!isFinish) return [{ act: 'finish', to: (t) => isTask(t) && !isMine(t), isOffer: true }];
  return [
    { act: 'stop', to: isMine },
    { act: 'finish', to: (t) => isTask(t) && !isMine(t) },
  ];
}

/** What is to be put right is, where the line says that something is finished or put right; else it may be. */
const snagRules = (isFinish: boolean): Rule[] => [
  { act: 'put right', to: isSnag, ...(isFinish ? {} : { isOffer: true }) },
];

/** What begins or pauses work; none where the line says neither. */
function turnRules({ turn }: SaidLine): Rule[] {
  if (turn?.turn === 'start') return [{ act: 'start', to: (t) => isTask(t) && !isMine(t) }];
  return turn?.turn === 'stop' ? [{ act: 'stop', to: isMine }] : [];
}

/** What is not here yet, when somebody waits for it or says when it comes. */
const expected: Rule[] = [
  { act: 'expect', to: isPart(...NOT_HERE) },
  { act: 'expect', to: (t) => t.type === 'piece' },
];

/** Groups of rules: of each group a line does one act at most. */
function rulesFor({ kind, facts, turn }: SaidLine): Rule[][] {
  const isFinish = turn?.turn === 'finish';
  const finish = finishRules(facts.minutes !== undefined, isFinish);
  const snags = snagRules(isFinish);
  switch (kind) {
    case 'found':
      return [[{ act: 'add', to: isJob }]];
    case 'ordered':
      return [[{ act: 'order', to: isPart('to order', 'to find') }]];
    case 'arrived':
      return [
        [
          { act: 'receive', to: isPart(...NOT_HERE) },
          { act: 'come back', to: (t) => t.type === 'piece' },
        ],
        [{ act: 'release', to: isHold }],
      ];
    case 'waiting':
      return [expected];
    case 'note':
      if (isFinish) return [finish, snags];
      return facts.due === undefined ? [] : [expected];
    case 'fitted':
      return [[{ act: 'fit', to: isPart('arrived', 'ordered') }], finish, snags];
    case 'told':
      return [[{ act: 'answer', to: isQuestion, isOffer: true }]];
    case 'resumed':
      return [[{ act: 'release', to: isHold }]];
    case 'did':
    case 'hours':
      return [finish, snags];
    case 'reading':
      return [finish];
    default:
      return [];
  }
}

/** What a line is about: behind the words that begin or end work, what they are said of. */
const subjectOf = ({ facts, turn }: SaidLine): string =>
  turn?.subject ?? [facts.zone, facts.subject].filter(Boolean).join(' ');

/** What is left of a likeness to the first words of a name, where they are less than half of it: enough to be offered. Chosen. */
const FIRST_WORDS = 0.65;

/**
 * How well what is said names a thing. What was found, or is to be put right, is called by what is wrong with it, which comes last: “boot
 * handle loose” is the boot handle.
 */
function likenessTo(subject: Name, { type, name }: OpenThing): number {
  // What is told to a customer need not say in what words they asked: every question that is open may be meant, the likelier first.
  if (type === 'question')
    return OFFERED + (SURE - OFFERED) * Math.min(1, wordsInCommon(subject, nameOf(name)) / 2);
  if (type !== 'snag' && type !== 'job') return likeness(subject, nameOf(name));
  const words = name.split(' ');
  return Math.max(
    ...words.map((_, i) => {
      const like = likeness(subject, nameOf(words.slice(0, i + 1).join(' ')));
      return 2 * (i + 1) >= words.length ? like : like * FIRST_WORDS;
    }),
  );
}

/** So many of them came, where the line says fewer than are still to come; undefined where all of them did. */
function someOf({ facts }: SaidLine, { act }: Rule, { quantity = 1 }: OpenThing): number | undefined {
  const count = facts.quantity;
  const comes = act === 'receive' || act === 'come back';
  const isSome = comes && count !== undefined && count >= 1 && count < quantity;
  return isSome && Number.isInteger(count) ? count : undefined;
}

function likenessOf(said: SaidLine, thing: OpenThing, some: number | undefined): number {
  const { facts } = said;
  const like = likenessTo(nameOf(subjectOf(said)), thing);
  const isOtherCount =
    some === undefined &&
    facts.quantity !== undefined &&
    thing.quantity !== undefined &&
    facts.quantity !== thing.quantity;
  const isOtherVendor =
    facts.vendor !== undefined &&
    thing.vendor !== undefined &&
    thing.vendor !== '' &&
    likeness(nameOf(facts.vendor), nameOf(thing.vendor)) < OFFERED;
  return Math.max(0, like - (isOtherCount ? OTHER_COUNT : 0) - (isOtherVendor ? OTHER_VENDOR : 0));
}

/** What is left to do, as the line says it; finished where it says so, or where the whole of it was fitted. */
function leftOf(said: SaidLine, { act }: Rule, like: number): Pick<ActOn, 'isDone' | 'toGoMinutes'> {
  if (act !== 'stop' && act !== 'work') return {};
  const toGoMinutes = said.turn?.toGoMinutes;
  const isDone = said.turn?.turn === 'finish' || (said.kind === 'fitted' && like === 1);
  return { isDone, ...(toGoMinutes === undefined ? {} : { toGoMinutes }) };
}

function candidates(said: SaidLine, things: readonly OpenThing[], rules: readonly Rule[]): Meant[] {
  return rules
    .flatMap((rule) =>
      things.filter(rule.to).map((thing): Meant => {
        const count = someOf(said, rule, thing);
        const like = likenessOf(said, thing, count);
        const left = leftOf(said, rule, like);
        const some = count === undefined ? {} : { count };
        return { act: rule.act, type: thing.type, id: thing.id, thing, likeness: like, ...left, ...some };
      }),
    )
    .filter((m) => m.likeness >= OFFERED)
    .sort((a, b) => b.likeness - a.likeness);
}

/** Stopping without a word more: what one is at. */
function theOneAtHand(said: SaidLine, things: readonly OpenThing[]): Meant[] {
  const ends = said.turn?.turn === 'stop' || said.turn?.turn === 'finish';
  if (!ends || nameOf(subjectOf(said)).words.size > 0) return [];
  const mine = things.filter(isMine);
  if (mine.length !== 1) return [];
  const [thing] = mine;
  const rule: Rule = { act: 'stop', to: isMine };
  return [{ act: 'stop', type: 'task', id: thing!.id, thing: thing!, likeness: 1, ...leftOf(said, rule, 1) }];
}

/** What a line writes down that names nothing that is there. */
const MADE_BY: { [K in LoggedKind]?: Pick<ActOn, 'act' | 'type'> } = {
  ordered: { act: 'order', type: 'part' },
  needs: { act: 'need', type: 'part' },
  planned: { act: 'plan', type: 'task' },
};

/** Whether what is to be got or done is on its list already. An order is another one. */
const isThere = (
  said: SaidLine,
  things: readonly OpenThing[],
  { act, type }: Pick<ActOn, 'act' | 'type'>,
): boolean =>
  act !== 'order' &&
  candidates(said, things, [{ act, to: (t) => t.type === type }]).some((m) => m.likeness >= SURE);

/**
 * What a line does to the open things of its car.
 *
 * @param line kind, facts and turn of the line, with what a person put right
 * @param things everything open on that car
 * @param newId the id that a part or a task gets which was not written down before
 */
export function matchLine(line: SaidLine, things: readonly OpenThing[], newId: string): Match {
  const atHand = theOneAtHand(line, things);
  if (atHand.length > 0) return { does: atHand, asks: [] };
  const turning = turnRules(line);
  const turns = candidates(line, things, turning).length > 0;
  // “Stop lamp arrived” stops nothing: what names no task is read as any other line.
  const said = turning.length > 0 && !turns ? { ...line, turn: undefined } : line;
  const match: Match = { does: [], asks: [] };
  for (const rules of turns ? [turning] : rulesFor(said)) {
    // While some of it is still to come, what waits for it waits.
    if (match.does.some((m) => m.count !== undefined)) break;
    const found = candidates(said, things, rules);
    const [best, next] = found;
    if (!best) continue;
    const isSaid = rules.every((r) => r.act !== best.act || !r.isOffer);
    const isSure =
      isSaid &&
      whyRefused(best) === null &&
      best.likeness >= SURE &&
      best.likeness - (next?.likeness ?? 0) >= MARGIN;
    if (!isSure) match.asks.push(...found);
    else if (best.act === 'receive' && said.condition)
      match.asks.push({ ...best, check: said.condition }, { ...best, check: 'right' });
    else match.does.push(best);
  }
  const made = MADE_BY[said.kind];
  // What was to be ordered anyway is asked about first; else it is something that nobody wrote down before.
  const isNew =
    made !== undefined &&
    !turns &&
    match.asks.length === 0 &&
    match.does.length === 0 &&
    nameOf(subjectOf(said)).words.size > 0 &&
    !isThere(said, things, made);
  if (isNew) match.does.push({ ...made, id: newId, thing: null, likeness: 1 });
  return { ...match, asks: match.asks.slice(0, MOST_OFFERED) };
}
