/** Where one thing said ends and the next begins, with punctuation or without. */
import { readKind, type KindRead } from '../kindWords.ts';
import { findDurations } from '../quantities.ts';
import type { Token } from '../tokens.ts';
import { areTwo } from './joints.ts';
import { isFault } from '../unsaid.ts';
import { ENDS, endOf, isStop, kindSaid, nothingBlocked, OPENS } from './said.ts';

/** A run of tokens that says one thing. */
export interface Run {
  from: number;
  /** Where what is said begins, behind the words that turn to a car; `from` when absent. */
  says?: number;
  next: number;
}

/** Words that join two things said, and say nothing by themselves. */
const JOINTS = new Set(['and', 'then', 'also', 'but', 'so', 'plus', 'oh', 'after', 'that', 'next', 'anyway', 'right', 'okay', 'ok', 'well', 'um', 'er', 'uh', 'yeah', 'yes', 'now', 'we', 'i', 'we\'ve', 'i\'ve', 'have', 'just', 'again', 'too', 'as', 'still']); // prettier-ignore

/** “…, next is the rear rail”, “… two hours next we fit the shoes”, “…, next the lock” begin what comes next. */
function nextAt(t: readonly Token[], i: number): boolean {
  if (/^(?:we'll|i'll)$/.test(t[i]!.lower))
    return !LEADS_ON.test(t[i - 1]?.lower ?? '') && t[i - 1]?.text !== ',';
  if (t[i]!.lower !== 'next') return false;
  const [before, behind] = [t[i - 1]?.lower ?? '', t[i + 1]?.lower ?? ''];
  // “… so next Joss cuts the pillar out”.
  if (/^(?:so|and|then|now)$/.test(before) && !/^(?:to|week|day|time)$/.test(behind)) return true;
  if (/^(?:is|we|i|up|job|thing)$/.test(behind)) return !/^(?:the|our|to|what's|whats|is)$/.test(before);
  return before === ',' && behind === 'the';
}

/** Behind these somebody is only mentioned: “the bush that I turned”, “since we fitted it”. */
const LEADS_ON =
  /^(?:and|or|but|so|that|what|which|who|as|when|where|if|because|than|since|before|after|until|till|while|once|said|says|told|think|thinks|know|hope|like|how|why|whether|the|a|to|of|for|with|by|in|on|at|from)$/;

/** No thing that is spoken of begins so. */
const NO_SUBJECT =
  /^(?:in|at|by|from|with|into|onto|off|out|up|down|over|under|round|because|which|who|that|as|if|when|where|but|so|then|all|each|back|now|again|too|well|not|no|must|should|nice|safety|just|is|was|are|were|due|today|yesterday|more|its)$/;

/** “… twenty minutes it's shifting well”; not “… two hours it's about in all”. */
function saysOfIt(t: readonly Token[], i: number): boolean {
  const word = t[i]!.lower;
  const isShort = /^(?:it's|she's|they're)$/.test(word);
  const isOfIt = isShort || (/^(?:it|they)$/.test(word) && /^(?:is|are)$/.test(t[i + 1]?.lower ?? ''));
  const said = t[i + (isShort ? 1 : 2)];
  return isOfIt && said?.type === 'word' && !/^(?:a|an|about|all|been|taken|in)$/.test(said.lower);
}

/** “… welded it twenty minutes the rear seal is seeping”: something is said of another thing. */
function saysOfThing(t: readonly Token[], i: number, next: number): boolean {
  if (!/^(?:the|one|both|another)$/.test(t[i]!.lower)) return false;
  const words = t.slice(i, Math.min(next, i + 6));
  if (words.some((tok) => tok.type === 'mark' || /^(?:lot|time|day|rest|whole)$/.test(tok.lower)))
    return false;
  return words
    .slice(2)
    .some((tok) => /^(?:is|are|was|were|has|have|needs|need|wants|looks)$/.test(tok.lower));
}

/** Whether what is said from `word` on is a thing of its own, however it ends. */
function isBegun(t: readonly Token[], word: number, { kind, from, subject }: KindRead): boolean {
  if (from === 0 && subject === 'after') return true;
  if (kind === 'reading' && t[word]!.lower === 'the') return true;
  // “… two hours felt was shot”, “… half an hour charger is back from Skerry”.
  const isOfThing = t[word]!.type === 'word' && !NO_SUBJECT.test(t[word]!.lower);
  return subject === 'before' && from <= 4 && /^(?:found|arrived|ordered)$/.test(kind) && isOfThing;
}

/** “… two hours found a run on the nearside”, “… safety I ordered two”: another thing, without a joint before it. */
function anewAt(t: readonly Token[], says: number, i: number, next: number): boolean {
  const last = t[i - 1]!.text === ',' ? t[i - 2] : t[i - 1];
  if (!last) return false;
  const isPerson = /^(?:i|we|i've|we've)$/.test(t[i]!.lower);
  // “… nice job he charged 65”: what somebody else asked, said or took for it.
  const isOther =
    /^(?:he|she|they)$/.test(t[i]!.lower) &&
    /^(?:charged|asked|wants|wanted|agreed|rang|called|texted|emailed)$/.test(t[i + 1]?.lower ?? '');
  // “… on clips I swept it out”: who does it begins another thing, where nothing leads to them.
  const begins = (isPerson || isOther) && !LEADS_ON.test(last.lower);
  const ends = ENDS.test(last.lower);
  if (!begins && !ends) return false;
  // “Half an hour” is one.
  if (last.lower === 'half' && /^(?:an?|of)$/.test(t[i]!.lower)) return false;
  const isTimed = findDurations(t.slice(says, i), '.').length > 0;
  if (ends && (saysOfIt(t, i) || saysOfThing(t, i, next))) return isTimed;
  let word = isPerson ? i + 1 : i;
  if (isPerson && t[word]?.lower === 'have') word += 1;
  if (word >= next || /^(?:and|or|to|for|on|of|hours?|hrs?|minutes?|mins?|,)$/.test(t[word]!.lower))
    return false;
  const right = kindSaid(t, word, endOf(t, word, next));
  return right !== null && isBegun(t, word, right) && (isTimed || kindSaid(t, says, i) !== null);
}

/** “Still waiting on …” begins a thing of its own, without a joint before it. */
function waitsAt(t: readonly Token[], i: number): boolean {
  const [word, behind] = [t[i]!.lower, t[i + 1]?.lower ?? ''];
  if (word === 'still') return /^(?:waiting|no|need|needs)$/.test(behind);
  const before = t[i - 1]?.lower ?? '';
  return (
    word === 'waiting' &&
    /^(?:on|for)$/.test(behind) &&
    !/^(?:is|are|was|still|stuck|up|been|hold|while)$/.test(before)
  );
}

/** Behind these a word for what was done belongs to what stands before it. */
const BELONGS =
  /^(?:i|we|he|she|they|who|have|has|had|was|were|been|be|is|are|get|got|that|which|and|or|not|to|just|also|then|so|now|never|i've|we've|only|still|,|:|-)$/;

/** “… it pulls well found the needle wags”: words that nobody uses of anything else begin a thing where no stop is said. */
function strongAt(t: readonly Token[], says: number, i: number, next: number): boolean {
  const word = t[i]!.lower;
  const behind = t[i + 1];
  if (i + 2 >= next || behind === undefined || BELONGS.test(t[i - 1]!.lower)) return false;
  const buys =
    /^(?:found|ordered|spent)$/.test(word) &&
    /^(?:the|a|an|one|two|another|some|new|more|his|her|\d.*)$/.test(behind.lower);
  const tells =
    /^(?:told|asked)$/.test(word) &&
    (/^\p{Lu}/u.test(behind.text) || /^(?:him|her|them)$/.test(behind.lower));
  // “… round the skylight resealed it”.
  const works =
    /^[a-z]{3,}ed$/.test(word) &&
    /^(?:it|them|the|both|all)$/.test(behind.lower) &&
    !/^(?:needed|used|seized|looked|wanted|asked|called|rubbed|touched|reached|missed|passed)$/.test(word) &&
    !/^(?:of|at|by|to|in|on|from|with|for|the|a|an|its|his|her|customer|could|would|not|nicely|well|already|really|newly|freshly)$/.test(
      t[i - 1]!.lower,
    ) &&
    readKind(t.slice(i, i + 3), 0, nothingBlocked)?.from === 0;
  // A name before it does it: “Petra found the …”.
  const isName = /^\p{Lu}/u.test(t[i - 1]!.text) && i - 1 === says;
  return (buys || tells || works) && !isName && i - says >= 3;
}

/** “Had the exhaust off it is blowing at the joint”: behind what was done, what is wrong with it. */
function faultAt(t: readonly Token[], says: number, i: number, next: number): boolean {
  const isOfIt =
    /^(?:it's|they're)$/.test(t[i]!.lower) ||
    (/^(?:it|they)$/.test(t[i]!.lower) && /^(?:is|are|was|leaks)$/.test(t[i + 1]?.lower ?? ''));
  if (!isOfIt || i - says < 3 || LEADS_ON.test(t[i - 1]!.lower) || t[i - 1]!.text === ',') return false;
  const words = t.slice(i, Math.min(next, i + 5)).map((tok) => tok.text);
  const left = kindSaid(t, says, i);
  return isFault(words.join(' ')) && (left?.kind === 'did' || left?.kind === 'fitted');
}

/** “Told Hugh he needs tyres, he said get two”: what they answered to what they were told. */
function answersAt(t: readonly Token[], says: number, i: number): boolean {
  if (!/^(?:he|she|they)$/.test(t[i]!.lower) || !/^(?:told|asked)$/.test(t[says]!.lower) || i - says < 5)
    return false;
  return (
    /^(?:said|says|reckons|reckoned|agreed|wants|chose|picked|asked)$/.test(t[i + 1]?.lower ?? '') &&
    /^(?:,|and|but|so)$/.test(t[i - 1]!.lower)
  );
}

/** Nobody says one thing in more words than this; it is cut there, so that reading takes time with the length and not its square. */
const LONGEST = 150;
/** So many words ahead are looked at for where the next thing begins. */
const AHEAD = 80;

/**
 * Cuts a run at its stops, and at joints where both sides say a kind of their own: “did the hinges and ordered two lamps” are
 * two, “60 and four hours” is one.
 */
export function cut(t: readonly Token[], run: Run): Run[] {
  const runs: Run[] = [];
  let from = run.from;
  let says = run.says ?? run.from;
  // “Estate, sanded the tailgate”: what is said begins behind the mark.
  while (says < run.next && /^[,:–—-]$/.test(t[says]!.text)) says += 1;
  for (let i = says; i < run.next; i += 1) {
    const next = Math.min(run.next, i + AHEAD);
    if (i - says >= LONGEST) {
      runs.push({ from, next: i });
      from = says = i;
    }
    if (isStop(t[i]!)) {
      if (i > from) runs.push({ from, next: i });
      from = says = i + 1;
      continue;
    }
    if (
      i > says + 1 &&
      (waitsAt(t, i) ||
        nextAt(t, i) ||
        answersAt(t, says, i) ||
        faultAt(t, says, i, next) ||
        strongAt(t, says, i, next) ||
        anewAt(t, says, i, next))
    ) {
      runs.push({ from, next: i });
      from = says = i;
      continue;
    }
    if (i === says || !OPENS.test(t[i]!.lower)) continue;
    const behind = skipJoints(t, i, next);
    if (areTwo({ t, says, joint: i, behind, next })) {
      runs.push({ from, next: i });
      from = i;
      says = behind;
      i = behind - 1;
    }
  }
  if (from < run.next) runs.push({ from, next: run.next });
  return runs;
}

/** “… and he found the bracket torn”: who did it is no part of what was done. */
const HE_DID = /^(?:he|she|they) (?:found|fitted|ordered|spent|changed|cleaned|replaced|welded|measured)$/;

/** The first token behind the joints at `i` that says something. */
export function skipJoints(t: readonly Token[], i: number, next: number): number {
  let at = i;
  // “Still no gas fitter” waits; “still waiting” says it again.
  const isJoint = (n: number): boolean => {
    const [word, behind] = [t[n]!.lower, t[n + 1]?.lower ?? ''];
    if (HE_DID.test(`${word} ${behind}`)) return true;
    return JOINTS.has(word) && !(word === 'still' && /^(?:no|need|needs|has|have|got|short)$/.test(behind));
  };
  while (at < next && (isJoint(at) || /^[,:–—-]$/.test(t[at]!.text))) at += 1;
  return at;
}
