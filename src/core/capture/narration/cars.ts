/** Which car is being spoken of: by name, or by where it is in what was said. */
import { readKind } from '../kindWords.ts';
import { nameAt, type NameIndex } from '../names.ts';
import type { Found } from '../quantities.ts';
import { prepare } from '../reading.ts';
import type { Token } from '../tokens.ts';
import type { CaptureContext, Known } from '../types.ts';
import { ownersOf } from './owners.ts';

/** Where speech turns to a car. `from` to `next` are the words of the turn: “right back to the hearse”. */
export interface Turn {
  from: number;
  /** Where the name itself begins. */
  name: number;
  next: number;
  /** The words of the turn are part of what is said: “told Dex the hearse will be ready”. */
  isSaid?: boolean;
  /** By its name, or the car that was spoken of before the one now. */
  to: { id: string; name: string } | 'the other';
}

/** What leads to a car when one walks: “now”, “next up”, “over to”, “moving on to”. */
const LEADS = new Set([
  'now', 'next', 'right', 'righto', 'yeah', 'yep', 'alright', 'hey', 'mate', 'anyhow', 'tomorrow', 'today', 'yesterday', 'okay', 'ok', 'so', 'then', 'and', 'well', 'anyway', 'up', 'on', 'to', 'over', 'back', 'moving', 'move',
  'onto', 'the', 'with', 'for', 'that', 'leaves', 'brings', 'us', 'me', 'we', 'come', 'going', 'go', 'are', 'is', 'at', 'about',
  'as', 'also', 'last', 'lastly', 'first', 'finally', 'oh', 'but', 'this', "that's", 'thats', 'starting', 'walking', 'walk', 'heading', 'headed', 'out', 'across', 'round', 'around', 'down', 'along', 'off', 'turning', 'coming', 'crossing', 'starting', 'start', 'begin', 'beginning', 'while',
]); // prettier-ignore

/** Before a name these say that the car is only mentioned: “next to the hearse”, “waiting for the van to leave”. */
const MENTIONS =
  /^(?:of|behind|beside|by|from|than|like|under|near|against|past|into|in|off|until|till|because|where|when|if|while|moved|move|push|pushed|shift|shifted|swap|same|both|either|need|needs|want|wants|told|tell|put|waiting|waits|wait)$/;

/** Behind a name: what is said of the car itself begins. */
const SPEAKS =
  /^(?:turned|came|arrived|landed|showed|runs|starts|sits|stands|leaks|mate|mates|is|has|had|was|needs|wants|still|now|gone|went|got|we|i|i've|we've|it's|its|moved|found|did|fitted|ordered|waiting|,|:|;|\.|-|–|—|right|okay|ok|so|well|then|that|this|nothing|no|not|just|today|finally|again|all|there's|theres|there|customer|could|should|will|looks|look|the|a|my|our|his|her|first|next|same|more|good|bad)$/;

/** Behind “the hearse is” or “the hearse’s”: where it is, how it is, or what was done to it. */
const IS_OF_CAR =
  /^(?:up|on|in|at|back|off|out|over|down|under|had|got|been|gone|done|finished|ready|waiting|still|now|not|going|nearly|almost|all|stuck|sat|away|parked|outside|inside|here|there|coming|moving|running|stripped|painted|apart|together|due|booked|a|an|no|just|about)$/;

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
  // “… while the microcar got its wheels on”: meanwhile.
  if (word === 'while' && /^(?:got|had|has|was)$/.test(behind?.lower ?? '')) return false;
  // “End of shift the camper is buttoned up”: no verb.
  if (word === 'shift' && t[before - 1]?.lower === 'of') return false;
  if (MENTIONS.test(word)) return true;
  // “Next to the hearse we welded …”: somebody is at work there now.
  if (word === 'to' && t[before - 1]?.lower === 'next' && /^(?:we|i|i've|we've)$/.test(behind?.lower ?? ''))
    return false;
  // “Walking out to the estate now”.
  if (
    word === 'to' &&
    t[before - 1]?.lower === 'out' &&
    /^(?:walking|heading|going|coming)$/.test(t[before - 2]?.lower ?? '')
  )
    return false;
  if (word === 'to')
    return !/^(?:up|back|over|on|moving|come|comes|us|me|go|going|turn|along|round|across|heading|headed|walking|walk|down|around|turning)$/.test(
      t[before - 1]?.lower ?? '',
    );
  // “For the drophead, told Ruan …” begins a sentence about it.
  if (
    word === 'for' &&
    (before === 0 || /^[.!?;\n]$/.test(t[before - 1]!.text)) &&
    /^(?:[,:]|i|we)$/.test(behind?.lower ?? '')
  )
    return false;
  if (word === 'for' || word === 'with' || word === 'at')
    return from >= before && before > 0 && !isLead(t[before - 1]);
  return false;
}

