/** What people may read who do not see prices: the one place where they are taken out of what the server answers. */
import { HIDDEN, hideAllPrices, type Texts } from '#core/capture/hidePrices.ts';
import { dayOf } from '#core/time/days.ts';
import { inShop, type Tx } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';
import { Refusal } from '../../http/refusal.ts';
import type { SignedIn } from '../../http/session.ts';
import { shopOf } from '../session/index.ts';

export const seesPrices = (who: SignedIn): boolean => who.role !== 'technician';

/** Fields that hold what somebody typed: a number by itself may be a price there. */
const TYPED: ReadonlySet<string> = new Set(
  'text entryText first next caption complaint note sourceNote answer question what words reason whyNot heldBy'.split(
    ' ',
  ),
);
/** But what a part is called has its sizes and grades in it. */
const isNameOfPart = (key: string, of: object): boolean => key === 'what' && 'quantity' in of;
/** What is open on a car is called as somebody wrote it, but for parts, pieces, tasks and lines, which have names. */
const isWrittenName = (key: string, of: object): boolean =>
  key === 'name' && 'type' in of && (of.type === 'snag' || of.type === 'hold' || of.type === 'job');
/** Here what is called `text` was worked out: its numbers are readings. */
const WORKED_OUT: ReadonlySet<string> = new Set(['told', 'result']);

type Hide = (text: string, isTyped: boolean) => string;

/** The same value with its texts put through `hide`; ids, days and the like have no price in them and come back as they are. */
function throughout(value: unknown, hide: Hide, isTyped = false): unknown {
  if (typeof value === 'string') return hide(value, isTyped);
  if (Array.isArray(value)) return value.map((v) => throughout(v, hide, isTyped));
  if (typeof value !== 'object' || value === null || value instanceof Date) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => {
      if (WORKED_OUT.has(key)) return [key, inner];
      return [
        key,
        throughout(inner, hide, (TYPED.has(key) && !isNameOfPart(key, value)) || isWrittenName(key, value)),
      ];
    }),
  );
}

/** A sum in digits or in words, or an address of mail: what has none of these is not looked at further. */
const MAY_HOLD =
  /[\d@]|\b(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|dozen|score|hundred|thousand|million|grand|quid|fivers?|tenners?)\b|teen|t(?:y|ie)|zehn|elf|zwölf|zig|ßig|hundert|tausend/i;
/** One run without a space or a sign: an id, a day, an instant, a code. */
const IS_NONE = /^[\w.:+-]+$/;

/** Letters in all that are looked at without a thread of their own. */
const FEW = 2000;

/** A view without the prices that stand in its texts. */
export async function withoutPrices<T>(tx: Tx, deps: Deps, view: T): Promise<T> {
  const found = { typed: new Set<string>(), other: new Set<string>() };
  throughout(view, (text, isTyped) => {
    if (MAY_HOLD.test(text) && (isTyped || !IS_NONE.test(text))) found[isTyped ? 'typed' : 'other'].add(text);
    return text;
  });
  const all: Texts = { typed: [...found.typed], other: [...found.other] };
  const length = [...all.typed, ...all.other].reduce((sum, text) => sum + text.length, 0);
  if (length === 0) return view;
  const { currency, locale, timeZone } = await shopOf(tx);
  const manner = { currency, locale, today: dayOf(deps.clock.now(), timeZone) };
  const hidden =
    length <= FEW ? hideAllPrices(all, manner) : await deps.compute.run('hidePrices', all, manner);
  const typed = new Map(all.typed.map((text, i) => [text, hidden.typed[i]!]));
  const other = new Map(all.other.map((text, i) => [text, hidden.other[i]!]));
  return throughout(view, (text, isTyped) => (isTyped ? typed : other).get(text) ?? text) as T;
}

/**
 * Refuses what somebody who sees no prices sends back with the mark of a hidden one in it: it would be kept in place of the price.
 */
export function refuseHidden(who: SignedIn, body: object): void {
  if (seesPrices(who)) return;
  throughout(body, (text) => {
    if (text.includes(HIDDEN))
      throw new Refusal(
        'forbidden',
        'There are prices in it, which you do not see and which would be lost: ask the desk to change it. Nothing was kept.',
      );
    return text;
  });
}

/** An answer as this person may read it. */
export const asReadBy = <T>(deps: Deps, who: SignedIn, answer: T): Promise<T> | T =>
  seesPrices(who) ? answer : inShop(deps.db, who.shopId, (tx) => withoutPrices(tx, deps, answer));
