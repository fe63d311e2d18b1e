/** Where one thing said ends and the next begins, with punctuation or without. */
import { readKind, type KindRead } from '../kindWords.ts';
import { findDurations, findMeasures } from '../quantities.ts';
import type { Token } from '../tokens.ts';
import { unsaidKind } from '../unsaid.ts';

/** A run of tokens that says one thing. */
export interface Run {
  from: number;
  /** Where what is said begins, behind the words that turn to a car; `from` when absent. */
  says?: number;
  next: number;
}

/** Words that join two things said, and say nothing by themselves. */
const JOINTS = new Set(['and', 'then', 'also', 'but', 'so', 'plus', 'oh', 'after', 'that', 'next', 'anyway', 'right', 'okay', 'ok', 'well', 'um', 'er', 'uh', 'yeah', 'yes', 'now', 'we', 'i', 'we\'ve', 'i\'ve', 'have', 'just', 'again', 'too', 'as', 'still']); // prettier-ignore

/** A joint behind which another thing may begin. */
const OPENS = /^(?:and|then|also|but|so|plus|oh|anyway|,)$/;

const isStop = (tok: Token): boolean => /^[.!?;\n]$/.test(tok.text);

const nothingBlocked = (): boolean => false;

/** What the tokens from `from` to `next` say, if they say a kind and do not only go on with what was said before. */
function kindSaid(t: readonly Token[], from: number, next: number): KindRead | null {
  const own = t.slice(from, next);
  if (own.length < 2) return null;
  const read = readKind(own, 0, nothingBlocked);
  if (read?.from === 0) return read;
  // “Joss set the handbrake up”: who did it stands before what was done.
  const done = own.length > 2 ? readKind(own.slice(1), 0, nothingBlocked) : null;
  if (done?.from === 0 && /^(?:did|fitted|found|ordered)$/.test(done.kind) && own[0]!.type === 'word')
    return { ...done, from: 1, next: done.next + 1 };
  return read ?? measured(own) ?? unsaid(own);
}

/** What no word of a kind tells: “the loom has been chopped about”, “bearing’s rough”. */
function unsaid(own: readonly Token[]): KindRead | null {
  const text = own.map((tok) => tok.text).join(' ');
  const kind = unsaidKind({ text, around: null, hasPrice: false, measures: 0 });
  return kind === null ? null : { kind, from: 0, next: 1, subject: 'before' };
}

/** Whether how long, how much or how grave it is was said: that is a whole thing, whatever it is. */
const isMeasured = (t: readonly Token[], from: number, next: number): boolean =>
  findDurations(t.slice(from, next), '.').length > 0 ||
  findMeasures(t.slice(from, next), '.').length > 0 ||
  ENDS.test(wordBefore(t, next));

/** “End float is 3 thou” says what was measured, without a word for it. */
function measured(own: readonly Token[]): KindRead | null {
  const at = own.findIndex((tok) => /^(?:is|are|was|were|at|draws|reads|shows|measures)$/.test(tok.lower));
  if (at < 1 || at > 4 || !findMeasures(own, '.').some((m) => m.from === at + 1)) return null;
  return { kind: 'reading', from: at, next: at + 1, subject: 'before' };
}

/** Words that stand for what was said before them. */
const STANDS_FOR = /^(?:it|that|them|this|those|,)$/;

/** “Cleaned and painted the arms” is one thing: what is done stands behind the second word. */
const hasObject = (
  t: readonly Token[],
  from: number,
  next: number,
  { next: end, subject }: KindRead,
): boolean => subject === 'before' || t.slice(from + end, next).some((tok) => tok.text !== ',');

/** “… so waiting on that” only says again what stands before it. */
const saysItAgain = (
  t: readonly Token[],
  from: number,
  next: number,
  { kind, next: end }: KindRead,
): boolean =>
  kind !== 'did' &&
  kind !== 'fitted' &&
  from + end < next &&
  t.slice(from + end, next).every((tok) => STANDS_FOR.test(tok.lower));

/** Whether nothing that something is done to stands at `i`: a mark, how long it took, or the end. */
const endsAt = (t: readonly Token[], i: number, next: number): boolean =>
  i >= next ||
  t[i]!.type === 'mark' ||
  /^(?:that|which|took|today|now|again|too|as)$/.test(t[i]!.lower) ||
  findDurations(t.slice(i, i + 5), '.')[0]?.from === 0;