/** Where one stands in the walk: “next to it we have the estate”, “opposite is the camper”. */
const BESIDE =
  /^(?:and |then )?(?:next to|beside|behind|opposite|in front of|across from|alongside)(?: (?:it|that|this|them|those))?,?(?: (?:we have|we've got|i have|is|are|there is|there's|stands|sits|comes))?(?: the)?$/;

/** “I'm standing at the drophead”. */
const STANDING =
  /^(?:okay |ok |right |so |and |now )?(?:i'm|i am|we're|we are)(?: (?:standing|stood|lying|kneeling|sitting|now|here|back))*(?: at| by| in front of| beside| with| on| under| inside| in) the$/;

/** “First one in is the van”, “last comes the camper”, “and last the drophead”. */
const IN_ORDER =
  /^(?:and |then |so )?(?:the )?(?:first|next|second|third|last)(?: one)?(?: in| up| along| of all)?,?(?: is| comes| we have)?(?: the)?$/;

/** “Told Dex the hearse will be ready”, “asked Ruan which blue for the drophead”: said about the car that is named in it. */
const TALKS =
  /^(?:and |then |so )?(?:i |we )?(?:have |'ve )?(?:told|tell|asked|ask|rang|called|phoned|texted|emailed|(?:was |am |i'm )?on the phone (?:to|with)|spoke to|talked to)(?: [a-z']+){1,4}? (?:(?:about|for|on|that|whether|if|when) )*(?:the|his|her)$/;

/** “Hugh wants to wait with the chrome on the estate”: a customer speaks of the car that is named in it. */
const SPEAKS_OF =
  /^(?:and |then |so )?[a-z']+(?: [a-z']+)? (?:wants|said|says|agreed|asked|chose|declined|picked|decided)(?: [a-z']+){0,8} (?:on|for|about|with) the$/;

/** “By the door stands the float”, “in bay 2 is the estate”. */
const STANDS =
  /^(?:and |then )?(?:by|at|in|on|under|near|behind|opposite|outside|inside)(?: [a-z0-9']+){1,4} (?:stands|sits|is|comes|we have|there is|there's)(?: the)?$/;

/** “Did the milk float shoes”: done to the car that is named in it. */
const DOES =
  /^(?:and |then |so |meanwhile )*(?:[a-z' ]{0,30} (?:i|we) (?:only |just |also )?|i |we |[a-z]+ )?(?:did|fitted|found|finished|cleaned|washed|polished|painted|stripped|repaired|mended|checked|ordered|bought|gave|got|made) the$/;

/** “Did the wheels of the rally car”, “first blue on the drophead”: one thing of the car that is named behind it. */
const DOES_PART =
  /^(?:[a-z', -]{0,40} )?(?:did|fitted|finished|cleaned|washed|polished|painted|stripped|repaired|mended|checked|flatted|primed|bled|changed|replaced|fixed|made|welded|sprayed|masked|sanded|wired|set|put|took|got|first|second|final)(?: [a-z'-]+){1,4} (?:of|on|for|in|from|off) the$/;

/** “Moved the estate to bay 2” is about the estate, whatever was spoken of before. */
const MOVES = /^(?:moved|pushed|rolled|shifted|towed|put)(?: the)?$/;
const WHERE = /^(?:to|into|onto|in|on|out|back|over|behind|beside)$/;

/** “Helped Joss with the camper for an hour”. */
const HELPS = /^(?:and |then |so )?(?:i |we )?helped(?: [a-z']+){0,2} (?:with|on) the$/;

/** “I've had the hearse on the lift since Monday”. */
const HAS =
  /^(?:and |then |so |now )?(?:i've|we've|i have|we have|i|we)(?: also| just| still)? (?:had|have|got|took|put|moved) the$/;

const SAID = [HAS, TALKS, SPEAKS_OF, DOES, DOES_PART, HELPS];

const wordsOf = (t: readonly Token[], from: number, next: number): string =>
  t
    .slice(from, next)
    .map((tok) => tok.lower)
    .join(' ');

/**
 * The words before token `i` that lead to the car there, from the first of their sentence, or from the joint before them where
 * nobody says a stop; null where they do not.
 */
function sentenceTo(
  t: readonly Token[],
  i: number,
  behind: Token | undefined,
): { from: number; isSaid: boolean } | null {
  let stop = i;
  while (stop > 0 && !/^[.!?;]$/.test(t[stop - 1]!.text)) stop -= 1;
  let joint = i;
  while (joint > stop && !/^(?:then|so)$/.test(t[joint]!.lower)) joint -= 1;
  for (const from of [stop, joint]) {
    const words = wordsOf(t, from, i);
    if ([BESIDE, IN_ORDER, STANDS, STANDING].some((way) => way.test(words))) return { from, isSaid: false };
    const isSaid =
      SAID.some((way) => way.test(words)) || (MOVES.test(words) && WHERE.test(behind?.lower ?? ''));
    if (isSaid) return { from, isSaid };
  }
  return null;
}

/** “Rally car changed the oil”: behind the name stands what was done. */
function worksAt(t: readonly Token[], i: number): boolean {
  const read = readKind(t.slice(i, i + 4), 0, () => false);
  return (
    read !== null && read.from === 0 && /^(?:did|fitted|found|ordered|spent|asked|told)$/.test(read.kind)
  );
}

/** What a customer does at the beginning of a sentence that is about their car. */
const CUSTOMER_DOES =
  /^(?:wants|wanted|said|says|agreed|asked|asks|rang|called|phoned|texted|emailed|wrote|chose|picked|declined|likes|came|was|popped|dropped|visited|looked|thinks)$/;
/** Words behind which a customer is only spoken of: “told Marta”, “what Marta said”. */
const NOT_BEFORE_THEM =
  /^(?:told|tell|asked|ask|rang|called|phoned|texted|emailed|that|what|if|whether|because|when|which|who|like|as|to|of|for|with|by|from|since|until|till|than|and|or|the)$/;
const TOLD_THEM = /^(?:and |then |so )?(?:i |we )?(?:told|tell|asked|ask|rang|called|phoned|texted|emailed)$/;

/** “Marta's, polished the panels”, “Hugh wants to wait”, “told Ruan the chrome is late”: by whose car it is. */
function ownerTurn(t: readonly Token[], i: number, owners: NameIndex): Turn | null {
  const owner = nameAt(owners, t, i);
  if (!owner) return null;
  let stop = i;
  while (stop > 0 && !/^[.!?;]$/.test(t[stop - 1]!.text)) stop -= 1;
  const words = wordsOf(t, stop, i);
  const behind = t[owner.next];
  const to = { id: owner.value.id, name: owner.value.name };
  const leads = words === '' || /^(?:and|then|so|now|next)(?: then)?$/.test(words);
  if (leads && /'s$/.test(t[i]!.lower) && /^[,:]$/.test(behind?.text ?? ''))
    return { from: stop, name: i, next: owner.next, to };
  const speaks = leads && CUSTOMER_DOES.test(behind?.lower ?? '');
  if (speaks || TOLD_THEM.test(words)) return { from: stop, name: i, next: owner.next, isSaid: true, to };
  // “… 14.2 volts Marta says yes to the signwriting”: no stop is said before them.
  const begins =
    i > stop &&
    !NOT_BEFORE_THEM.test(t[i - 1]!.lower) &&
    /^(?:says|said|wants|agreed|asked|rang)$/.test(behind?.lower ?? '');
  return begins ? { from: i, name: i, next: owner.next, isSaid: true, to } : null;
}

/** Every turn to a car, in order. */
export function findTurns(t: readonly Token[], context: CaptureContext): Turn[] {
  const known = prepare(context);
  const owners = ownersOf(context);
  const turns: Turn[] = [];
  for (let i = 0; i < t.length; i += 1) {
    const other = otherAt(t, i);
    if (other !== null) {
      turns.push({ from: leadOf(t, i, turns.at(-1)?.next ?? 0), name: i, next: other, to: 'the other' });
      i = other - 1;
      continue;
    }
    const name = nameAt(known.builds, t, i);
    const owner = name ? null : ownerTurn(t, i, owners);
    if (owner && owner.from >= (turns.at(-1)?.next ?? 0)) {
      turns.push(owner);
      i = owner.next - 1;
      continue;
    }
    if (!name) continue;
    // “Told Dex the hearse will be ready”: the car that is named in it, whoever was told.
    const last = turns.at(-1);
    if (
      last?.isSaid &&
      i - last.next < 12 &&
      !t.slice(last.next, i).some((tok) => /^[.!?;,]$/.test(tok.text))
    ) {
      last.to = { id: name.value.id, name: name.value.name };
      i = name.next - 1;
      continue;
    }
    const sentence = sentenceTo(t, i, t[name.next]);
    if (sentence !== null && sentence.from >= (turns.at(-1)?.next ?? 0)) {
      turns.push({
        ...{ ...sentence, name: i, next: name.next },
        to: { id: name.value.id, name: name.value.name },
      });
      i = name.next - 1;
      continue;
    }
    const plain = plainTurn(t, known, name, turns.at(-1)?.next ?? 0);
    if (plain) {
      turns.push(plain);
      i = plain.next - 1;
      continue;
    }
    const about = aboutAt(t, known.builds, name);
    if (about !== null && about >= (turns.at(-1)?.next ?? 0)) {
      turns.push({
        ...{ from: about, isSaid: true, name: i, next: name.next },
        to: { id: name.value.id, name: name.value.name },
      });
    }
    i = name.next - 1;
  }
  return turns;
}

/** “Float”, of the milk float. */
const isHeadOf = (
  t: readonly Token[],
  { from, next, value }: { from: number; next: number; value: { name: string } },
): boolean => next - from === 1 && value.name.includes(' ') && t[from]!.lower !== value.name.toLowerCase();

/** What ends a thing said: how long, how grave, how much. */
const SAID_ALL =
  /^(?:hours?|minutes?|half|must|should|nice|safety|quid|pounds|(?:mon|tues|wednes|thurs|fri)day|tomorrow)$/;

/** A car’s name that begins a sentence, that is led to, or of which the car itself is spoken of; null where it is only mentioned. */
function plainTurn(
  t: readonly Token[],
  known: ReturnType<typeof prepare>,
  name: Found<Known>,
  start: number,
): Turn | null {
  const i = name.from;
  const from = leadOf(t, i, start);
  if (isMention(t, from, i, t[name.next])) return null;
  const behind = t[name.next]?.lower ?? '';
  const starts = from === 0 || /^[.!?;:\n]$/.test(t[from - 1]!.text);
  const leads = from < i - (t[i - 1]?.lower === 'the' ? 1 : 0);
  // “… float has its lights back”, “… and float is back”: only a car has and is so.
  const isCarOf =
    /^(?:has|had)$/.test(behind) || (behind === 'is' && IS_OF_CAR.test(t[name.next + 1]?.lower ?? ''));
  // A name's head alone (“float” of the milk float) needs something that points to it: “end float” is no car.
  const pointed = !isHeadOf(t, name) || starts || isCarOf || beginsBare(t, name) || t[i - 1]?.lower === 'the';
  if (!pointed) return null;
  // “The rally car's up on lift 1” says what it is; “the rally car's wheels” names what is its.
  const hasS = possessiveAt(t, name.next);
  const isIts = hasS && !IS_OF_CAR.test(behind);
  // “I rubbed down the microcar's wings”: the words before it lead to nothing, they say what was done.
  if (
    isIts &&
    !starts &&
    /^(?:down|up|out|off|on|round|around|at|with|for|about)$/.test(t[i - 2]?.lower ?? '')
  )
    return null;
  const speaks =
    behind === '' ||
    SPEAKS.test(behind) ||
    behind === "'" ||
    isCarOf ||
    hasS ||
    worksAt(t, name.next) ||
    // Somebody of the shop: “the hearse Petra did its seals”.
    nameAt(known.people, t, name.next) !== null;
  if (!(starts || leads || beginsBare(t, name) || (speaks && !isIts))) return null;
  // “Hugh Pellow’s first.”, “Marta’s, polished …”: whose it is, and nothing of it.
  const order = isIts && /^(?:first|next|now|then|last)$/.test(behind);
  const next = order && t[name.next + 1]?.type === 'mark' ? name.next + 1 : name.next;
  return { from, name: i, next, to: { id: name.value.id, name: name.value.name } };
}

/**
 * “… from Skerry Electrics ice-cream van chimes work now”: a whole name, and nothing that leads to it as to a place; behind how long
 * or how much, a name of one word too: “… and an hour estate wood filler sanded back”.
 */
function beginsBare(t: readonly Token[], name: Found<Known>): boolean {
  const before = t[name.from - 1]?.lower;
  if (before === undefined || possessiveAt(t, name.next)) return false;
  return (
    (name.next - name.from > 1 && BARE.test(before)) ||
    (SAID_ALL.test(before) && (!isHeadOf(t, name) || CLAUSE.test(t[name.next]?.lower ?? '')))
  );
}

/** What begins a clause: “float the tail lift works”. */
const CLAUSE = /^(?:the|a|an|we|i|got|has|had|is|needs|gets|still|now|no|was|its|it's)$/;

const possessiveAt = (t: readonly Token[], next: number): boolean => /'s$/.test(t[next - 1]!.lower);

/** A word behind which a whole name begins anew: no article, no preposition, nothing that is done to a car. */
const BARE =
  /^(?!(?:the|a|an|of|on|in|at|to|for|from|by|with|behind|beside|near|like|than|and|or|my|our|his|her|their|this|that|moved|rolled|pushed|told|because|into|onto|off|past|old)$)[a-z]/;

/**
 * “Tern & Sons dropped off the estate's canvas”, “nothing for the float”: a sentence that names one car and nothing else of where
 * it stands is about it. The first token of the sentence, or null; where no stops are said, there are no sentences.
 */
function aboutAt(
  t: readonly Token[],
  builds: NameIndex,
  name: { from: number; next: number },
): number | null {
  const [i, next] = [name.from, name.next];
  let from = i;
  while (from > 0 && !isEnd(t[from - 1]!)) from -= 1;
  let to = next;
  while (to < t.length && !isEnd(t[to]!)) to += 1;
  if (t[i - 1]?.lower !== 'the' || to - from > 45 || (from === 0 && to === t.length)) return null;
  for (let k = from; k < to; k += 1) if ((k < i || k >= next) && nameAt(builds, t, k)) return null;
  const lead = t[i - 2]?.lower ?? '';
  if (possessiveAt(t, next)) return ELSEWHERE.test(lead) ? null : from;
  if (lead === 'about') return from;
  const closes = next === to || t[next]?.type === 'mark';
  return lead === 'for' &&
    closes &&
    !/^(?:room|space|way|swap|waiting|wait|look)$/.test(t[i - 3]?.lower ?? '')
    ? from
    : null;
}

const isEnd = (tok: Token): boolean => /^[.!?;\n]$/.test(tok.text);
/** Where something lies, or what it is like. */
const ELSEWHERE =
  /^(?:behind|beside|by|near|from|like|than|under|past|against|into|to|as|with|using|until|till)$/;

/** “the other one”, “the other car”: where it ends, or null. */
function otherAt(t: readonly Token[], i: number): number | null {
  if (t[i]!.lower !== 'the' || t[i + 1]?.lower !== 'other') return null;
  return /^(?:one|car)$/.test(t[i + 2]?.lower ?? '') ? i + 3 : null;
}
