/** What a customer answers to a revision, what then holds for each line, and what may be worked on. */
import { formatMoney } from '../money/money.ts';
import { samePromise, type RevisionChoice, type RevisionContent, type RevisionLine } from './revision.ts';

export const ANSWERS = ['approve', 'wait', 'decline', 'ask'] as const;
export type Answer = (typeof ANSWERS)[number];

/** What is kept for a line: an answer, or that another way of doing it was chosen. */
export const GIVEN = [...ANSWERS, 'other way'] as const;
export type Given = (typeof GIVEN)[number];

export interface LineAnswer {
  lineId: string;
  answer: Given;
  /** With `ask`: what they want to know. */
  question?: string;
}

/** What is said of a choice as a whole: the way that is to be done, or an answer that leaves all of its ways open. */
export interface ChoicePick {
  /** A way's id, or `wait`, `decline`, `ask`. */
  pick: string;
  question?: string;
}

const linesOfWay = (content: RevisionContent, wayId: string): RevisionLine[] =>
  content.lines.filter((l) => l.wayId === wayId);

/**
 * A choice's pick, line by line. The chosen way's lines are approved and the others are left to it; where no way is chosen
 * the answer goes to the lines of the way that the shop advises.
 */
export function answersOfPick(
  content: RevisionContent,
  choice: RevisionChoice,
  { pick, question }: ChoicePick,
): LineAnswer[] {
  const chosen = choice.ways.some((w) => w.id === pick);
  const takenId = chosen ? pick : choice.heldId;
  const answer = chosen ? 'approve' : ANSWERS.find((a) => a === pick && a !== 'approve');
  if (answer === undefined) return [];
  return choice.ways.flatMap((w) =>
    linesOfWay(content, w.id).map(({ id: lineId }): LineAnswer =>
      w.id !== takenId
        ? { lineId, answer: 'other way' }
        : { lineId, answer, ...(answer === 'ask' && question !== undefined ? { question } : {}) },
    ),
  );
}

/** The way that these answers take of a choice; undefined where they take none or several. */
export function takenWay(
  content: RevisionContent,
  choice: RevisionChoice,
  answers: readonly LineAnswer[],
): string | undefined {
  const given = new Map(answers.map((a) => [a.lineId, a.answer]));
  const taken = choice.ways.filter((w) =>
    linesOfWay(content, w.id).some((l) => given.has(l.id) && given.get(l.id) !== 'other way'),
  );
  return taken.length === 1 ? taken[0]!.id : undefined;
}

/** What a page shows as picked before: the inverse of `answersOfPick`. */
export function pickOf(
  content: RevisionContent,
  choice: RevisionChoice,
  answers: readonly LineAnswer[],
): ChoicePick | undefined {
  const wayId = takenWay(content, choice, answers);
  if (wayId === undefined) return undefined;
  const of = new Set(linesOfWay(content, wayId).map((l) => l.id));
  const { answer, question } = answers.find((a) => of.has(a.lineId))!;
  return answer === 'approve'
    ? { pick: wayId }
    : { pick: answer, ...(question === undefined ? {} : { question }) };
}

/** The choice that a line belongs to, if it belongs to one. */
export const choiceOf = (content: RevisionContent, line: RevisionLine): RevisionChoice | undefined =>
  line.wayId === undefined
    ? undefined
    : content.choices?.find((c) => c.ways.some((w) => w.id === line.wayId));

export interface FieldReason {
  field: string;
  reason: string;
}

const declinesSafety = (line: RevisionLine, { answer }: LineAnswer): boolean =>
  line.class === 'safety' && (answer === 'decline' || answer === 'wait');

/**
 * Why these answers cannot be kept, by field; empty where they can. Every line is answered once. A safety line that is
 * declined or left to wait needs the customer's explicit word (`understood`).
 */
