/** What a letter says of money, of what must be answered and of the day: all of it worked out, none of it typed. */
import type { LineState } from '../approval/answers.ts';
import type { LineClass } from '../log/kinds.ts';
import { inSentence, type Manner } from '../log/sentences.ts';
import { formatMoney, minorDigits } from '../money/money.ts';
import { daysBetween, formatDay, type Day } from '../time/days.ts';
import { formatMinutes } from '../time/hours.ts';
import type { LetterItem } from './letter.ts';

/** A customer’s own currency: what one unit of the shop’s is in it, as somebody said on a day. */
export interface AlsoIn {
  currency: string;
  /** Millionths: 1.17 is 1,170,000. */
  rateMillionths: number;
}

/** How this letter’s figures are written. */
export interface LetterManner extends Manner {
  also?: AlsoIn;
  /** Whether distances are told in kilometres; miles otherwise. */
  metric?: boolean;
}

/** A change, and how it stands. */
export interface LetterChange {
  lineId: string;
  title: string;
  grossMinor: number;
  state: LineState;
  /** The day of its newest answer, of its asking while there is none. */
  on: Day;
}

/** The money of a build, with tax, as its costs have it. */
export interface LetterMoney {
  approvedMinor: number;
  /** Of it, agreed after the first estimate. */
  changesMinor: number;
  /** Begun without asking, inside what was agreed for that. */
  discretionMinor: number;
  spentMinor: number;
  committedMinor: number;
  expectedMinor: number;
  changes: readonly LetterChange[];
  account: readonly {
    id: string;
    what: string;
    askedMinor: number;
    receivedMinor: number;
    due: Day | null;
  }[];
}

/** A line that was sent and waits for the customer’s word. */
export interface LetterDecision {
  lineId: string;
  title: string;
  class: LineClass;
  grossMinor: number;
}

/** When it is to be ready: what was told last, what holds now, and what is on record about the difference. */
export interface LetterReady {
  promised: Day | null;
  /** As the last letter told it; null where none did. */
  told: Day | null;
  /** Days that it rested for the customer’s reasons since the promise was given. */
  restedDays: number;
  /** What it waited for since the last letter, longest first. */
  waited: readonly { what: string; days: number }[];
}

const MILLION = 1_000_000;

/** Money in the shop’s currency, with about what it is in the customer’s own: whole units, as befits an “about”. */
export function moneyWords(minor: number, { currency, locale, also }: LetterManner): string {
  const own = formatMoney(minor, currency, locale);
  if (also === undefined) return own;
  const major = (minor / 10 ** minorDigits(currency)) * (also.rateMillionths / MILLION);
  const about = new Intl.NumberFormat(locale, {
    style: 'currency',
    currency: also.currency,
    maximumFractionDigits: 0,
  }).format(major);
  return `${own} (about ${about})`;
}

/** International mile, 1959: exactly 1.609344 km. */
const KM_PER_MILE = 1.609344;

export const distanceWords = (miles: number, { metric }: LetterManner): string =>
  metric ? `${Math.round(miles * KM_PER_MILE)} km` : `${miles} ${miles === 1 ? 'mile' : 'miles'}`;

const fixed = (id: string, text: string): LetterItem => ({ id, text, leftOut: false, fixed: true });

const CHANGE_WORDS: Partial<Record<LineState, string>> = {
  asked: 'asked of you',
  approved: 'agreed',
  waits: 'put off',
  declined: 'declined',
  question: 'you asked about it',
  changed: 'agreed, and changed since',
};

/** “Change agreed on Mon 2 Mar: floor pans, £420.00.” */
function changeItem(change: LetterChange, manner: LetterManner): LetterItem[] {
  const words = CHANGE_WORDS[change.state];
  if (words === undefined) return [];
  const on = formatDay(change.on, manner.locale, manner.today);
  const price = moneyWords(change.grossMinor, manner);
  return [
    fixed(
      `costs-change-${change.lineId}`,
      `Change, ${words} on ${on}: ${inSentence(change.title)}, ${price}.`,
    ),
  ];
}

function agreedItems(money: LetterMoney, manner: LetterManner): LetterItem[] {
  const say = (minor: number): string => moneyWords(minor, manner);
  const items: LetterItem[] = [];
  const ofIt = money.changesMinor > 0 ? `, of it ${say(money.changesMinor)} in changes` : '';
  items.push(fixed('costs-agreed', `Agreed: ${say(money.approvedMinor)}${ofIt}.`));
  if (money.discretionMinor > 0)
    items.push(
      fixed(
        'costs-discretion',
        `Begun without asking, within what we agreed for that: ${say(money.discretionMinor)}.`,
      ),
    );
  items.push(...money.changes.flatMap((c) => changeItem(c, manner)));
  const onOrder = money.committedMinor > 0 ? `, and ${say(money.committedMinor)} is on order` : '';
  items.push(fixed('costs-spent', `Spent of it so far: ${say(money.spentMinor)}${onOrder}.`));
  items.push(fixed('costs-end', endWords(money, manner)));
  return items;
}

