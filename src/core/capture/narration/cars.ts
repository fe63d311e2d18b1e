/** Which car is being spoken of: by name, or by where it is in what was said. */
import { nameAt } from '../names.ts';
import type { Prepared } from '../reading.ts';
import type { Token } from '../tokens.ts';

/** Where speech turns to a car. `from` to `next` are the words of the turn: “right back to the hearse”. */
export interface Turn {
  from: number;
  /** Where the name itself begins. */
  name: number;
  next: number;
  /** By its name, or the car that was spoken of before the one now. */
  to: { id: string; name: string } | 'the other';
}

/** What leads to a car when one walks: “now”, “next up”, “over to”, “moving on to”. */
const LEADS = new Set([
  'now', 'next', 'right', 'okay', 'ok', 'so', 'then', 'and', 'well', 'anyway', 'up', 'on', 'to', 'over', 'back', 'moving', 'move',
  'onto', 'the', 'with', 'for', 'that', 'leaves', 'brings', 'us', 'me', 'we', 'come', 'going', 'go', 'are', 'is', 'at', 'about',
  'as', 'also', 'last', 'lastly', 'first', 'finally', 'oh', 'but', 'this', "that's", 'thats',
]); // prettier-ignore

/** Before a name these say that the car is only mentioned: “next to the hearse”, “waiting for the van to leave”. */
const MENTIONS =
  /^(?:of|behind|beside|by|from|than|like|under|near|against|past|into|in|off|until|till|because|where|when|if|while|moved|move|push|pushed|shift|shifted|swap|same|both|either|need|needs|want|wants|told|tell|put|waiting|waits|wait)$/;

/** Behind a name: what is said of the car itself begins. */
const SPEAKS =
  /^(?:is|has|had|was|needs|wants|still|now|gone|went|got|we|i|i've|we've|it's|its|moved|found|did|fitted|ordered|waiting|,|:|;|\.|-|–|—|right|okay|ok|so|well|then|that|this|joss|nothing|no|not|just|today|finally|again|all|there's|theres|there|customer|could|should|will|looks|look|the|a|my|our|his|her|first|next|same|more|good|bad)$/;

const isLead = (tok: Token | undefined): boolean => tok !== undefined && LEADS.has(tok.lower);

/** Tokens before `i` that lead to the car there; the first of them. */
function leadOf(t: readonly Token[], i: number, start: number): number {
  let from = i;
  while (from > start && (isLead(t[from - 1]) || t[from - 1]!.text === ',')) from -= 1;
  while (t[from]?.text === ',') from += 1;
  return from;
}

/** “to the hearse” behind “next” is where another stands; behind “back”, “over”, “on”, “moving on” it is a turn. */
function isMention(t: readonly Token[], from: number, name: number, behind: Token | undefined): boolean {
  const before = t[name - 1]?.lower === 'the' ? name - 2 : name - 1;
  const word = t[before]?.lower ?? '';
  if (MENTIONS.test(word)) return true;
  // “Next to the hearse we welded …”: somebody is at work there now.
  if (word === 'to' && t[before - 1]?.lower === 'next' && /^(?:we|i|i've|we've)$/.test(behind?.lower ?? ''))
    return false;
  if (word === 'to')
    return !/^(?:back|over|on|moving|come|comes|us|me|go|going|turn|along|round)$/.test(
      t[before - 1]?.lower ?? '',
    );
  // “For the drophead, told Ruan …” begins a sentence about it.
  if (word === 'for' && (before === 0 || /^[.!?;\n]$/.test(t[before - 1]!.text)) && behind?.text === ',')
    return false;
  if (word === 'for' || word === 'with' || word === 'at')
    return from >= before && before > 0 && !isLead(t[before - 1]);
  return false;
}

/** Where one stands in the walk: “next to it we have the estate”, “opposite is the camper”. */
const BESIDE =
  /^(?:and |then )?(?:next to|beside|behind|opposite|in front of|across from|alongside)(?: (?:it|that|this|them|those))?,?(?: (?:we have|we've got|i have|is|are|there is|there's|stands|sits|comes))?(?: the)?$/;

/** “Moved the estate to bay 2” is about the estate, whatever was spoken of before. */
const MOVES = /^(?:moved|pushed|rolled|shifted|towed|put)(?: the)?$/;
const WHERE = /^(?:to|into|onto|in|on|out|back|over|behind|beside)$/;

/** The sentence before token `i`, from its first word, where that leads to the car there; null where it does not. */
function sentenceTo(t: readonly Token[], i: number, behind: Token | undefined): number | null {
  let from = i;
  while (from > 0 && !/^[.!?;]$/.test(t[from - 1]!.text)) from -= 1;
  const words = t
    .slice(from, i)
    .map((tok) => tok.lower)
    .join(' ');
  const leads = BESIDE.test(words) || (MOVES.test(words) && WHERE.test(behind?.lower ?? ''));
  return leads ? from : null;
}

/** What is said of a car itself begins before its name. */
export const movesIt = (t: readonly Token[], name: number): boolean =>
  MOVES.test(
    t
      .slice(0, name)
      .map((tok) => tok.lower)
      .join(' '),
  );

/** Every turn to a car, in order. */
export function findTurns(t: readonly Token[], known: Prepared): Turn[] {
  const turns: Turn[] = [];
  for (let i = 0; i < t.length; i += 1) {
    const other = otherAt(t, i);
    if (other !== null) {
      turns.push({ from: leadOf(t, i, turns.at(-1)?.next ?? 0), name: i, next: other, to: 'the other' });
      i = other - 1;
      continue;
    }
    const name = nameAt(known.builds, t, i);
    if (!name) continue;
    const sentence = sentenceTo(t, i, t[name.next]);
    if (sentence !== null && sentence >= (turns.at(-1)?.next ?? 0)) {
      turns.push({
        ...{ from: sentence, name: i, next: name.next },
        to: { id: name.value.id, name: name.value.name },
      });
      i = name.next - 1;
      continue;
    }
    const from = leadOf(t, i, turns.at(-1)?.next ?? 0);
    const starts = from === 0 || /^[.!?;:\n]$/.test(t[from - 1]!.text);
    const leads = from < i - (t[i - 1]?.lower === 'the' ? 1 : 0);
    const behind = t[name.next];
    const speaks = behind === undefined || SPEAKS.test(behind.lower) || behind.text === "'";
    // A name's head alone (“float” of the milk float) needs something that points to it: “end float” is no car.
    const isHead =
      name.next - i === 1 && name.value.name.includes(' ') && t[i]!.lower !== name.value.name.toLowerCase();
    const pointed = !isHead || starts || t[i - 1]?.lower === 'the';
    const possessive = /'s$/.test(t[name.next - 1]!.lower);
    if (pointed && !isMention(t, from, i, behind) && (starts || leads || (speaks && !possessive))) {
      turns.push({ from, name: i, next: name.next, to: { id: name.value.id, name: name.value.name } });
    }
    i = name.next - 1;
  }
  return turns;
}

/** “the other one”, “the other car”: where it ends, or null. */
function otherAt(t: readonly Token[], i: number): number | null {
  if (t[i]!.lower !== 'the' || t[i + 1]?.lower !== 'other') return null;
  return /^(?:one|car)$/.test(t[i + 2]?.lower ?? '') ? i + 3 : null;
}