export function whyNotAnswers(
  content: RevisionContent,
  answers: readonly LineAnswer[],
  understood: boolean,
): FieldReason[] {
  const byLine = new Map(answers.map((a) => [a.lineId, a]));
  const known = new Set(content.lines.map((l) => l.id));
  const faults: FieldReason[] = [];
  if (byLine.size < answers.length) faults.push({ field: 'answers', reason: 'a line is answered twice' });
  if (answers.some((a) => !known.has(a.lineId)))
    faults.push({ field: 'answers', reason: 'a line is answered that is not in this estimate' });
  const undecided = new Set(
    (content.choices ?? []).filter((c) => takenWay(content, c, answers) === undefined).map((c) => c.id),
  );
  for (const c of content.choices ?? [])
    if (undecided.has(c.id))
      faults.push({ field: `choice.${c.id}`, reason: `say which way “${c.title}” is to be done` });
  for (const line of content.lines) {
    const given = byLine.get(line.id);
    const choice = choiceOf(content, line);
    if (choice && undecided.has(choice.id)) continue;
    const field = choice ? `choice.${choice.id}` : `line.${line.id}`;
    if (given?.answer === 'other way') {
      if (!choice) faults.push({ field, reason: `there is no other way to do “${line.title}”` });
    } else if (!given) faults.push({ field, reason: `say what to do about “${line.title}”` });
    else if (given.answer === 'ask' && !given.question?.trim())
      faults.push({ field, reason: `write what you want to know about “${line.title}”` });
    else if (given.answer === 'approve') {
      const missing = content.lines.find(
        (n) => line.needs.includes(n.id) && byLine.get(n.id)?.answer !== 'approve',
      );
      if (missing) faults.push({ field, reason: `“${line.title}” can only be done with “${missing.title}”` });
    }
  }
  const unsafe = content.lines.find((l) => {
    const given = byLine.get(l.id);
    return given !== undefined && declinesSafety(l, given);
  });
  if (unsafe && !understood)
    faults.push({
      field: 'understood',
      reason: `“${unsafe.title}” is about safety: say that you understand what it means to leave it`,
    });
  return faults;
}

/** One answer to one revision, in the order in which they came. */
export interface Answered {
  revision: RevisionContent;
  answers: readonly LineAnswer[];
}

export type LineState =
  'open' | 'asked' | 'approved' | 'waits' | 'declined' | 'question' | 'other way' | 'changed';

export interface LineStanding {
  state: LineState;
  /** What was approved, with tax; 0 while nothing is. */
  approvedMinor: number;
}

const STATES: Record<Given, LineState> = {
  approve: 'approved',
  wait: 'waits',
  decline: 'declined',
  ask: 'question',
  'other way': 'other way',
};

/**
 * How a line stands now. Its newest answer counts, and only for what was promised then: a line whose words or price differ
 * from the approved ones is `changed`, and needs asking again.
 */
export function standingOf(
  line: RevisionLine,
  newest: RevisionContent | undefined,
  answered: readonly Answered[],
): LineStanding {
  for (let i = answered.length - 1; i >= 0; i -= 1) {
    const { revision, answers } = answered[i]!;
    const given = answers.find((a) => a.lineId === line.id);
    if (!given) continue;
    const then = revision.lines.find((l) => l.id === line.id)!;
    const approvedMinor = given.answer === 'approve' ? then.grossMinor : 0;
    return { state: samePromise(then, line) ? STATES[given.answer] : 'changed', approvedMinor };
  }
  return { state: newest?.lines.some((l) => l.id === line.id) ? 'asked' : 'open', approvedMinor: 0 };
}

export interface WorkCase {
  title: string;
  standing: LineStanding;
  /** Expected price with tax. */
  grossMinor: number;
  discretionLeftMinor: number;
}

/** What allows work on a line: the customer's agreement, or the discretion limit that was settled at the start. */
export function allowedBy({
  standing,
  grossMinor,
  discretionLeftMinor,
}: WorkCase): 'agreed' | 'discretion' | null {
  if (standing.state === 'approved') return 'agreed';
  if (standing.state === 'declined' || standing.state === 'other way') return null;
  return grossMinor <= discretionLeftMinor ? 'discretion' : null;
}

/** Why nobody may work on this line yet, with the way out; null where they may. */
export function whyNotWork(
  work: WorkCase,
  customer: string,
  manner: { currency: string; locale: string },
): string | null {
  if (allowedBy(work) !== null) return null;
  const { title, standing, grossMinor, discretionLeftMinor } = work;
  if (standing.state === 'declined')
    return `${customer} declined “${title}”. Ask again before anything is done.`;
  if (standing.state === 'other way')
    return `“${title}” belongs to a way of doing it that ${customer} has not chosen. Ask again before anything is done.`;
  const money = (minor: number): string => formatMoney(minor, manner.currency, manner.locale);
  const left = `it comes to ${money(grossMinor)}, and ${money(discretionLeftMinor)} of the discretion limit is left`;
  if (standing.state === 'changed')
    return `“${title}” has changed since ${customer} agreed to it, and ${left}. Send it again first.`;
  return `${customer} has not agreed to “${title}” yet, and ${left}. Send the estimate, or record what was said by telephone.`;
}

/** Safety lines that the customer has left undone: why the car cannot be handed over as roadworthy. Empty when it can. */
export const whyNotRoadworthy = (
  lines: readonly { title: string; class: string; state: LineState }[],
): string[] =>
  lines
    .filter((l) => l.class === 'safety' && (l.state === 'declined' || l.state === 'waits'))
    .map((l) => `“${l.title}” was ${l.state === 'declined' ? 'declined' : 'left to wait'}`);