function endWords(
  { approvedMinor, discretionMinor, expectedMinor }: LetterMoney,
  manner: LetterManner,
): string {
  const over = expectedMinor - approvedMinor - discretionMinor;
  const end = `As it stands, it comes to ${moneyWords(expectedMinor, manner)} in the end`;
  return over > 0 ? `${end}: ${moneyWords(over, manner)} more than was agreed.` : `${end}.`;
}

function accountItems({ account }: LetterMoney, manner: LetterManner): LetterItem[] {
  const paid = account.reduce((sum, a) => sum + a.receivedMinor, 0);
  const items =
    paid === 0 ? [] : [fixed('costs-paid', `Paid on account: ${moneyWords(paid, manner)}. Thank you.`)];
  const open = account.filter((a) => a.receivedMinor < a.askedMinor);
  return [
    ...items,
    ...open.map((a) => {
      const due = a.due === null ? '' : `, due ${formatDay(a.due, manner.locale, manner.today)}`;
      const left = moneyWords(a.askedMinor - a.receivedMinor, manner);
      return fixed(`costs-account-${a.id}`, `Asked for on account, ${inSentence(a.what)}: ${left}${due}.`);
    }),
  ];
}

/**
 * What it comes to. Where something is agreed or begun, the figures of its costs; before that, what the logbook says was
 * bought.
 */
export function costItems(
  money: LetterMoney | null,
  logged: { spentMinor: number; workedMinutes: number },
  manner: LetterManner,
): LetterItem[] {
  const worked = `Hours worked so far: ${formatMinutes(logged.workedMinutes)}.`;
  if (money === null)
    return [
      fixed(
        'costs-so-far',
        `Parts, materials and outside work so far: ${moneyWords(logged.spentMinor, manner)}. ${worked}`,
      ),
    ];
  return [...agreedItems(money, manner), fixed('costs-hours', worked), ...accountItems(money, manner)];
}

/** What the customer must decide: a line each, with its price. */
export const decisionItems = (decisions: readonly LetterDecision[], manner: LetterManner): LetterItem[] =>
  decisions.map((d) => ({
    ...fixed(
      `decide-${d.lineId}`,
      `${d.title}, ${moneyWords(d.grossMinor, manner)}${d.class === 'safety' ? ': for safety' : ''}.`,
    ),
    answer: true,
  }));

const days = (n: number): string => (n === 1 ? '1 day' : `${n} days`);

/** Why the day moved: only what is on record. */
function movedBecause({ promised, told, restedDays, waited }: LetterReady): string {
  if (promised === null || told === null || promised <= told) return '';
  const moved = daysBetween(told, promised);
  const rested = Math.min(restedDays, moved);
  const reasons = rested === 0 ? [] : [` Of these, ${days(rested)} because it rested for your reasons.`];
  const [longest] = rested < moved ? waited : [];
  if (longest && longest.days > 0)
    reasons.push(` Since my last letter it waited ${days(longest.days)} for ${longest.what}.`);
  return reasons.join('');
}

/** When it will be ready; where that moved, by how much and why; where it passed, that it did. */
export function readyItems(ready: LetterReady, manner: LetterManner): LetterItem[] {
  const { promised, told, restedDays } = ready;
  if (promised === null) return [];
  const say = (day: Day): string => formatDay(day, manner.locale, manner.today);
  if (promised < manner.today)
    return [
      fixed(
        'ready',
        `It was promised for ${say(promised)}. That day has passed, and there is no new one yet.`,
      ),
    ];
  if (told !== null && told !== promised) {
    const by = `${days(Math.abs(daysBetween(told, promised)))} ${promised > told ? 'later' : 'sooner'}`;
    return [
      fixed(
        'ready',
        `It was to be ready on ${say(told)} and is now promised for ${say(promised)}: ${by}.${movedBecause(ready)}`,
      ),
    ];
  }
  const rested =
    restedDays === 0
      ? ''
      : ` ${days(restedDays)} that it rested for your reasons ${restedDays === 1 ? 'is' : 'are'} in that.`;
  return [fixed('ready', `Promised for ${say(promised)}.${rested}`)];
}
