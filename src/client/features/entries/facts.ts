/** How facts are shown on a chip, and how a field turns what is typed into a fact. */
import {
  FIELD_WORDS,
  KIND_SPECS,
  type FactField,
  type Facts,
  type Kind,
  type Measure,
} from '#core/log/kinds.ts';
import type { Manner } from '#core/log/sentences.ts';
import { formatMoney } from '#core/money/money.ts';
import { formatDay, isDay } from '#core/time/days.ts';
import { formatMinutes } from '#core/time/hours.ts';
import {
  hoursAsTyped,
  moneyAsTyped,
  moneyTyped,
  numberTyped,
  type MoneyManner,
  amountFault,
} from '../../shared/typed.ts';

/** Order of the chips: the order in which a line is usually said. */
export const FIELD_ORDER: readonly FactField[] = [
  'quantity',
  'subject',
  'zone',
  'measures',
  'vendor',
  'place',
  'moneyMinor',
  'minutes',
  'on',
  'due',
  'class',
  'cause',
  'remedy',
  'effect',
  'person',
];

/** The word on the chip; "since" and "on" are one fact with two faces. */
export const fieldWord = (field: FactField, kind: Kind): string =>
  field === 'on' ? (kind === 'waiting' ? 'since' : 'on') : FIELD_WORDS[field];

/** A fact as people read it. */
export function factText(field: FactField, facts: Facts, manner: Manner): string {
  switch (field) {
    case 'moneyMinor':
      return formatMoney(facts.moneyMinor ?? 0, manner.currency, manner.locale);
    case 'minutes':
      return formatMinutes(facts.minutes ?? 0);
    case 'due':
    case 'on':
      return formatDay(facts[field] ?? manner.today, manner.locale, manner.today);
    case 'measures':
      return (facts.measures ?? []).map((m) => `${m.value} ${m.unit}`).join(', ');
    default:
      return String(facts[field] ?? '');
  }
}

/** Facts a person may add to an entry of this kind: those it may carry and does not yet. */
export const addable = (kind: Kind, facts: Facts): FactField[] =>
  FIELD_ORDER.filter((f) => KIND_SPECS[kind].fields.includes(f) && facts[f] === undefined);

/** A fact as its field shows it for typing. */
export function typedFrom(field: FactField, facts: Facts, manner: MoneyManner): string {
  const value = facts[field];
  if (value === undefined) return '';
  if (field === 'moneyMinor') return moneyAsTyped(Number(value), manner);
  if (field === 'minutes') return hoursAsTyped(Number(value));
  if (field === 'measures') return (facts.measures ?? []).map((m) => `${m.value} ${m.unit}`).join(', ');
  return String(value);
}

/** "118 psi, 121 psi": numbers with their units, a comma between. */
function measuresFrom(text: string): Measure[] | null {
  const parts = text.split(/,(?!\d)|;/).map((p) => /^\s*(-?\d+(?:[.,]\d+)?)\s*(\S.{0,11})\s*$/.exec(p));
  if (parts.some((p) => p === null)) return null;
  return parts.map((p) => ({ value: Number(p![1]!.replace(',', '.')), unit: p![2]!.trim() }));
}

type Typed = { fact: Facts[FactField] } | { fault: string };

/** What was typed, as a fact; or what is wrong with it. */
export function factFrom(field: FactField, text: string, manner: MoneyManner): Typed {
  const trimmed = text.trim();
  const n = numberTyped(text);
  switch (field) {
    case 'moneyMinor': {
      const minor = moneyTyped(text, manner);
      return minor === null ? { fault: amountFault(text, manner) } : { fact: minor };
    }
    case 'minutes':
      return n === null || n <= 0 || n > 1000
        ? { fault: 'hours, as in 1.5' }
        : { fact: Math.max(1, Math.round(n * 60)) };
    case 'quantity':
      return n === null || n <= 0 ? { fault: 'a number' } : { fact: n };
    case 'measures': {
      const measures = measuresFrom(text);
      return measures ? { fact: measures } : { fault: 'numbers with their units, as in 118 psi, 121 psi' };
    }
    case 'due':
    case 'on':
      return isDay(trimmed) ? { fact: trimmed } : { fault: 'a day' };
    default:
      return trimmed === '' ? { fault: 'say what, or take it away' } : { fact: trimmed };
  }
}
