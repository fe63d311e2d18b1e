/** Money in a line: with its currency ("£46.50", "60 quid", "two grand"), or bare where only a price can stand. */
import type { Kind } from '../log/kinds.ts';
import { toMinor } from '../money/money.ts';
import { readBelowHundred, readNumber, type Read } from './numbers.ts';
import type { Found } from './quantities.ts';
import type { Token } from './tokens.ts';

export interface Price {
  minor: number;
  /** Said "each": multiplied by the quantity once that is known. */
  each: boolean;
  /** Said “a metre”, “per litre”: multiplied by how much of that unit was said, and no price without it. */
  per?: string;
}

const DOLLARS = ['USD', 'AUD', 'CAD', 'NZD', 'SGD', 'HKD'];
const SYMBOLS: Record<string, string[]> = { '£': ['GBP'], $: DOLLARS, '€': ['EUR'], '¥': ['JPY', 'CNY'] };
const CROWNS = ['SEK', 'NOK', 'DKK', 'ISK'];
const WORDS: Record<string, string[]> = {
  quid: ['GBP'], pound: ['GBP'], pounds: ['GBP'], sterling: ['GBP'], dollar: DOLLARS, dollars: DOLLARS, buck: DOLLARS, bucks: DOLLARS,
  euro: ['EUR'], euros: ['EUR'], kr: CROWNS, kronor: CROWNS, kroner: CROWNS, crowns: CROWNS, francs: ['CHF'], yen: ['JPY'],
}; // prettier-ignore
const SMALL: Record<string, string[]> = {
  p: ['GBP'],
  pence: ['GBP'],
  cents: [...DOLLARS, 'EUR'],
  cent: [...DOLLARS, 'EUR'],
};

const isWord = (t: Token | undefined, words: RegExp): boolean => t !== undefined && words.test(t.lower);

/** Money that names its currency, and only the shop's own: "$60" in a shop that counts in euros is not read. */
export function findMarkedPrices(
  t: readonly Token[],
  currency: string,
  mark: '.' | ',',
  blocked: (i: number) => boolean,
): Found<Price>[] {
  const found: Found<Price>[] = [];
  for (let i = 0; i < t.length; i += 1) {
    if (blocked(i)) continue;
    const price = markedAt(t, i, currency, mark);
    if (!price) continue;
    found.push(price);
    i = price.next - 1;
  }
  return found;
}

function markedAt(t: readonly Token[], i: number, currency: string, mark: '.' | ','): Found<Price> | null {
  const tok = t[i]!;
  const before =
    SYMBOLS[tok.text] ?? (/^[A-Z]{3}$/.test(tok.text) && tok.text === currency ? [currency] : undefined);
  if (before) {
    const n = readAmount(t, i + 1, mark);
    if (!n || !before.includes(currency)) return null;
    return price(t, i, n.next, n.value, currency);
  }
  const slang = slangAt(t, i, currency);
  if (slang) return slang;
  if (tok.glued && t[i - 1]?.type === 'word') return null;
  if (SYMBOLS[t[i - 1]?.text ?? '']) return null; // a foreign sign stands before it
  const n = readAmount(t, i, mark);
  if (!n) return null;
  const unit = t[n.next];
  if (!unit) return null;
  const after = SYMBOLS[unit.text] ?? WORDS[unit.lower] ?? (unit.text === currency ? [currency] : undefined);
  if (after?.includes(currency)) {
    const cents = centsBehind(t, n.next + 1);
    return price(t, i, cents?.next ?? n.next + 1, n.value + (cents?.value ?? 0) / 100, currency);
  }
  if (SMALL[unit.lower]?.includes(currency) && (unit.lower !== 'p' || unit.glued))
    return price(t, i, n.next + 1, n.value / 100, currency);
  // "grand" and a glued k say money by themselves.
  if (n.big && !WORDS[unit.lower]) return price(t, i, n.next, n.value, currency);
  return null;
}

/** "twelve pounds fifty". */
function centsBehind(t: readonly Token[], i: number): { value: number; next: number } | null {
  const tok = t[i];
  if (!tok) return null;
  const typed = /^\d\d$/.test(tok.text) ? { value: Number(tok.text), next: i + 1 } : readBelowHundred(t, i);
  return typed && typed.value >= 5 && boundary(t, typed.next) ? typed : null;
}

