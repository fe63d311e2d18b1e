/** Text for people who do not see prices. */
import { parseLine } from './index.ts';
import { findMarkedPrices } from './prices.ts';
import { prepare } from './reading.ts';
import { tokenize } from './tokens.ts';
import type { CaptureContext } from './types.ts';

const HIDDEN = '···';

/** The text with every price in it hidden: those understood as the line's money, and all that name the currency. */
export function hidePrices(text: string, context: CaptureContext): string {
  const t = tokenize(text);
  const marked = findMarkedPrices(t, context.currency, prepare(context).mark, () => false);
  const prices = [
    ...parseLine(text, context).spans.filter((s) => s.field === 'moneyMinor'),
    ...marked.map((p) => ({ start: t[p.from]!.start, end: t[p.next - 1]!.end })),
  ].sort((a, b) => a.start - b.start);
  let out = '';
  let at = 0;
  for (const { start, end } of prices) {
    if (start >= at) out += text.slice(at, start) + HIDDEN;
    at = Math.max(at, end);
  }
  return out + text.slice(at);
}