/** Whether two things stand on both sides of a joint: each says a kind of its own, of a thing of its own. */
function areTwo(t: readonly Token[], says: number, joint: number, behind: number, next: number): boolean {
  if (behind >= next) return false;
  // “…, that is 60 pounds”, “… and that was six hours” belong to what was said.
  if (t[joint + 1]?.lower === 'that' && /^(?:is|was|took|makes|comes)$/.test(t[joint + 2]?.lower ?? ''))
    return false;
  // “Needs a rebore, quoted 140”: what it would cost.
  if (t[behind]?.lower === 'quoted') return false;
  // “34 and an hour and a half”: no joint, a number.
  if (
    /^(?:a|one|three)$/.test(t[behind]?.lower ?? '') &&
    /^(?:half|quarters?)$/.test(t[behind + 1]?.lower ?? '')
  )
    return false;
  // “140 and seven hours”: no joint, but how much and how long.
  const long = findDurations(t.slice(behind, behind + 6), '.')[0];
  if (long?.from === 0) return false;
  if (
    [anotherFound, elided, anotherDay, anotherTimed, doneBehind].some((two) =>
      two(t, says, joint, behind, next),
    )
  )
    return true;
  const end = endOf(t, behind, next);
  const [left, right] = [kindSaid(t, says, joint), kindSaid(t, behind, end)];
  // “…, it goes in the booth Monday”.
  if (
    isMeasured(t, says, joint) &&
    /^it$/.test(t[behind]!.lower) &&
    /^(?:goes|gets)$/.test(t[behind + 1]?.lower ?? '')
  )
    return true;
  if (right === null) return false;
  // “Fitted the cable and adjusted it, forty minutes”: one thing in one time.
  const isOfBoth =
    (left?.kind === 'did' || left?.kind === 'fitted') &&
    right.kind === 'did' &&
    right.from === 0 &&
    t[joint]!.lower === 'and' &&
    !isMeasured(t, says, joint) &&
    t.slice(behind + 1, behind + right.next + 1).some((tok) => /^(?:it|them)$/.test(tok.lower)) &&
    findDurations(t.slice(behind + right.next, behind + right.next + 6), '.').some((d) => d.from <= 2);
  if (isOfBoth) return false;
  // “Had a look at the pipe, it's been clamped with a clip”: said of the same.
  const isOfIt = t[joint]!.text === ',' && /^(?:it|it's|they|they're|which)$/.test(t[behind]!.lower);
  if (isOfIt && left !== null && right.subject === 'before' && !isMeasured(t, says, joint)) return false;
  // “… it's the wrong side so I took it off again”: somebody does another thing.
  const acts =
    /^(?:i|we|i've|we've)$/.test(t[behind - 1]?.lower ?? '') && right.from === 0 && right.subject === 'after';
  if (left === null && acts && joint - says > 2) return true;
  if (left === null)
    return isMeasured(t, says, joint) && right.from <= 1 && right.subject === 'after' && joint - says > 3;
  // “Noticed the tyre is bald, so the tracking is out”: one look.
  if (left.kind === 'found' && right.subject === 'before' && t[joint]!.lower === 'so') return false;
  // “A run on the door, that'll want flatting”, “the handle's loose, wants a pin”: what it needs.
  if (left.kind === 'found' && /^(?:that|that'll|it|it'll|wants|needs|will)$/.test(t[behind]!.lower))
    return false;
  // “Tested all cells, lowest is 3.21 V”: one measuring.
  const measures =
    left.kind === 'reading' || /^(?:tested|measured|checked)$/.test(t[says + left.from]?.lower ?? '');
  if (measures && right.kind === 'reading' && right.subject === 'before') return false;
  if (!hasObject(t, says, joint, left) || saysItAgain(t, behind, end, right)) return false;
  // “The deck is sanded and oiled, that took four hours”.
  if (
    left.subject === 'before' &&
    left.kind === 'did' &&
    right.kind === 'did' &&
    endsAt(t, behind + right.next, next)
  )
    return false;
  // “Found the bearings shot and the synchro worn out”: one look, one price.
  return !(left.kind === 'found' && right.kind === 'found' && right.subject === 'before');
}

const wordBefore = (t: readonly Token[], i: number): string =>
  (t[i - 1]?.text === ',' ? t[i - 2] : t[i - 1])?.lower ?? '';

const CLASS = /^(?:must|should|nice|safety)$/;