function slangAt(t: readonly Token[], i: number, currency: string): Found<Price> | null {
  const a = /^an?$/.test(t[i]!.lower) ? 1 : 0;
  const word = t[i + a]?.lower;
  if (word === 'tenner' && currency === 'GBP') return price(t, i, i + a + 1, 10, currency);
  if (word === 'fiver' && currency === 'GBP') return price(t, i, i + a + 1, 5, currency);
  if (word === 'grand' && a === 1 && boundary(t, i + 2)) return price(t, i, i + 2, 1000, currency);
  return null;
}

/** What is sold by measure, in the unit that the measure is read in. */
const PER: Record<string, string> = {
  metre: 'm', meter: 'm', foot: 'ft', inch: 'in', litre: 'l', liter: 'l', gallon: 'gal', quart: 'qt', kilo: 'kg', pound: 'lb',
}; // prettier-ignore

interface Amount extends Read {
  /** Said in thousands: "2k", "two grand". */
  big?: boolean;
}

/** An amount of money: a number, "1.2k", "two grand", "seventy-two fifty". */
function readAmount(t: readonly Token[], i: number, mark: '.' | ','): Amount | null {
  const n = readNumber(t, i, mark);
  if (!n || n.value < 0) return null;
  const unit = t[n.next];
  if (unit?.lower === 'k' && unit.glued) return { ...n, value: n.value * 1000, next: n.next + 1, big: true };
  if (unit?.lower === 'grand') return { ...n, value: n.value * 1000, next: n.next + 1, big: true };
  if (n.form !== 'spoken' || !Number.isInteger(n.value)) return n;
  // “Ordered one 19 from Skerry”: how many, and what for.
  const cents = t[n.next]?.type === 'number' ? null : readBelowHundred(t, n.next);
  if (!cents || cents.value < 10) return n;
  // "one twenty quid" counts in hundreds; "seventy-two fifty" in pounds and pence.
  const hundreds = n.value < 10 && WORDS[t[cents.next]?.lower ?? ''] !== undefined;
  return {
    value: hundreds ? n.value * 100 + cents.value : n.value + cents.value / 100,
    next: cents.next,
    form: 'cents',
  };
}

function price(
  t: readonly Token[],
  from: number,
  next: number,
  major: number,
  currency: string,
): Found<Price> | null {
  const minor = toMinor(major, currency);
  if (minor === null) return null;
  const each =
    isWord(t[next], /^(?:each|apiece|ea|per)$/) ||
    (t[next]?.lower === 'a' && isWord(t[next + 1], /^(?:piece|pop|go|time)$/));
  const width = each ? (t[next]!.lower === 'a' ? 2 : 1) : 0;
  const unit = isWord(t[next], /^(?:an?|per)$/) ? PER[t[next + 1]?.lower ?? ''] : undefined;
  if (unit !== undefined) return { value: { minor, each: false, per: unit }, from, next: next + 2 };
  return { value: { minor, each }, from, next: next + width };
}

/** True where an amount may end: the end, a comma or stop, or a word that cannot name a thing. */
function boundary(t: readonly Token[], i: number): boolean {
  const tok = t[i];
  if (!tok) return true;
  if (tok.type === 'mark') return /^[,;.)!?]$/.test(tok.text);
  return /^(?:and|plus|each|apiece|all|inc|including|ex|plus|delivered|due|from|on|for|the|total|must|should|nice|safety|by|to|with|at|or|cash|so|which|in|odd|ish|a|off|eta|expected|today|yesterday|since|posted|shipped|carriage|even|exactly|flat|it|they|he|she|we|i|they'll|they're|it'll|he'll)$/.test(
    tok.lower,
  );
}

/** Kinds in which a bare number can be a price. */
const PRICED: ReadonlySet<Kind> = new Set<Kind>([
  'found',
  'ordered',
  'spent',
  'did',
  'asked',
  'decided',
  'arrived',
  'fitted',
]);
const PRICE_WORDS = /^(?:cost|costs|costing|price|priced|quoted|quote|quotes|paid|total|totalling|totaling|budget|estimate|estimated|reckon|charged|worth|bill|invoice)$/; // prettier-ignore
const LOOSE_WORDS =
  /^(?:at|for|about|around|roughly|say|circa|near|approx|maybe|probably|of|was|is|under|over)$/;

