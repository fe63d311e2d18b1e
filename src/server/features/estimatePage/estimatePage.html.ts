/** The customer's estimate: each line with its why and its price, and the answers to press. Works without a script. */
import {
  ANSWERS,
  choiceOf,
  pickOf,
  takenWay,
  type Answer,
  type ChoicePick,
  type FieldReason,
  type LineAnswer,
  type LineState,
} from '#core/approval/answers.ts';
import type {
  LineChange,
  RevisionChoice,
  RevisionContent,
  RevisionLine,
  RevisionWay,
} from '#core/approval/revision.ts';
import { weeksInWords } from '#core/estimate/ways.ts';
import type { LineClass } from '#core/log/kinds.ts';
import { formatMoney } from '#core/money/money.ts';
import { picturesHtml } from '#core/photo/shown.ts';
import { escapeHtml as esc } from '#core/update/escape.ts';

/** What the page is about, for its head and for how money is written. */
export interface PageOf {
  shop: string;
  vehicle: string;
  locale: string;
  /** The customer's own address, under which everything of theirs stands. */
  home: string;
  /** Where the form goes: the page's own address. */
  action: string;
  /** Who reads it may answer it; otherwise it is the customer who does. */
  mayAnswer: boolean;
  customer: string;
}

/** What was typed, to be shown again when something in it is missing. */
export interface Typed {
  name: string;
  understood: boolean;
  answers: LineAnswer[];
}

const CLASS_WORDS: Record<LineClass, string> = {
  safety: 'Safety: the car is not safe without it',
  must: 'Must: it does not work, or gets worse, without it',
  should: 'Should: better done now',
  nice: 'Nice to have',
};

const ANSWER_WORDS: Record<Answer, string> = {
  approve: 'Do it',
  wait: 'Let it wait',
  decline: 'Leave it out',
  ask: 'I have a question',
};

const STATE_WORDS: Partial<Record<LineState, string>> = {
  approved: 'You agreed to this.',
  waits: 'You let this wait.',
  declined: 'You left this out.',
  'other way': 'You chose another way.',
  question: 'You asked about this.',
  changed: 'This has changed since you answered.',
};

const CHANGE_WORDS: Record<LineChange['change'], string> = {
  added: 'new',
  dropped: 'no longer in it',
  words: 'worded anew',
  dearer: 'dearer',
  cheaper: 'cheaper',
  'now waits': 'may wait now',
  'now to be done': 'to be done now',
  'other way': 'left to another way of doing it',
};

const moneyIn =
  (of: PageOf, content: RevisionContent) =>
  (minor: number): string =>
    esc(formatMoney(minor, content.currency, of.locale));

const faultAt = (faults: readonly FieldReason[], field: string): string => {
  const fault = faults.find((f) => f.field === field);
  return fault ? `<p class="fault" role="alert">${esc(fault.reason)}.</p>` : '';
};

/** The answers to press, and what was answered already. */
function answersHtml(line: RevisionLine, given: LineAnswer | undefined): string {
  const radios = ANSWERS.map(
    (a) =>
      `<label><input type="radio" name="line.${line.id}" value="${a}"${given?.answer === a ? ' checked' : ''}> ${ANSWER_WORDS[a]}</label>`,
  );
  return `<div class="choices" role="radiogroup" aria-label="${esc(line.title)}">${radios.join('')}</div>
    <label class="question">Your question, if you have one<input name="question.${line.id}" maxlength="1000" value="${esc(given?.question ?? '')}"></label>`;
}

function lineHtml(
  line: RevisionLine,
  state: LineState,
  given: LineAnswer | undefined,
  faults: readonly FieldReason[],
  money: (minor: number) => string,
  home: string,
): string {
  const range =
    line.lowGrossMinor === line.highGrossMinor
      ? ''
      : `<p class="range">between ${money(line.lowGrossMinor)} and ${money(line.highGrossMinor)}</p>`;
  const waits =
    line.proposal === 'wait' ? '<p class="proposal">This one can wait; I propose to put it off.</p>' : '';
  const stands = STATE_WORDS[state] ? `<p class="stands">${STATE_WORDS[state]}</p>` : '';
  return `<section class="line" aria-labelledby="l-${line.id}"><div class="top"><h3 id="l-${line.id}">${esc(line.title)}</h3><p class="price">${money(line.grossMinor)}</p></div>
    <p class="class">${CLASS_WORDS[line.class]}</p>${line.why === '' ? '' : `<p>${esc(line.why)}</p>`}${picturesHtml(line.pictures ?? [], home, line.title)}${range}${waits}${stands}${answersHtml(line, given)}${faultAt(faults, `line.${line.id}`)}</section>`;
}

