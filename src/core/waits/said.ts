/** What a wait that somebody typed is about, by its words: money, weather, a person, another car; and so whose act ends it. */
import { withArticle } from '../log/sentences.ts';
import type { HoldKind } from './binding.ts';
import type { Wait } from './waits.ts';

/** Names that words may mean. */
export interface SaidNames {
  customer: string;
  people: readonly string[];
  /** Nicknames of the other cars. */
  cars: readonly string[];
}

const MONEY = /\b(?:money|payments?|paid|pays?|deposits?|instal?lments?|transfer|invoice)\b/i;
const WEATHER =
  /\b(?:weather|rain|frost|snow|wind|storm|damp|humidity|sun|dry (?:day|spell|week)|warm(?:er)? (?:day|week|weather))\b/i;
const CURE = /\b(?:cure|curing|to (?:dry|harden|set|cool)|flash[- ]?off)\b/i;

const wordIn = (name: string, text: string): boolean =>
  name !== '' &&
  new RegExp(`(?<![\\p{L}])${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}])`, 'iu').test(text);

const firstName = (name: string): string => name.split(/\s+/)[0] ?? name;

/** By its vendor if one is named, then by what it says, the surest first. */
export function saidHold(
  { subject, vendor, person: named }: Pick<Wait, 'subject' | 'vendor' | 'person'>,
  { customer, people, cars }: SaidNames,
): { kind: HoldKind; act: string } {
  const namesCustomer = wordIn(firstName(customer), subject);
  if (named) return { kind: 'person', act: `give ${named} the time for it` };
  if (MONEY.test(subject)) return { kind: 'payment', act: `ask ${customer} for it` };
  if (vendor) return { kind: 'vendor', act: `ring ${withArticle(vendor)}` };
  const car = cars.find((c) => wordIn(c, subject));
  if (car) return { kind: 'other build', act: `see to the ${car} first` };
  if (namesCustomer) return { kind: 'answer', act: `ring ${customer}` };
  if (WEATHER.test(subject)) return { kind: 'weather', act: 'keep the first fit day free for it' };
  const person = people.find((p) => wordIn(p, subject) || wordIn(firstName(p), subject));
  if (person) return { kind: 'person', act: `give ${person} the time for it` };
  if (CURE.test(subject)) return { kind: 'cure', act: 'let it rest' };
  return { kind: 'said', act: 'ask how it stands' };
}
