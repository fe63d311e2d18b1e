/** Text for people who do not see prices. */
import { parseLine } from './index.ts';
import { namelessContext } from './nameless.ts';
import { findMarkedPrices } from './prices.ts';
import { prepare } from './reading.ts';
import { tokenize } from './tokens.ts';
import type { CaptureContext, SpanField } from './types.ts';

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

/** Behind a number these say that it counts or measures: “13 years”, “3 h lost”, “40 miles”. */
const UNIT =
  'years?|yrs?|months?|weeks?|days?|hours?|hrs?|h|minutes?|mins?|miles?|km|mm|cm|metres?|feet|foot|inch(?:es)?|kg|psi|bar|volts?|amps?|degrees|coats?|times|of an inch';
/** Behind a small number anything but these is what there are so many of: “2 door seals”, not “8 for it”. */
const NO_THING =
  'for|each|cash|quid|pounds?|grand|hundred|thousand|fivers?|tenners?|plus|and|or|an?|per|off|at|to|from|in|on|by|with|vat|net|gross|all|more|less|if|is|was|the';
/** A number by itself, with or without the sign of a currency: not “M8”, “B-0107”, “2nd”, “3/8”, “shelf 4”, “13 years” or “2 seals”. */
const NUMBER = new RegExp(
  String.raw`(?<![\p{L}\p{N}#/-]|\b(?:lift|bay|ramp|shelf|rack|bin|bag|box|board|row|cylinder|joint|step|no|number)[.,]?[ ]{1,2})` +
    String.raw`(?!\d+(?:[.,]\d+)?[ ](?:${UNIT})\b|(?:[1-9]|1\d|20)[ ](?!(?:${NO_THING})\b)\p{L})` +
    String.raw`[£$€]?\d(?:[\d.,’']*\d)?(?:k\b)?(?![\p{L}\p{N}/-]|[.,]\d)`,
  'giu',
);

/** Sums in words. “A hundred and fifty”, “two grand”, “twelve thousand”; a score of things is seldom counted so. */
const IN_WORDS =
  /\b(?:(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|half|couple|of|few)[ -])*(?:hundred|thousand|grand|quid|fivers?|tenners?)\b(?:(?: and)?[ -](?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|hundred|thousand))*/gi;

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
  // “Paid 250 in March”, “paid 250 last year”: no inches, and no number of things.
  const isDoubtful = ({ field, start, end }: (typeof spans)[number]): boolean =>
    (field === 'quantity' && kind === 'spent') ||
    (field === 'measures' && /\d\s+in$/i.test(text.slice(start, end)));
  const claimed = spans.filter((s) => CLAIMS.has(s.field) && !isDoubtful(s) && !within(s, marked));
  const numbers = [...spansOf(text, NUMBER), ...spansOf(text, IN_WORDS)];
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