/** “…, an hour, and the shoes are down to the rivets, 42 and two hours, safety”: behind the hours, what else was found. */
function anotherFound(
  t: readonly Token[],
  says: number,
  joint: number,
  behind: number,
  next: number,
): boolean {
  // “… sealed it, but the connector is green, 14 and half an hour, must”.
  const ended = ENDS.test(wordBefore(t, joint)) || t[joint]!.lower === 'but';
  if (!ended || CLASS.test(t[behind]?.lower ?? '')) return false;
  let stop = behind;
  while (stop < next && !isStop(t[stop]!)) stop += 1;
  const own = t.slice(behind, stop);
  if (
    own.length < 4 ||
    !CLASS.test(own.at(-1)!.lower) ||
    own.some((tok, i) => CLASS.test(tok.lower) && i < own.length - 1)
  )
    return false;
  const left = kindSaid(t, says, joint);
  return left !== null && left.kind !== 'found';
}

/** “Fitted the contactor, two hours, and the fuse holder, half an hour”: a thing and its hours, the word for it said before. */
function elided(t: readonly Token[], says: number, joint: number, behind: number, next: number): boolean {
  if (!/^(?:hours?|minutes?|half|quarters?)$/.test(wordBefore(t, joint))) return false;
  if (!/^(?:the|both|its|a|an)$/.test(t[behind]?.lower ?? '')) return false;
  const [long] = findDurations(t.slice(behind + 1, Math.min(next, behind + 12)), '.');
  if (!long || long.from < 1) return false;
  const end = behind + 1 + long.from;
  const left = kindSaid(t, says, joint);
  return (left?.kind === 'did' || left?.kind === 'fitted') && kindSaid(t, behind, end) === null;
}

/** “Monday three hours on the hood, Tuesday five hours”: a day and its hours behind another day and its hours. */
function anotherDay(t: readonly Token[], says: number, joint: number, behind: number, next: number): boolean {
  if (!/^(?:mon|tues|wednes|thurs|fri|satur|sun)day$/.test(t[behind]?.lower ?? '')) return false;
  const end = endOf(t, behind, next);
  return (
    findDurations(t.slice(says, joint), '.').length > 0 && findDurations(t.slice(behind, end), '.').length > 0
  );
}

/** “Bumpers on, two hours, badges on, half an hour”: behind one thing and its hours, another and its own. */
function anotherTimed(
  t: readonly Token[],
  says: number,
  joint: number,
  behind: number,
  next: number,
): boolean {
  if (!/^(?:hours?|minutes?|half|quarters?)$/.test(wordBefore(t, joint))) return false;
  const comma = t.findIndex((tok, i) => i > behind && tok.text === ',');
  if (comma < 0 || comma >= next || comma - behind < 2 || comma - behind > 5) return false;
  const own = t.slice(behind, comma);
  if (own.some((tok) => tok.type === 'number' || isStop(tok) || CLASS.test(tok.lower))) return false;
  // “…, no, sorry, one hour”, “…, call it two”: the same thing again.
  if (/^(?:no|sorry|call|make|say|rather|actually|or|nothing|that)$/.test(own[0]!.lower)) return false;
  return findDurations(t.slice(comma + 1, comma + 7), '.')[0]?.from === 0 && says < joint;
}

/** “It goes tomorrow, vacuumed it, an hour”: behind something that is said of the car, what was done to it. */
function doneBehind(t: readonly Token[], says: number, joint: number, behind: number, next: number): boolean {
  if (t[joint]!.text !== ',' || !/^(?:it|them|the)$/.test(t[behind + 1]?.lower ?? '')) return false;
  const right = kindSaid(t, behind, endOf(t, behind, next));
  if (right?.from !== 0 || !/^(?:did|fitted)$/.test(right.kind)) return false;
  return t
    .slice(says, joint)
    .some((tok) => /^(?:goes|went|came|comes|is|was|has|gone|pulls|runs)$/.test(tok.lower));
}

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

/** What ends with how long, how much or how grave it is, is said; a word of another kind behind that begins anew. */
const ENDS = /^(?:hours?|hrs?|h|minutes?|mins?|must|should|nice|safety|pounds|quid|half)$/;

/** Behind these somebody is only mentioned: “the bush that I turned”, “since we fitted it”. */
const LEADS_ON =
  /^(?:and|or|but|so|that|what|which|who|as|when|where|if|because|than|since|before|after|until|till|while|once|said|says|told|think|thinks|know|hope|like|how|why|whether|the|a|to|of|for|with|by|in|on|at|from)$/;

