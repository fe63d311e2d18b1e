/**
 * The kinds of logbook entry: one registry. What a kind may carry, what of it counts in the ledger,
 * who hears of it unless somebody says otherwise, and how it reads back.
 */
import type { Day } from '../time/days.ts';

export const KINDS = [
  'note',
  'found',
  'needs',
  'planned',
  'did',
  'ordered',
  'arrived',
  'fitted',
  'spent',
  'hours',
  'waiting',
  'resumed',
  'reading',
  'moved',
  'asked',
  'decided',
  'told',
  'correction',
] as const;
export type Kind = (typeof KINDS)[number];

export const CLASSES = ['safety', 'must', 'should', 'nice'] as const;
export type LineClass = (typeof CLASSES)[number];

/** Why something is as it was found. */
export const CAUSES = ['age', 'wear', 'damage', 'earlier work', 'design', 'unknown'] as const;
export type Cause = (typeof CAUSES)[number];

/** What is to be done about it. */
export const REMEDIES = ['repair', 'replace', 'make', 'find', 'adjust', 'watch'] as const;
export type Remedy = (typeof REMEDIES)[number];

export const AUDIENCES = ['shop', 'customer'] as const;
/** Who an entry is for: `shop` stays in the shop, `customer` goes into the next letter's draft. */
export type Audience = (typeof AUDIENCES)[number];

/** A measured value with its unit as written. */
export interface Measure {
  value: number;
  unit: string;
}

/** What an entry's text was understood to say. Names, not ids: the words outlive the records. */
export interface Facts {
  subject?: string;
  zone?: string;
  minutes?: number;
  moneyMinor?: number;
  quantity?: number;
  due?: Day;
  on?: Day;
  vendor?: string;
  person?: string;
  place?: string;
  class?: LineClass;
  cause?: Cause;
  remedy?: Remedy;
  /** What it does to the complaint. */
  effect?: string;
  measures?: Measure[];
}
export type FactField = keyof Facts;

export interface KindSpec {
  /** How the kind is named on screen. */
  word: string;
  /** One line of help: when to use it. */
  help: string;
  /** Facts that mean something for this kind; others are refused. */
  fields: readonly FactField[];
  /** How its money counts: spent, on order (spent once it is here), estimate (asked or expected), or only noted. */
  money: 'spent' | 'on order' | 'estimate' | 'noted';
  /** How its minutes count. */
  minutes: 'worked' | 'estimate' | 'noted';
  audience: Audience;
  /** The section of the letter it is told in, or why the customer is never told of it as it stands. */
  letter: { section: LetterSection } | { never: string };
}

export const LETTER_SECTIONS = [
  'done',
  'found',
  'ordered',
  'waiting',
  'decisions',
  'corrections',
  'other',
] as const;
export type LetterSection = (typeof LETTER_SECTIONS)[number];

const EVERY: readonly FactField[] = ['subject', 'zone', 'on', 'person', 'measures', 'quantity'];

