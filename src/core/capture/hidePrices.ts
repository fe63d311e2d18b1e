/** Text for people who do not see prices. */
import { parseLine } from './index.ts';
import { namelessContext } from './nameless.ts';
import { findMarkedPrices } from './prices.ts';
import { prepare } from './reading.ts';
import { tokenize } from './tokens.ts';
import type { CaptureContext, SpanField } from './types.ts';
import { UNIT } from './units.ts';

/** Stands where a price was taken out. */
export const HIDDEN = '···';

interface Span {
  start: number;
  end: number;
}

/** Parts of a line that say what a number in them means, and that it is no price. */
const CLAIMS: ReadonlySet<SpanField> = new Set<SpanField>([
  ...([
    'minutes',
    'quantity',
    'measures',
    'due',
    'on',
    'place',
    'build',
    'vendor',
    'person',
    'zone',
  ] as const),
]);

/** In German “bar” is cash. */
const GERMAN_UNIT = UNIT.replace('|bar|', '|');
/** Behind a small number a word or two and a plural are what there are so many of: “2 door seals”, not “8 for it” or “15 roughly”. */
const NO_THING =
  'for|each|cash|quid|pounds?|bucks|dollars?|euros?|pence|cents?|grand|hundred|thousand|fivers?|tenners?|plus|and|or|an?|per|off|at|to|from|in|on|by|with|vat|net|gross|all|more|less|if|is|was|the|thanks|always|perhaps|this|his|as|us';
const THINGS = String.raw`(?:(?!(?:${NO_THING})\b)[\p{L}\p{N}'’-]+[ ]){0,2}(?!(?:${NO_THING})\b)\p{L}[\p{L}'’-]+s\b`;
/** Behind “250 in” these say that it is no length: “250 in March”, “250 in cash”. */
const NO_INCHES =
  /^ (?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec|spring|summer|autumn|winter|cash|notes|total|all|full|hand|advance|the|a|an|my|his|her|our|their|\d)/i;
const OF_THINGS = new RegExp(String.raw`^[ ]${THINGS}`, 'iu');
/** A number by itself, with or without the sign of a currency: not “M8”, “B-0107”, “2nd”, “3/8”, “shelf 4”, “13 years” or “2 seals”. */
const NUMBER = new RegExp(
  String.raw`(?<![\p{L}\p{N}#/-]|\b(?:lift|bay|ramp|shelf|rack|bin|bag|box|board|row|cylinder|joint|step|no|number)[.,]?[ ]{1,2})` +
    String.raw`(?!\d+(?:[.,]\d+)?[ ](?:${UNIT})\b|(?:[1-9]|1\d|20)[ ]${THINGS})` +
    String.raw`[£$€]?\d(?:[\d.,’']*\d)?(?:k\b)?(?![\p{L}\p{N}/-]|[.,]\d)`,
  'giu',
);

const UNITS_IN_WORDS = 'one|two|three|four|five|six|seven|eight|nine';
const TEENS =
  'ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|dozen|score';
const TENS = 'thirty|forty|fifty|sixty|seventy|eighty|ninety';
const LARGE = 'hundred|thousand|million|grand|quid|fivers?|tenners?|k';
const ANY_WORD = `${UNITS_IN_WORDS}|${TEENS}|${TENS}|${LARGE}`;
/**
 * Numbers in words from ten on: “fifty five”, “a hundred and fifty”, “two grand”. Below ten only what is paid by the piece or the hour: a
 * count of things is mostly said so. Not “fourteen hours” or “twelve bolts”.
 */