/** A bare amount where, for this kind of entry, only a price can stand. First such wins. */
export function findBarePrice(
  t: readonly Token[],
  kind: Kind,
  afterKind: number,
  currency: string,
  mark: '.' | ',',
  blocked: (i: number) => boolean,
  vendorEnds: number,
): Found<Price> | null {
  if (!PRICED.has(kind)) return null;
  for (let i = 0; i < t.length; i += 1) {
    if (blocked(i) || (t[i]!.glued && t[i - 1]?.type === 'word')) continue;
    if (SYMBOLS[t[i - 1]?.text ?? '']) continue; // somebody else's currency
    const read = readAmount(t, i, mark);
    if (!read) continue;
    // “14 and a quarter hour”: what belongs to the hours is no part of the price.
    const isCut = t[i]!.type === 'number' && blocked(read.next - 1);
    const n: Amount = isCut ? { value: Number(t[i]!.text), next: i + 1, form: 'plain' } : read;
    const evident =
      !foreign(t, n.next) &&
      (n.form !== 'fraction' || n.big === true) &&
      isPriceAt(t, i, n, kind, afterKind, blocked, vendorEnds);
    if (evident) {
      const anew = saidAnew(t, n.next, mark);
      return price(t, i, anew?.next ?? n.next, anew?.value ?? n.value, currency);
    }
    i = n.next - 1;
  }
  return null;
}

/** “60, no, 70 and four hours”: the first was not meant. */
function saidAnew(t: readonly Token[], i: number, mark: '.' | ','): Amount | null {
  let at = i;
  while (t[at]?.text === ',') at += 1;
  if (!/^(?:no|sorry|rather)$/.test(t[at]?.lower ?? '')) return null;
  at += 1;
  while (t[at] && /^(?:,|sorry|make|call|it|that|more|like)$/.test(t[at]!.lower)) at += 1;
  return readAmount(t, at, mark);
}

const foreign = (t: readonly Token[], i: number): boolean =>
  SYMBOLS[t[i]?.text ?? ''] !== undefined ||
  WORDS[t[i]?.lower ?? ''] !== undefined ||
  /^(?:GBP|USD|EUR|AUD|CAD|NZD|SEK|NOK|DKK|CHF|JPY)$/.test(t[i]?.text ?? '');