/** No thing that is spoken of begins so. */
const NO_SUBJECT =
  /^(?:in|at|by|from|with|into|onto|off|out|up|down|over|under|round|because|which|who|that|as|if|when|where|but|so|then|all|each|back|now|again|too|well|not|no|must|should|nice|safety|just|is|was|are|were|due|today|yesterday|more|its)$/;

/** “… two hours found a run on the nearside”, “… safety I ordered two”: another thing, without a joint before it. */
function anewAt(t: readonly Token[], says: number, i: number, next: number): boolean {
  const last = t[i - 1]!.text === ',' ? t[i - 2] : t[i - 1];
  const isPerson = /^(?:i|we|i've|we've)$/.test(t[i]!.lower);
  // “… nice job he charged 65”: what somebody else asked, said or took for it.
  const isOther =
    /^(?:he|she|they)$/.test(t[i]!.lower) &&
    /^(?:charged|asked|wants|wanted|agreed|rang|called|texted|emailed)$/.test(t[i + 1]?.lower ?? '');
  // “… on clips I swept it out”: who does it begins another thing, where nothing leads to them.
  const begins = (isPerson || isOther) && last !== undefined && !LEADS_ON.test(last.lower);
  if (!last || !(begins || ENDS.test(last.lower))) return false;
  // “Half an hour” is one.
  if (last.lower === 'half' && /^(?:an?|of)$/.test(t[i]!.lower)) return false;
  // “… twenty minutes it's shifting well”.
  const isOfIt =
    /^(?:it's|she's|they're)$/.test(t[i]!.lower) ||
    (/^(?:it|they)$/.test(t[i]!.lower) && /^(?:is|are)$/.test(t[i + 1]?.lower ?? ''));
  const behindIt = t[i + (/'/.test(t[i]!.lower) ? 1 : 2)];
  if (
    isOfIt &&
    ENDS.test(last.lower) &&
    behindIt?.type === 'word' &&
    !/^(?:a|an|about|all|been|taken|in)$/.test(behindIt.lower)
  )
    return findDurations(t.slice(says, i), '.').length > 0;
  let word = isPerson ? i + 1 : i;
  if (isPerson && t[word]?.lower === 'have') word += 1;
  if (word >= next || /^(?:and|or|to|for|on|of|hours?|hrs?|minutes?|mins?|,)$/.test(t[word]!.lower))
    return false;
  const right = kindSaid(t, word, endOf(t, word, next));
  const begun =
    right !== null &&
    ((right.from === 0 && right.subject === 'after') ||
      // “… two hours felt was shot”, “… half an hour charger is back from Skerry”.
      (right.subject === 'before' &&
        right.from <= 4 &&
        /^(?:found|arrived|ordered)$/.test(right.kind) &&
        t[word]!.type === 'word' &&
        !NO_SUBJECT.test(t[word]!.lower)) ||
      (right.kind === 'reading' && t[word]!.lower === 'the') ||
      // “… one hour the drum is scored”: behind how long it took, the next thing that is found.
      (right.kind === 'found' && right.subject === 'before' && right.from <= 4 && t[word]!.lower === 'the'));
  return begun && (kindSaid(t, says, i) !== null || findDurations(t.slice(says, i), '.').length > 0);
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
  /^(?:i|we|he|she|they|who|have|has|had|was|were|been|be|is|are|get|got|that|which|and|or|not|to|just|also|then|so|now|never|i've|we've|only|joss|still|,|:|-)$/;

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
    !/^(?:of|at|by|to|in|on|from|with|for|the|a|an|its|his|her|joss|customer|could|would|not|nicely|well|already|really|newly|freshly)$/.test(
      t[i - 1]!.lower,
    ) &&
    readKind(t.slice(i, i + 3), 0, nothingBlocked)?.from === 0;
  // A name before it does it: “Petra found the …”.
  const isName = /^\p{Lu}/u.test(t[i - 1]!.text) && i - 1 === says;
  return (buys || tells || works) && !isName && i - says >= 3;
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

/** The next stop or joint behind `i`, or the end. */
function endOf(t: readonly Token[], i: number, next: number): number {
  for (let at = i; at < next; at += 1)
    if (isStop(t[at]!) || (at > i && OPENS.test(t[at]!.text.toLowerCase()))) return at;
  return next;
}

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
        strongAt(t, says, i, run.next) ||
        anewAt(t, says, i, run.next))
    ) {
      runs.push({ from, next: i });
      from = says = i;
      continue;
    }
    if (i === says || !OPENS.test(t[i]!.lower)) continue;
    const behind = skipJoints(t, i, run.next);
    if (areTwo(t, says, i, behind, run.next)) {
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
