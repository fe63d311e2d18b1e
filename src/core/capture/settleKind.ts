/** Which kind a line is, once its amounts, names and places are read: a word for a kind may mean another thing beside them. */
import type { Kind } from '../log/kinds.ts';
import { hasClass } from './classes.ts';
import type { KindRead } from './kindWords.ts';
import { unknownVendor } from './names.ts';
import { findMarkedPrices } from './prices.ts';
import type { Reading } from './reading.ts';
import type { SpanField } from './types.ts';
import { unsaidKind, waitsTill } from './unsaid.ts';
import { kindOfVerb, verbOf } from './verbs.ts';

const ON = /^[^,.\d]{3,40} (?:on|in|down|up)(?:,| and )/i;
const ON_LAST = /^[^,.\d]{3,40} (?:on|in|down), /i;
/** “The wings are in colour”: painted. */
const IN_PAINT = /\bin (?:primer|colou?r|paint|undercoat|lacquer|clear|varnish|base ?coat|top ?coat)\b/i;
const COAT =
  /\b(?:first|second|third|last|top|final) (?:coat|blue|black|white|red|green|grey|cream|lacquer|clear|primer|colou?r)\b/i;

/** The kind of a line, of the word that says it and of all else that was read; without such a word, of how it is said. */
export function settleKind(r: Reading, read: KindRead | null): void {
  const { result, t } = r;
  let kind: Kind = read?.kind ?? 'note';
  // “Rang Dex, he reckons just do it”: what they answered is what counts.
  if (kind === 'told' && ANSWERED.test(r.text)) kind = 'decided';
  if ((kind === 'moved' || kind === 'did') && read?.subject !== 'after' && waitsTill(r.text))
    kind = 'waiting';
  // “It needs its glass back from the engraver”.
  if (kind === 'arrived' && NEEDS_BACK.test(r.text)) kind = 'waiting';
  if (kind === 'moved' && !result.place && waitsTill(r.text)) kind = 'waiting';
  const behind = read ? read.next : r.start;
  const startsInHours = result.minutes !== undefined && spanStartsAt(r, 'minutes', behind);
  // “Did 3 h”, “spent two hours” say only how long; “masked up, one hour” says what.
  const saysOnlyHours =
    read?.subject === 'after' && /^(?:did|done|fitted|spent|put)$/.test(t[read.from]!.lower);
  if (saysOnlyHours && startsInHours && kind !== 'note') kind = hoursAt(r, behind);
  if (kind === 'hours' && result.minutes === undefined) kind = 'note';
  // What is said to be a must is something that was found, whatever its words are.
  // Of what was done, too, where it is only said of the thing: “the loom has been chopped about, six hours, safety”.
  if (!read || kind === 'decided' || (kind === 'did' && read.subject === 'before'))
    kind = hasClass(r) ? 'found' : read ? kind : (unsaid(r) ?? inferKind(r));
  // “The joints are in, an hour and a half”: put there, not come; “moved the vent, one hour” goes nowhere.
  if (read && result.minutes !== undefined) {
    if (kind === 'arrived' && /^(?:is|are)$/.test(t[read.from]!.lower)) {
      const isPut = [t[read.next - 1], t[read.next]].some((tok) => /^(?:in|on)$/.test(tok?.lower ?? ''));
      kind = isPut && !IN_PAINT.test(r.text) ? 'fitted' : 'did';
    }
    if (kind === 'moved' && !result.place) kind = 'did';
  }
  // “Bumpers on, two hours”, “carpets are down, an hour”.
  if (!read && ((kind === 'hours' && ON.test(r.text)) || (kind === 'did' && ON_LAST.test(r.text))))
    kind = 'fitted';
  // “No tailgate glass yet”.
  if (!read && kind === 'note' && NOT_YET.test(r.text)) kind = 'waiting';
  // A coat of paint is put on, and is no part.
  if (kind === 'fitted' && COAT.test(r.text)) kind = 'did';
  // “Tested the charger and it holds 58 volts”: what was tested was measured.
  if (read && result.measures.length > 0 && /^(?:tested|checked)$/.test(t[read.from]!.lower))
    kind = 'reading';
  // "Hearse is on lift 1": it stands there; nothing was fitted or arrived.
  const stands = read && result.place && /^(?:in|on|up)$/.test(t[read.next - 1]!.lower);
  if (stands && (kind === 'fitted' || kind === 'arrived')) kind = 'moved';
  if (
    kind === 'moved' &&
    read &&
    t[read.from]!.lower === 'sent' &&
    !result.place &&
    !unknownVendor(t, r.blocked) &&
    !result.vendor
  )
    kind = /\b(?:photo|picture|video|message|letter|estimate|note)s?\b/i.test(r.text) ? 'told' : 'note';
  result.kind = kind;
  if (read) r.take('kind', read);
}

/** “Spent an hour getting it back”: what was done in it; else only hours. */
function hoursAt(r: Reading, from: number): Kind {
  let i = from;
  while (r.t[i] && r.blocked(i)) i += 1;
  const verb = verbOf(r.t[i]?.lower ?? '');
  const kind = verb?.form === 'ing' ? kindOfVerb(verb) : null;
  return kind === 'did' || kind === 'fitted' ? kind : verb?.form === 'ing' ? 'did' : 'hours';
}

const NEEDS_BACK = /\bneeds? (?:the|its|her|his|that|those) [^,.]{2,30} back\b/i;

const ANSWERED =
  /^(?:and |so |then )?(?:(?:i|we) )?(?:have |'ve )?(?:just )?(?:told|rang|called|phoned|texted|emailed|messaged|spoke to)(?: [\p{L}']+){1,4},?(?: and| but| so)? (?:he|she|they) (?:says?|said|reckons?|reckoned|agreed|wants|wanted|chose|picked|okayed|(?:is|was|were|are) (?:fine|happy|okay|ok))\b/iu;

/** What a line is that no word of a kind stands in. */
function unsaid(r: Reading): Kind | null {
  const { t, result } = r;
  const time = result.spans.find((s) => s.field === 'minutes');
  const first = time ? t.findIndex((tok) => tok.start === time.start) : -1;
  const joined = first > 1 && /^(?:and|plus)$/.test(t[first - 1]!.lower) ? first - 2 : -1;
  return unsaidKind({
    text: r.text,
    around: time ? { before: r.text.slice(0, time.start), behind: r.text.slice(time.end) } : null,
    hasPrice:
      joined >= 1 && t[joined]!.type === 'number' && !r.blocked(joined) && Number(t[joined]!.text) >= 3,
    measures: result.measures.length,
  });
}

const NOT_YET = /(?:^|[,:.] ?)(?:still )?no [^,.]{2,40} yet[.!]?$/i;
function inferKind(r: Reading): Kind {
  const { result, t } = r;
  const place = result.place ? result.spans.find((s) => s.field === 'place') : undefined;
  if (place && /^(?:to|onto|into|on|in|back)\b/i.test(r.text.slice(place.start))) return 'moved';
  if (result.measures.length > 0) return 'reading';
  if (result.minutes !== undefined) return 'hours';
  if (findMarkedPrices(t, r.context.currency, r.known.mark, r.blocked).length > 0) return 'spent';
  return 'note';
}

const spanStartsAt = (r: Reading, field: SpanField, token: number): boolean =>
  r.result.spans.some((s) => s.field === field && s.start === r.t[token]?.start);