/** A way's lines: what would be done, and what each costs. */
const wayLines = (
  content: RevisionContent,
  way: RevisionWay,
  money: (minor: number) => string,
  home: string,
): string =>
  content.lines
    .filter((l) => l.wayId === way.id)
    .map(
      (l) =>
        `<li>${esc(l.title)}, ${money(l.grossMinor)}${l.why === '' ? '' : `: ${esc(l.why)}`}${l.class === 'safety' ? ` (${CLASS_WORDS.safety})` : ''}${picturesHtml(l.pictures ?? [], home, l.title)}</li>`,
    )
    .join('');

/** Two or three ways to do it, side by side in words; one is chosen as a whole. */
function choiceHtml(
  content: RevisionContent,
  choice: RevisionChoice,
  given: ChoicePick | undefined,
  faults: readonly FieldReason[],
  money: (minor: number) => string,
  home: string,
): string {
  const name = `choice.${choice.id}`;
  const radio = (value: string, words: string): string =>
    `<label><input type="radio" name="${name}" value="${value}"${given?.pick === value ? ' checked' : ''}> ${words}</label>`;
  const ways = choice.ways.map((w) => {
    const advised = w.id === choice.heldId ? ' <span class="small">(what I would do)</span>' : '';
    return `<div class="way">${radio(w.id, `<span><b>${esc(w.name)}</b>${advised}</span>`)}<ul>${wayLines(content, w, money, home)}</ul>
      <p>Everything then comes to ${money(w.grossMinor)}, in four cases of five not above ${money(w.p80GrossMinor)}. It takes ${weeksInWords(w)}.</p><p>What stays at risk: ${esc(w.risk)}</p></div>`;
  });
  const without = (['wait', 'decline', 'ask'] as const).map((a) => radio(a, ANSWER_WORDS[a]));
  return `<section class="line" aria-labelledby="c-${choice.id}"><h3 id="c-${choice.id}">${esc(choice.title)}: which way?</h3>
    <div role="radiogroup" aria-labelledby="c-${choice.id}">${ways.join('')}<div class="choices">${without.join('')}</div></div>
    <label class="question">Your question, if you have one<input name="question.${choice.id}" maxlength="1000" value="${esc(given?.question ?? '')}"></label>${faultAt(faults, name)}</section>`;
}

function totals(content: RevisionContent, money: (minor: number) => string): string {
  const budget =
    content.budgetMinor === null ? '' : `<dt>Your budget</dt><dd>${money(content.budgetMinor)}</dd>`;
  return `<dl class="totals"><dt>All that I propose to do</dt><dd>${money(content.grossMinor)}</dd>
    <dt>Kept in four cases of five</dt><dd>${money(content.p80GrossMinor)}</dd>
    <dt>Tax in it</dt><dd>${money(content.taxMinor)}</dd>${budget}</dl>`;
}

export interface LineNow {
  state: LineState;
  given: LineAnswer | undefined;
}

const givenNow = (lines: ReadonlyMap<string, LineNow>): LineAnswer[] =>
  [...lines.values()].flatMap((l) => l.given ?? []);

/** What the customer reads and answers. `changes`: what the page they came from did not have yet. */
export function estimateHtml(
  of: PageOf,
  revision: { id: string; content: RevisionContent },
  lines: ReadonlyMap<string, LineNow>,
  typed: Typed,
  faults: readonly FieldReason[] = [],
  changes: readonly LineChange[] | null = null,
): string {
  const { content } = revision;
  const money = moneyIn(of, content);
  const hasSafety = content.lines.some((l) => l.class === 'safety');
  const wrong =
    faults.length > 0
      ? '<p class="fault" role="alert">Something is still missing; it stands below. Nothing was sent.</p>'
      : '';
  return `${changes === null ? '' : newerHtml(content, changes, money)}<h2>Estimate ${content.number} for your ${esc(of.vehicle)}</h2>${wrong}
    ${content.note === '' ? '' : `<p>${esc(content.note)}</p>`}${totals(content, money)}
    ${of.mayAnswer ? `<form method="post" action="${esc(of.action)}"><input type="hidden" name="revision" value="${revision.id}">` : `<p role="note">${esc(of.customer)} answers this estimate. You can read it here.</p><fieldset disabled>`}
    ${(content.choices ?? []).map((c) => choiceHtml(content, c, pickOf(content, c, givenNow(lines)), faults, money, of.home)).join('')}
    ${content.lines
      .filter((l) => !choiceOf(content, l))
      .map((l) =>
        lineHtml(l, lines.get(l.id)?.state ?? 'asked', lines.get(l.id)?.given, faults, money, of.home),
      )
      .join('')}
    ${of.mayAnswer ? answerHtml(hasSafety, typed, faults) : '</fieldset>'}`;
}

