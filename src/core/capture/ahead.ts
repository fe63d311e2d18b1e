/**
 * What is still to come, is not done, or is only quoted must never count as done: it becomes a note, and the line asks.
 * Until what is planned has a kind of its own, a note too many is better than an hour on a bill that nobody worked.
 */
import type { Kind } from '../log/kinds.ts';
import type { Reading } from './reading.ts';

/** Kinds that say that something happened, and post to the ledger or to a letter. */
const HAPPENED: ReadonlySet<Kind> = new Set<Kind>(['did', 'fitted', 'hours', 'spent', 'arrived', 'resumed']);

/** Says that what stands with it lies ahead, is not so, or is a guess. “Had to” is past: what one had to do was done. */
const AHEAD =
  /\b(?:will|shall|going to|gonna|about to|(?:have|has) to|needs?|needed to|to be|wants? to|plan(?:s|ning)? to|(?:have|has|do|does|did|is|are|was|were|will|wo|ca|could|would|should)(?:n['’]t| not)|never|not yet|estimated?|estimates|quoted?|quotes|would(?! you)|if (?:we|i|he|she|they|it))\b|['’]ll\b/i;

/** Said of what was done, these tell how it turned out: “fitted the pump, should hold now”. */
const SOFT = /\b(?:should|could|might|must)\b/i;

const CLAUSE = /[.;,:]\s|\s(?:and then|then|but)\s/g;

/** Behind what was done: more of it to come. “It still will not shut” says how it turned out, and plans nothing. */
const TURN =
  /\b(?:(?:will|shall)(?! not)|going to|gonna|about to|(?:have|has) to|needs? to|to be|wants? to|plan(?:s|ning)? to)\b|['’]ll\b/i;

/** Where the clause that holds a place of the text begins and ends. */
function clauseAt(text: string, place: number): { start: number; end: number } {
  let start = 0;
  for (const m of text.matchAll(CLAUSE)) {
    if (m.index >= place) return { start, end: m.index };
    start = m.index + m[0].length;
  }
  return { start, end: text.length };
}

const isAhead = (r: Reading): boolean => {
  const { result, text } = r;
  const says = result.spans.find((s) => s.field === 'kind');
  const hasAmount = result.minutes !== undefined || result.moneyMinor !== undefined;
  const amounts = result.spans.filter((s) => s.field === 'minutes' || s.field === 'moneyMinor');
  if (!says) {
    const before = text.slice(0, amounts.at(-1)?.start ?? 0);
    return hasAmount && (AHEAD.test(before) || SOFT.test(before));
  }
  const { start } = clauseAt(text, says.start);
  const upToIt = text.slice(start, says.end);
  if (AHEAD.test(upToIt) || SOFT.test(upToIt)) return true;
  // Done, and more to come: whose are the hours? Only what stands behind the turn is in doubt.
  const turn = TURN.exec(text.slice(says.end));
  if (!turn) return false;
  const from = says.end + turn.index;
  return amounts.some((s) => s.start > from);
};

/** Makes a note of a line that reads as done and is not, or may not be; what it would have been is kept to be asked. */
export function settleAhead(r: Reading): void {
  const { result } = r;
  const { kind, minutes, moneyMinor } = result;
  if (kind === 'correction' || !HAPPENED.has(kind) || !isAhead(r)) return;
  result.ahead = {
    kind,
    ...(minutes === undefined ? {} : { minutes }),
    ...(moneyMinor === undefined ? {} : { moneyMinor }),
  };
  result.kind = 'note';
  delete result.minutes;
  delete result.moneyMinor;
  result.spans = result.spans.filter((s) => s.field !== 'minutes' && s.field !== 'moneyMinor');
}
