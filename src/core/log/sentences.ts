/** How an entry reads back: to the shop, and to the customer. */
import { formatMoney } from '../money/money.ts';
import { formatDay, type Day } from '../time/days.ts';
import { formatMinutes } from '../time/hours.ts';
import { KIND_SPECS, type Facts, type Kind } from './kinds.ts';

/** How a shop writes: its currency, locale, and the day it is. */
export interface Manner {
  currency: string;
  locale: string;
  today: Day;
}

/** What a sentence is made from: the part of an entry that it tells. */
export interface Told {
  kind: Kind;
  text: string;
  facts: Facts;
}

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const stop = (s: string): string => (/[.!?…]$/.test(s) ? s : `${s}.`);

function named(facts: Facts, fallback: string): string {
  const subject = facts.subject ?? fallback;
  const counted =
    facts.quantity !== undefined && facts.quantity !== 1 ? `${facts.quantity} ${subject}` : subject;
  return facts.zone && !subject.includes(facts.zone) ? `${counted}, ${facts.zone}` : counted;
}

const from = (facts: Facts): string => (facts.vendor ? ` from ${facts.vendor}` : '');

/** What was written, without the leading word that only says what kind of entry it is. */
export function plainText({ kind, text }: Told): string {
  const lead: Partial<Record<Kind, RegExp>> = {
    found: /^(?:i |we )?(?:have )?found\s*:?\s+(?:that )?/i,
    did: /^(?:i |we )?(?:have )?(?:did|done)\s*:?\s+/i,
    note: /^(?:note|nb)\s*:?\s+/i,
    asked: /^(?:ask|question)\s*:?\s+/i,
    reading: /^readings?\s*:?\s+/i,
  };
  const rest = text.replace(lead[kind] ?? /^$/, '').trim();
  return rest === '' ? text.trim() : rest;
}

/** One line for the shop: the kind in words and the text as it was written. */
export function shopSentence(entry: Told): string {
  return `${KIND_SPECS[entry.kind].word}: ${entry.text.trim()}`;
}

/** A sentence for the customer, or null where the registry says this kind is never told as it stands. */
export function customerSentence(entry: Told, manner: Manner): string | null {
  if ('never' in KIND_SPECS[entry.kind].letter) return null;
  const { facts } = entry;
  const what = plainText(entry);
  const due = facts.due ? formatDay(facts.due, manner.locale, manner.today) : null;
  switch (entry.kind) {
    case 'ordered':
      return stop(capital(`${named(facts, what)} ordered${from(facts)}${due ? `, expected ${due}` : ''}`));
    case 'arrived':
      return stop(facts.subject ? capital(`${named(facts, what)} arrived${from(facts)}`) : capital(what));
    case 'fitted':
      return stop(facts.subject ? capital(`${named(facts, what)} fitted`) : capital(what));
    case 'waiting': {
      const since = facts.on ? ` since ${formatDay(facts.on, manner.locale, manner.today)}` : '';
      return stop(`Waiting for ${named(facts, what)}${from(facts)}${since}${due ? `, expected ${due}` : ''}`);
    }
    case 'resumed':
      return stop(`Work goes on again${facts.subject ? ` (${facts.subject})` : ''}`);
    default:
      return stop(capital(withoutFigures(entry, what)));
  }
}

/**
 * The text without the bare price, hours and class that a shop line ends in ("…, 60 and four hours, must"):
 * the letter says these once, in full, from the facts.
 */
function withoutFigures({ facts }: Told, text: string): string {
  if (facts.moneyMinor === undefined && facts.minutes === undefined && facts.class === undefined) return text;
  const parts = text.split(/,\s+/);
  const isFigure = (p: string): boolean =>
    /^(?:[£$€]?\s?[\d.,]+\s*(?:quid|pounds?|euros?|dollars?|bucks)?(?:\s*(?:and|plus|,)\s*)?)?(?:[\w.½¼¾ ]+?\s*(?:h|hrs?|hours?|mins?|minutes?)\b(?: and a (?:half|quarter))?)?$/i.test(
      p.trim(),
    ) || /^(?:safety|must|should|nice)(?: to have| do| be done)?$/i.test(p.trim());
  while (parts.length > 1 && isFigure(parts[parts.length - 1] ?? '')) parts.pop();
  return parts.join(', ');
}

/** "about £60.00 and 4 h" for a finding or question that carries figures; null where it carries none. */
export function figuresInWords(facts: Facts, manner: Manner): string | null {
  const parts: string[] = [];
  if (facts.moneyMinor !== undefined)
    parts.push(formatMoney(facts.moneyMinor, manner.currency, manner.locale));
  if (facts.minutes !== undefined) parts.push(formatMinutes(facts.minutes));
  return parts.length > 0 ? parts.join(' and ') : null;
}
