/** What is in doubt of a thing that was said, and what an amount is that is said with it. */
import type { ParsedLine } from '../capture/index.ts';
import type { LineClass, Measure } from '../log/kinds.ts';
import type { Day } from '../time/days.ts';
import { entryKindOf, type EntryKind } from './entryKinds.ts';
import { hasHappened, type Intent, type SpokenKind, type Tense } from './intents.ts';

/** What may be in doubt. */
export type Asked = 'boundary' | 'kind' | 'tense' | 'car' | 'amount';

/** Wrong, these cost money or go to the wrong customer: they are answered before anything is kept. */
const COSTLY: ReadonlySet<Asked> = new Set<Asked>(['car', 'tense', 'amount']);
export const isCostly = (asked: Asked): boolean => COSTLY.has(asked);

export interface SpokenFacts {
  minutes?: number;
  moneyMinor?: number;
  /** What the minutes and the money are: paid, worked, or only estimated. */
  role?: 'paid' | 'worked' | 'estimate';
  quantity?: number;
  due?: Day;
  on?: Day;
  measures?: Measure[];
  class?: LineClass;
  vendorId?: string;
  personId?: string;
  placeId?: string;
}

/** Below these what was understood is asked: done or to come sooner where work or money depends on it. Chosen, decision 43. */
const SURE = { kind: 0.55, counts: 0.88, tense: 0.6 };

const WORKED: ReadonlySet<SpokenKind> = new Set<SpokenKind>(['did', 'fitted', 'hours', 'measured', 'moved']);
const PAID: ReadonlySet<SpokenKind> = new Set<SpokenKind>(['spent', 'ordered', 'received']);

/** What an amount is that is said with a thing. */
function roleOf(kind: SpokenKind, tense: Tense): 'paid' | 'worked' | 'estimate' {
  if (!hasHappened(tense)) return 'estimate';
  return PAID.has(kind) ? 'paid' : WORKED.has(kind) ? 'worked' : 'estimate';
}

export function spokenFactsOf(line: ParsedLine, { kind, tense }: Intent): SpokenFacts {
  const { minutes, moneyMinor, quantity, due, on, measures } = line;
  const of = roleOf(kind, tense);
  // Money that is said of work was paid for it; hours that are said of what was bought were worked.
  const role = of === 'estimate' ? of : moneyMinor === undefined ? 'worked' : 'paid';
  return {
    ...(minutes === undefined ? {} : { minutes }),
    ...(moneyMinor === undefined ? {} : { moneyMinor }),
    ...(minutes === undefined && moneyMinor === undefined ? {} : { role }),
    ...(quantity === undefined ? {} : { quantity }),
    ...(due === undefined ? {} : { due }),
    ...(on === undefined ? {} : { on }),
    ...(measures.length === 0 ? {} : { measures }),
    ...(line.class === undefined ? {} : { class: line.class }),
    ...(line.vendor?.id === undefined ? {} : { vendorId: line.vendor.id }),
    ...(line.person?.id === undefined ? {} : { personId: line.person.id }),
    ...(line.place?.id === undefined ? {} : { placeId: line.place.id }),
  };
}

/** Kinds of entry that say of work, or of money, or of what somebody agreed to, that it is so. */
const COUNTS: ReadonlySet<EntryKind> = new Set<EntryKind>([
  ...(['did', 'fitted', 'hours', 'spent', 'ordered', 'arrived', 'moved', 'resumed', 'reading'] as const),
  ...(['decided', 'told'] as const),
]);

export const counts = (kind: EntryKind): boolean => COUNTS.has(kind);

/** Of what kind it is, whether it has happened where that keeps another entry, and what its amount is, as far as these are in doubt. */
export function doubtsOf(intent: Intent, facts: SpokenFacts): Asked[] {
  const { kind, tense, probability, orElse } = intent;
  const { ifHappened, ifNot } = answersOf(intent);
  const asks: Asked[] = [];
  if (probability.kind < SURE.kind) asks.push('kind');
  const sure = counts(ifHappened) ? SURE.counts : SURE.tense;
  if (probability.tense < sure && ifHappened !== ifNot) asks.push('tense');
  const isOther = roleOf(orElse.kind, orElse.tense) !== roleOf(kind, tense);
  if (facts.role !== undefined && (asks.includes('tense') || (asks.includes('kind') && isOther)))
    asks.push('amount');
  return asks;
}

/** Kinds of entry that answer what is in doubt. */
export interface Answers {
  orElse: EntryKind;
  ifHappened: EntryKind;
  ifNot: EntryKind;
}

export const answersOf = ({ orElse, ifHappened, ifNot }: Pick<Intent, keyof Answers>): Answers => ({
  orElse: entryKindOf(orElse.kind, orElse.tense),
  ifHappened: entryKindOf(ifHappened.kind, ifHappened.tense),
  ifNot: entryKindOf(ifNot.kind, ifNot.tense),
});
