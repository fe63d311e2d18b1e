/** How an entry reads back: to the shop, and to the customer. */
import { parseLine, type SpanField } from '../capture/index.ts';
import { namelessContext } from '../capture/nameless.ts';
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

/** A title inside a sentence: “Epoxy primer” becomes “epoxy primer”; what is written all in capitals stays. */
export const inSentence = (title: string): string =>
  /^\p{Lu}(?:\p{Ll}|[\s-]|$)/u.test(title) ? title.charAt(0).toLowerCase() + title.slice(1) : title;

const capital = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const stop = (s: string): string => (/[.!?…]$/.test(s) ? s : `${s}.`);

/** A thing with its place on the car: "rear lamp lenses", "tailgate post, left side". */
export function placedName(subject: string, zone: string | undefined): string {
  if (zone === undefined || subject.toLowerCase().includes(zone)) return subject;
  return zone.includes(' ') ? `${subject}, ${zone}` : `${zone} ${subject}`;
}

/** A vendor behind "from": firms by their name, trades with an article ("from the welder"). */
export const fromVendor = (vendor: string | undefined): string =>
  vendor === undefined ? '' : /^\p{Lu}/u.test(vendor) ? ` from ${vendor}` : ` from the ${vendor}`;

const NO_ARTICLE =
  /^(?:the|a|an|my|our|his|her|its|their|your|this|that|these|those|some|more|another|any|someone|somebody|something|word|news|approval|permission|\d.*)$/;

/** "glass" becomes "the glass"; names, counted things and words with an article of their own stay as they are. */
export function withArticle(thing: string): string {
  const first = thing.split(/\s/)[0] ?? '';
  return /^\p{Ll}/u.test(first) && !NO_ARTICLE.test(first) ? `the ${thing}` : thing;
}

function named(facts: Facts, fallback: string): string {
  const placed = placedName(facts.subject ?? fallback, facts.zone);
  return facts.quantity !== undefined && facts.quantity !== 1 ? `${facts.quantity} ${placed}` : placed;
}

const from = (facts: Facts): string => fromVendor(facts.vendor);

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
      // "Trial fitted" is not "fitted": only the plain word is turned round.
      return stop(
        capital(
          facts.subject && /^(?:i |we )?(?:have )?fitted\b/i.test(entry.text)
            ? `${named(facts, what)} fitted`
            : withoutFigures(entry.kind, what, manner),
        ),
      );
    case 'waiting': {
      const since = facts.on ? ` since ${formatDay(facts.on, manner.locale, manner.today)}` : '';
      return stop(
        `Waiting for ${withArticle(named(facts, what))}${from(facts)}${since}${due ? `, expected ${due}` : ''}`,
      );
    }
    case 'resumed':
      return stop(`Work goes on again${facts.subject ? ` (${facts.subject})` : ''}`);
    default:
      return stop(capital(withoutFigures(entry.kind, what, manner)));
  }
}

/** Words that only join figures: a segment with nothing else left in it is all figures. */
const JOINING =
  /^(?:[\s,;.]|and|plus|about|around|say|roughly|maybe|another|for|to have|do|be done|each|all in)*$/i;

/**
 * The text without the bare price, hours and class that a shop line ends in ("…, 60 and four hours, must"):
 * the letter says these once, in full, from the facts.
 */
function withoutFigures(kind: Kind, text: string, manner: Manner): string {
  // What a price or a class is depends on the kind, which the text need not name.
  const lead = `${kind} `;
  const figures = parseLine(lead + text, namelessContext(manner))
    .spans.filter((s) => FIGURES.has(s.field))
    .map((s) => ({ start: s.start - lead.length, end: s.end - lead.length }));
  const inFigure = (at: number): boolean => figures.some((s) => at >= s.start && at < s.end);
  let end = text.length;
  for (let comma = text.lastIndexOf(','); comma > 0; comma = text.lastIndexOf(',', comma - 1)) {
    if (inFigure(comma)) continue; // 1,250.00
    const segment = text.slice(comma + 1, end).split('');
    const rest = segment.filter((_, k) => !inFigure(comma + 1 + k)).join('');
    if (rest.length === segment.length || !JOINING.test(rest)) break;
    end = comma;
  }
  return text.slice(0, end);
}

const FIGURES: ReadonlySet<SpanField> = new Set<SpanField>(['moneyMinor', 'minutes', 'class']);

/** "about £60.00 and 4 h" for a finding or question that carries figures; null where it carries none. */
export function figuresInWords(facts: Facts, manner: Manner): string | null {
  const parts: string[] = [];
  if (facts.moneyMinor !== undefined)
    parts.push(formatMoney(facts.moneyMinor, manner.currency, manner.locale));
  if (facts.minutes !== undefined) parts.push(formatMinutes(facts.minutes));
  return parts.length > 0 ? parts.join(' and ') : null;
}