function isPriceAt(
  t: readonly Token[],
  i: number,
  n: Amount,
  kind: Kind,
  afterKind: number,
  blocked: (i: number) => boolean,
  vendorEnds: number,
): boolean {
  const buys = kind === 'ordered' || kind === 'spent';
  const before = t[i - 1];
  // “… that will be 60, no, 70 …”.
  if (isWord(before, /^(?:be|say|reckon|call)$/) && isWord(t[n.next + 1], /^(?:no|sorry)$/)) return true;
  // “Ilse agreed 240 for the wiring”.
  if (
    kind === 'decided' &&
    (i === afterKind || isWord(before, /^extra$/)) &&
    isWord(t[n.next], /^for$/) &&
    n.value >= 5
  )
    return true;
  // “Ordered ten from Cobb Springs”: how many.
  if (isWord(before, /^ordered$/) && isWord(t[n.next], /^from$/)) return false;
  const ends = boundary(t, n.next) || blocked(n.next);
  if (kind === 'spent' && i === afterKind && ends) return true;
  if (buys && i === vendorEnds && ends) return true;
  // "paid the welder 60": who was paid stands between.
  if (
    kind === 'spent' &&
    /^(?:paid|owe)$/.test(t[afterKind - 1]?.lower ?? '') &&
    (t[n.next] === undefined || t[n.next]!.type === 'mark' || isWord(t[n.next], /^(?:cash|today|for|in)$/))
  )
    return true;
  // “The exhaust cost us 310 in the end”.
  if (isWord(before, /^(?:us|me|back)$/) && /^(?:cost|us|me)$/.test(t[i - 2]?.lower ?? '') && ends)
    return true;
  if (before?.type === 'word' && PRICE_WORDS.test(before.lower) && ends) return true;
  if (isWord(before, /^to$/) && isWord(t[i - 2], /^(?:came|comes|come|amounts|up)$/) && ends) return true;
  if (
    LOOSE_WORDS.test(before?.lower ?? '') &&
    ends &&
    (PRICE_WORDS.test(t[i - 2]?.lower ?? '') || (buys && !/^(?:was|is|of|under|over)$/.test(before!.lower)))
  )
    return true;
  if (
    before?.lower === 'for' &&
    ends &&
    (kind === 'found' || kind === 'asked' || kind === 'decided') &&
    n.value >= 5
  )
    return true;
  if (n.form === 'cents' && (buys || kind === 'arrived') && ends) return true;
  // “Skerry wants 410 for the charger”.
  if (kind === 'asked' && isWord(before, /^wants?$/) && isWord(t[n.next], /^(?:for|to)$/)) return true;
  // “Says yes to the signwriting 260”.
  if (
    kind === 'decided' &&
    t[n.next] === undefined &&
    n.value >= 10 &&
    before?.type === 'word' &&
    !/^(?:of|at|by|to|in|on|from|than|number|no|size|bay|lift|week|day|cylinder|page|the|a|is|are)$/.test(
      before.lower,
    )
  )
    return true;
  // “196 on the note”, “ordered one 19 from Skerry”.
  if (isWord(t[n.next], /^on$/) && isWord(t[n.next + 2], /^(?:note|invoice|bill|ticket|receipt)$/))
    return true;
  if (
    kind === 'ordered' &&
    t[i]!.type === 'number' &&
    isWord(t[n.next], /^from$/) &&
    n.value >= 5 &&
    before?.type === 'word' &&
    !/^(?:by|size|number|no|of|ordered|more|type|mark|another|the)$/.test(before.lower)
  )
    return true;
  // “…, an hour, 45 for the gas”.
  if (
    before?.text === ',' &&
    isWord(t[n.next], /^for$/) &&
    isWord(t[n.next + 1], /^(?:the|a|that|it|them|both|two|three|four|all)$/) &&
    n.value >= 3
  )
    return true;
  // “…, they're 260 from Tern & Sons”.
  if (
    (buys || kind === 'found' || (kind === 'did' && isWord(before, /^that's$/))) &&
    n.value >= 5 &&
    isWord(before, /^(?:they're|theyre|it's|its|that's|thats|those|are)$/) &&
    !isWord(t[n.next], /^(?:of|off|or)$/) &&
    ends
  )
    return true;
  // Spoken without a comma: "hinge cracked 35 and one hour". The hours behind it are taken already.
  const spoken = kind === 'found' || kind === 'asked' || kind === 'decided';
  if (
    spoken &&
    n.value >= 5 &&
    before?.type === 'word' &&
    !/^(?:of|at|by|to|in|on|from|under|than|number|no|size|side)$/.test(before.lower) &&
    isWord(t[n.next], /^(?:and|plus)$/) &&
    blocked(n.next + 1)
  )
    return true;
  return standsAlone(t, i, n, blocked) && (n.form === 'cents' || !inList(t, i, n));
}

/** The whole of a comma's segment is this amount, with at most hours and a class beside it: "…, 60 and four hours, must". */
function standsAlone(t: readonly Token[], i: number, n: Amount, blocked: (i: number) => boolean): boolean {
  let from = i - 1;
  while (
    from >= 0 &&
    (blocked(from) || isWord(t[from], /^(?:and|plus|about|around|say|roughly|maybe|another|for)$/))
  )
    from -= 1;
  if (from < 0 || !/^[,;.–—-]$/.test(t[from]!.text)) return false;
  let next = n.next;
  while (
    t[next] &&
    (blocked(next) ||
      isWord(
        t[next],
        /^(?:and|plus|or|so|for|must|should|nice|safety|each|all|in|the|pair|set|two|three|four|lot|parts|materials|material|to|pay|fit|have|inc|vat|tax|cash)$/,
      ))
  )
    next += 1;
  return t[next] === undefined || /^[,;.!]$/.test(t[next]!.text);
}

/** "cylinders 1, 2, 3": bare numbers side by side are a list, not prices. */
function inList(t: readonly Token[], i: number, n: Amount): boolean {
  const lone = (k: number): boolean =>
    t[k]?.type === 'number' && (t[k + 1] === undefined || t[k + 1]!.type === 'mark');
  return (
    (t[i - 1]?.text === ',' && t[i - 2]?.type === 'number') || (t[n.next]?.text === ',' && lone(n.next + 1))
  );
}