/** What stands below the lines: the word for what is left out, the name, and the ways to send. */
function answerHtml(hasSafety: boolean, typed: Typed, faults: readonly FieldReason[]): string {
  return `${hasSafety ? `<label class="word"><input type="checkbox" name="understood" value="yes"${typed.understood ? ' checked' : ''}> If I leave out a safety line or let it wait, I understand that the car is not safe to drive and cannot be handed over as roadworthy.</label>${faultAt(faults, 'understood')}` : ''}
    <label class="name">Your name<input name="name" required maxlength="120" autocomplete="name" value="${esc(typed.name)}"></label>${faultAt(faults, 'name')}${faultAt(faults, 'answers')}
    <p class="send"><button type="submit">Send these answers: I get a code by mail</button>
    <button type="submit" name="all" value="yes" class="plain">Agree to all as you propose it</button></p>
    <p class="small">Nothing is agreed before you type the code from the mail.</p></form>`;
}

function newerHtml(
  content: RevisionContent,
  changes: readonly LineChange[],
  money: (m: number) => string,
): string {
  const rows = changes.map((c) => {
    const price =
      c.beforeMinor === c.afterMinor
        ? money(c.afterMinor)
        : `${money(c.beforeMinor)} → ${money(c.afterMinor)}`;
    return `<li><b>${esc(c.title)}</b>: ${CHANGE_WORDS[c.change]}, ${price}</li>`;
  });
  const what = rows.length === 0 ? '<p>The lines are the same.</p>' : `<ul>${rows.join('')}</ul>`;
  return `<aside class="newer" role="status"><h2>There is a newer estimate</h2><p>The page you answered was an older one, so nothing was agreed. This is what estimate ${content.number} changes:</p>${what}</aside>`;
}

/** What they chose, before it counts: with the sum, and the field for the code. */
export function codeHtml(
  of: PageOf,
  content: RevisionContent,
  waiting: { id: string; name: string; given: readonly LineAnswer[] },
  fault: string | null = null,
): string {
  return `<h2>One more step</h2>${chosenHtml(of, content, waiting.given)}
    <p>A code of six digits is on its way to your mail.</p>
    <form method="post" action="${esc(of.action)}/code"><input type="hidden" name="answer" value="${waiting.id}">
    <label class="name">The code<input name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="12" required></label>
    ${fault === null ? '' : `<p class="fault" role="alert">${esc(fault)}</p>`}
    <button type="submit">This is what I want, ${esc(waiting.name)}</button></form>
    <p class="small"><a href="${esc(of.action)}">Change my answers</a></p>`;
}

function chosenHtml(of: PageOf, content: RevisionContent, given: readonly LineAnswer[]): string {
  const money = moneyIn(of, content);
  const answerOf = new Map(given.map((g) => [g.lineId, g]));
  const agreed = content.lines.filter((l) => answerOf.get(l.id)?.answer === 'approve');
  const ways = (content.choices ?? []).flatMap((c) => {
    const way = c.ways.find((w) => w.id === takenWay(content, c, given));
    return way ? [`<tr><th scope="row">${esc(c.title)}</th><td colspan="2">${esc(way.name)}</td></tr>`] : [];
  });
  const rows = content.lines.flatMap((l) => {
    const { answer, question } = answerOf.get(l.id)!;
    if (answer === 'other way') return [];
    return [
      `<tr><th scope="row">${esc(l.title)}</th><td>${ANSWER_WORDS[answer]}${question ? `: “${esc(question)}”` : ''}</td><td class="price">${answer === 'approve' ? money(l.grossMinor) : ''}</td></tr>`,
    ];
  });
  const sum = agreed.reduce((s, l) => s + l.grossMinor, 0);
  return `<table class="chosen"><caption>Your answers to estimate ${content.number}</caption><tbody>${ways.join('')}${rows.join('')}</tbody><tfoot><tr><th scope="row" colspan="2">To be done, with tax</th><td class="price">${money(sum)}</td></tr></tfoot></table>`;
}

/** The record of an answer: what, by whom, when, over which exact text. Made to be printed. */
export function answeredHtml(
  of: PageOf,
  revision: { hash: string; content: RevisionContent },
  answer: { name: string; at: string; given: readonly LineAnswer[] },
): string {
  return `<h2>Thank you, ${esc(answer.name)}</h2><p>Your answer is kept, and the workshop has it.</p>${chosenHtml(of, revision.content, answer.given)}
    <p class="small">Answered by ${esc(answer.name)} on ${esc(answer.at)}. Estimate ${revision.content.number}, fingerprint <code>${revision.hash}</code>. You can print this page.</p>
    <p class="small"><a href="${esc(of.action)}">Back to the estimate</a></p>`;
}