export const KIND_SPECS: Record<Kind, KindSpec> = {
  note: {
    word: 'Note',
    help: 'Anything worth keeping that is none of the others.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'due', 'vendor', 'class', 'place'],
    money: 'noted',
    minutes: 'noted',
    audience: 'shop',
    letter: { section: 'other' },
  },
  found: {
    word: 'Found',
    help: 'Something seen: where, what, how bad, what it may cost.',
    fields: [
      ...EVERY,
      'minutes',
      'moneyMinor',
      'class',
      'vendor',
      'due',
      'place',
      'cause',
      'remedy',
      'effect',
    ],
    money: 'estimate',
    minutes: 'estimate',
    audience: 'customer',
    letter: { section: 'found' },
  },
  needs: {
    word: 'Needs',
    help: 'A part or material that is to be got: it goes on the parts list, and costs nothing until it is ordered.',
    fields: [...EVERY, 'moneyMinor', 'due', 'vendor', 'class'],
    money: 'noted',
    minutes: 'noted',
    audience: 'shop',
    letter: { never: 'told once it is ordered' },
  },
  planned: {
    word: 'Planned',
    help: 'Work that is to be done: it becomes a task, and its hours are none that were worked.',
    fields: [...EVERY, 'minutes', 'due', 'place', 'class'],
    money: 'noted',
    minutes: 'noted',
    audience: 'shop',
    letter: { never: 'told in the letter as what is next, and once it is done' },
  },
  did: {
    word: 'Did',
    help: 'Work done, with the hours it took.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'class', 'vendor', 'place'],
    money: 'spent',
    minutes: 'worked',
    audience: 'customer',
    letter: { section: 'done' },
  },
  ordered: {
    word: 'Ordered',
    help: 'A part or material on order; its price counts as ordered from today.',
    fields: [...EVERY, 'moneyMinor', 'due', 'vendor', 'class'],
    money: 'on order',
    minutes: 'noted',
    audience: 'customer',
    letter: { section: 'ordered' },
  },
  arrived: {
    word: 'Arrived',
    help: 'A part, or something sent out, is here. A price counts where no part of the list carries it already.',
    fields: [...EVERY, 'moneyMinor', 'vendor', 'place'],
    money: 'spent',
    minutes: 'noted',
    audience: 'customer',
    letter: { section: 'ordered' },
  },
  fitted: {
    word: 'Fitted',
    help: 'A part is on the car. Its price was counted when it was ordered.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'vendor', 'place'],
    money: 'noted',
    minutes: 'worked',
    audience: 'customer',
    letter: { section: 'done' },
  },
  spent: {
    word: 'Spent',
    help: 'Money paid out for this build.',
    fields: [...EVERY, 'moneyMinor', 'vendor'],
    money: 'spent',
    minutes: 'noted',
    audience: 'shop',
    letter: { never: 'told in the letter as part of the cost so far, not purchase by purchase' },
  },
  hours: {
    word: 'Hours',
    help: 'Time worked, where there is nothing else to say.',
    fields: [...EVERY, 'minutes'],
    money: 'noted',
    minutes: 'worked',
    audience: 'shop',
    letter: { never: 'told in the letter as part of the hours so far' },
  },
  waiting: {
    word: 'Waiting',
    help: 'What the car stands waiting for, and since when.',
    fields: [...EVERY, 'due', 'vendor', 'place'],
    money: 'noted',
    minutes: 'noted',
    audience: 'customer',
    letter: { section: 'waiting' },
  },
  resumed: {
    word: 'Going again',
    help: 'The wait is over.',
    fields: [...EVERY, 'vendor', 'place'],
    money: 'noted',
    minutes: 'noted',
    audience: 'customer',
    letter: { section: 'waiting' },
  },
  reading: {
    word: 'Reading',
    help: 'A measurement taken.',
    fields: [...EVERY, 'minutes', 'place'],
    money: 'noted',
    minutes: 'worked',
    audience: 'shop',
    letter: { section: 'found' },
  },
  moved: {
    word: 'Moved',
    help: 'The car, or a part of it, stands somewhere else now.',
    fields: [...EVERY, 'vendor', 'place', 'minutes'],
    money: 'noted',
    minutes: 'worked',
    audience: 'shop',
    letter: { never: 'where a car stands in the shop is the shop’s own business' },
  },
  asked: {
    word: 'Asked',
    help: 'A question to the customer or to a vendor.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'due', 'vendor', 'class'],
    money: 'estimate',
    minutes: 'estimate',
    audience: 'customer',
    letter: { section: 'decisions' },
  },
  decided: {
    word: 'Decided',
    help: 'What was settled, and by whom.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'due', 'vendor', 'class'],
    money: 'estimate',
    minutes: 'estimate',
    audience: 'customer',
    letter: { section: 'decisions' },
  },
  told: {
    word: 'Told',
    help: 'What the customer was told, by letter, telephone or in person.',
    fields: [...EVERY, 'due', 'moneyMinor', 'minutes'],
    money: 'noted',
    minutes: 'noted',
    audience: 'shop',
    letter: { never: 'they have been told already' },
  },
  correction: {
    word: 'Correction',
    help: 'Puts an earlier entry right; the earlier one stays to be read.',
    fields: [...EVERY, 'minutes', 'moneyMinor', 'due', 'vendor', 'class', 'place'],
    money: 'noted',
    minutes: 'noted',
    audience: 'shop',
    letter: { section: 'corrections' },
  },
};

/** Kinds whose minutes are work done on the car. */
export const WORKED_KINDS: readonly Kind[] = KINDS.filter((k) => KIND_SPECS[k].minutes === 'worked');

/** Kinds whose money the build's costs count, spent or on order, where no part, piece or batch carries it. */
export const BOUGHT_KINDS: readonly Kind[] = KINDS.filter((k) =>
  ['spent', 'on order'].includes(KIND_SPECS[k].money),
);

/** Why these facts cannot stand in an entry of this kind, by field; empty when they can. */
export function whyNotFacts(kind: Kind, facts: Facts): { field: FactField; reason: string }[] {
  const { fields, word } = KIND_SPECS[kind];
  return (Object.keys(facts) as FactField[])
    .filter((field) => facts[field] !== undefined && !fields.includes(field))
    .map((field) => ({ field, reason: `“${word}” entries do not carry ${FIELD_WORDS[field]}` }));
}

/** How a fact is named to people. */
export const FIELD_WORDS: Record<FactField, string> = {
  subject: 'what',
  zone: 'where on the car',
  minutes: 'hours',
  moneyMinor: 'money',
  quantity: 'how many',
  due: 'due',
  on: 'since / on',
  vendor: 'vendor',
  person: 'who',
  place: 'place',
  class: 'class',
  cause: 'from',
  remedy: 'to do',
  effect: 'does to the complaint',
  measures: 'measured',
};
