/** Text for people who do not see prices. */
import { parseLine } from './index.ts';
import { findMarkedPrices } from './prices.ts';
import { prepare } from './reading.ts';
import { tokenize } from './tokens.ts';
import type { CaptureContext, SpanField } from './types.ts';

const HIDDEN = '···';

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

/** A number by itself, with or without the sign of a currency: not “M8”, “B-0107”, “2nd” or “3/8”. */
const NUMBER = /(?<![\p{L}\p{N}#/-])[£$€]?\d(?:[\d.,’']*\d)?(?:k\b)?(?![\p{L}\p{N}/-]|[.,]\d)/giu;

/** Sums in words. “A hundred and fifty”, “two grand”, “twelve thousand”; a score of things is seldom counted so. */
const IN_WORDS =
  /\b(?:(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|half|couple|of|few)[ -])*(?:hundred|thousand|grand|quid|fivers?|tenners?)\b(?:(?: and)?[ -](?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|hundred|thousand))*/gi;

const spansOf = (text: string, pattern: RegExp): Span[] =>
  [...text.matchAll(pattern)].map((m) => ({ start: m.index, end: m.index + m[0].length }));

const within = (inner: Span, outer: readonly Span[]): boolean =>
  outer.some((o) => inner.start >= o.start && inner.end <= o.end);

/**
 * The text with every number hidden that may be a price: what was understood as the line's money, all that names the currency,
 * and every other number that nothing else in the line accounts for. A number too many is hidden sooner than a price is shown.
 */
export function hidePrices(text: string, context: CaptureContext): string {
  const t = tokenize(text);
  const marked = findMarkedPrices(t, context.currency, prepare(context).mark, () => false).map((p) => ({
    start: t[p.from]!.start,
    end: t[p.next - 1]!.end,
  }));
  const { spans } = parseLine(text, context);
  const claimed = spans.filter((s) => CLAIMS.has(s.field) && !within(s, marked));
  const hidden = [
    ...spans.filter((s) => s.field === 'moneyMinor'),
    ...marked,
    ...[...spansOf(text, NUMBER), ...spansOf(text, IN_WORDS)].filter((n) => !within(n, claimed)),
  ].sort((a, b) => a.start - b.start || b.end - a.end);
  let out = '';
  let at = 0;
  for (const { start, end } of hidden) {
    if (start >= at) out += text.slice(at, start) + HIDDEN;
    at = Math.max(at, end);
  }
  return out + text.slice(at);
}