const IN_WORDS = new RegExp(
  String.raw`\b(?:(?:an?|half|couple|of|few)[ -])*` +
    String.raw`(?:(?!(?:${TEENS})[ ](?:(?:${UNIT})\b|${THINGS})|(?:${ANY_WORD})(?:[ -](?:and[ ])?(?:${ANY_WORD}))*[ ](?:${UNIT})\b)` +
    String.raw`(?:(?:${UNITS_IN_WORDS})[ -](?:and[ ])?)*(?:${TEENS}|${TENS}|${LARGE})\b(?:[ -](?:and[ -])?(?:${ANY_WORD})\b)*` +
    String.raw`|(?:${UNITS_IN_WORDS})(?=[ ](?:each|apiece|an?[ ](?:hour|day|piece|go)|per)\b))`,
  'giu',
);
/** The same in German, which writes a number as one word: “fünfundfünfzig”, “zwölfhundert”. */
const IN_GERMAN = new RegExp(
  String.raw`(?<!\p{L})(?=\p{L}*(?:zehn|elf|zwölf|zig|ßig|hundert|tausend))` +
    String.raw`(?:eins?|zwei|zwo|drei|vier|fünf|sech?s?|sieb(?:en)?|acht|neun|zehn|elf|zwölf|zwan|zig|ßig|hundert|tausend|und)+(?!\p{L}|[ ](?:${GERMAN_UNIT})\b)`,
  'giu',
);

const spansOf = (text: string, pattern: RegExp): Span[] =>
  [...text.matchAll(pattern)].map((m) => ({ start: m.index, end: m.index + m[0].length }));

const within = (inner: Span, outer: readonly Span[]): boolean =>
  outer.some((o) => inner.start >= o.start && inner.end <= o.end);

/** An address of mail. */
const MAIL = /[\p{L}\p{N}._%+-]{1,64}@[\p{L}\p{N}-]+(?:\.[\p{L}\p{N}-]+)+/gu;

/** What names the currency: “£240”, “85 quid”, “two grand”. */
function markedIn(text: string, context: CaptureContext): Span[] {
  const t = tokenize(text);
  const prices = findMarkedPrices(t, context.currency, prepare(context).mark, () => false);
  return prices.map((p) => ({ start: t[p.from]!.start, end: t[p.next - 1]!.end }));
}

function without(text: string, spans: readonly Span[]): string {
  let out = '';
  let at = 0;
  for (const { start, end } of [...spans].sort((a, b) => a.start - b.start || b.end - a.end)) {
    if (start >= at) out += text.slice(at, start) + HIDDEN;
    at = Math.max(at, end);
  }
  return out + text.slice(at);
}

/** The text with every price hidden that names its currency: for words in which other numbers mean what they say. */
const hideMarkedPrices = (text: string, context: CaptureContext): string =>
  without(text, markedIn(text, context));

/**
 * The text with every number hidden that may be a price: what was understood as the line's money, all that names the currency,
 * and every other number that nothing else in the line accounts for; and addresses of mail. A number too many is hidden sooner
 * than a price is shown.
 */
export function hidePrices(text: string, context: CaptureContext): string {
  const marked = markedIn(text, context);
  const { spans, kind } = parseLine(text, context);
  // “Paid 250 in March”, “paid 250 last year”, “charged 18 extra”: no inches, and no number of things.
  const isDoubtful = ({ field, start, end }: (typeof spans)[number]): boolean =>
    (field === 'quantity' && (kind === 'spent' || !OF_THINGS.test(text.slice(end)))) ||
    (field === 'measures' &&
      kind !== 'reading' &&
      /\d\s+in$/i.test(text.slice(start, end)) &&
      NO_INCHES.test(text.slice(end)));
  const claimed = spans.filter((s) => CLAIMS.has(s.field) && !isDoubtful(s) && !within(s, marked));
  const numbers = [NUMBER, IN_WORDS, IN_GERMAN].flatMap((pattern) => spansOf(text, pattern));
  return without(text, [
    ...spans.filter((s) => s.field === 'moneyMinor'),
    ...marked,
    ...numbers.filter((n) => !within(n, claimed)),
    ...spansOf(text, MAIL),
  ]);
}

/** Texts by what their numbers may be: what somebody typed, and words in which a number means what it says. */
export interface Texts {
  typed: string[];
  other: string[];
}

/** All of these without their prices. */
export function hideAllPrices(
  { typed, other }: Texts,
  manner: Pick<CaptureContext, 'currency' | 'locale' | 'today'>,
): Texts {
  const context = namelessContext(manner);
  return {
    typed: typed.map((text) => hidePrices(text, context)),
    other: other.map((text) => hideMarkedPrices(text, context)),
  };
}
