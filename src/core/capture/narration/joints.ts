/**
 * Whether what stands on both sides of a joint (“and”, “so”, a comma) is two things or one. Each rule knows one way in which people
 * say it: some tell that there are two, some that it is one, and where none does, two that each say a kind of their own are two.
 */
import type { KindRead } from '../kindWords.ts';
import { findDurations } from '../quantities.ts';
import type { Token } from '../tokens.ts';
import { CLASS, ENDS, endOf, isMeasured, isStop, kindSaid, wordBefore } from './said.ts';

/** A joint: what is said from `says` to `joint`, and from `behind` on, no further than `next`. */
export interface Joint {
  t: readonly Token[];
  says: number;
  joint: number;
  behind: number;
  next: number;
}

/** A joint with what both sides say. */
interface Sides extends Joint {
  left: KindRead;
  right: KindRead;
  /** Where the right side ends: at the next stop or joint. */
  end: number;
}

const lowerAt = (t: readonly Token[], i: number): string => t[i]?.lower ?? '';

/** “…, an hour, and the shoes are down to the rivets, 42 and two hours, safety”: behind the hours, what else was found. */
function anotherFound({ t, says, joint, behind, next }: Joint): boolean {
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
function elided({ t, says, joint, behind, next }: Joint): boolean {
  if (!/^(?:hours?|minutes?|half|quarters?)$/.test(wordBefore(t, joint))) return false;
  if (!/^(?:the|both|its|a|an)$/.test(t[behind]?.lower ?? '')) return false;
  const [long] = findDurations(t.slice(behind + 1, Math.min(next, behind + 12)), '.');
  if (!long || long.from < 1) return false;
  const end = behind + 1 + long.from;
  const left = kindSaid(t, says, joint);
  return (left?.kind === 'did' || left?.kind === 'fitted') && kindSaid(t, behind, end) === null;
}

/** “Monday three hours on the hood, Tuesday five hours”: a day and its hours behind another day and its hours. */
function anotherDay({ t, says, joint, behind, next }: Joint): boolean {
  if (!/^(?:mon|tues|wednes|thurs|fri|satur|sun)day$/.test(t[behind]?.lower ?? '')) return false;
  const end = endOf(t, behind, next);
  return (
    findDurations(t.slice(says, joint), '.').length > 0 && findDurations(t.slice(behind, end), '.').length > 0
  );
}

/** “Bumpers on, two hours, badges on, half an hour”: behind one thing and its hours, another and its own. */
function anotherTimed({ t, says, joint, behind, next }: Joint): boolean {
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
function doneBehind({ t, says, joint, behind, next }: Joint): boolean {
  if (t[joint]!.text !== ',' || !/^(?:it|them|the)$/.test(t[behind + 1]?.lower ?? '')) return false;
  const right = kindSaid(t, behind, endOf(t, behind, next));
  if (right?.from !== 0 || !/^(?:did|fitted)$/.test(right.kind)) return false;
  return t
    .slice(says, joint)
    .some((tok) => /^(?:goes|went|came|comes|is|was|has|gone|pulls|runs)$/.test(tok.lower));
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

/** What stands behind the joint says how much, how long or how dear it was. */
function goesOn({ t, joint, behind }: Joint): boolean {
  // “…, that is 60 pounds”, “… and that was six hours”.
  if (lowerAt(t, joint + 1) === 'that' && /^(?:is|was|took|makes|comes)$/.test(lowerAt(t, joint + 2)))
    return true;
  // “Needs a rebore, quoted 140”.
  if (lowerAt(t, behind) === 'quoted') return true;
  // “34 and an hour and a half”: no joint, a number.
  if (/^(?:a|one|three)$/.test(lowerAt(t, behind)) && /^(?:half|quarters?)$/.test(lowerAt(t, behind + 1)))
    return true;
  // “140 and seven hours”: no joint, but how much and how long.
  return findDurations(t.slice(behind, behind + 6), '.')[0]?.from === 0;
}

/** “… seven hours this week, it goes in the booth Monday”. */
const goesThen = ({ t, says, joint, behind }: Joint): boolean =>
  isMeasured(t, says, joint) && lowerAt(t, behind) === 'it' && /^(?:goes|gets)$/.test(lowerAt(t, behind + 1));

/** “… the corner is not right, so I'll redo that tomorrow”. */
const willDo = ({ t, behind }: Joint): boolean =>
  /^(?:i'll|we'll)$/.test(lowerAt(t, behind)) &&
  !/^(?:say|see|know|be|let|not|never|have)$/.test(lowerAt(t, behind + 1));

/** Ways in which what stands behind a joint is another thing, whatever it says. */
const ANOTHER: readonly ((joint: Joint) => boolean)[] = [
  anotherFound,
  elided,
  anotherDay,
  anotherTimed,
  doneBehind,
  goesThen,
  willDo,
];

/** “Fitted the cable and adjusted it, forty minutes”: one thing in one time. */
const inOneTime = ({ t, says, joint, behind, left, right }: Sides): boolean =>
  (left.kind === 'did' || left.kind === 'fitted') &&
  right.kind === 'did' &&
  right.from === 0 &&
  t[joint]!.lower === 'and' &&
  !isMeasured(t, says, joint) &&
  t.slice(behind + 1, behind + right.next + 1).some((tok) => /^(?:it|them)$/.test(tok.lower)) &&
  findDurations(t.slice(behind + right.next, behind + right.next + 6), '.').some((d) => d.from <= 2);

/** “Had a look at the pipe, it's been clamped with a clip”: said of the same. */
const ofIt = ({ t, says, joint, behind, right }: Sides): boolean =>
  t[joint]!.text === ',' &&
  /^(?:it|it's|they|they're|which)$/.test(lowerAt(t, behind)) &&
  right.subject === 'before' &&
  !isMeasured(t, says, joint);

/** “Noticed the tyre is bald, so the tracking is out”; “found the bearings shot and the synchro worn out”: one look, one price. */
const inOneLook = ({ t, joint, left, right }: Sides): boolean =>
  left.kind === 'found' && right.subject === 'before' && (right.kind === 'found' || t[joint]!.lower === 'so');

/** “A run on the door, that'll want flatting”, “the handle's loose, wants a pin”: what it needs. */
const whatItNeeds = ({ t, behind, left }: Sides): boolean =>
  left.kind === 'found' && /^(?:that|that'll|it|it'll|wants|needs|will)$/.test(lowerAt(t, behind));

/** “Tested all cells, lowest is 3.21 V”: one measuring. */
const inOneMeasuring = ({ t, says, left, right }: Sides): boolean =>
  (left.kind === 'reading' || /^(?:tested|measured|checked)$/.test(lowerAt(t, says + left.from))) &&
  right.kind === 'reading' &&
  right.subject === 'before';

/** “Cleaned and painted the arms”. */
const withoutObject = ({ t, says, joint, left }: Sides): boolean => !hasObject(t, says, joint, left);

/** “… so waiting on that”. */
const again = ({ t, behind, end, right }: Sides): boolean => saysItAgain(t, behind, end, right);

/** “The deck is sanded and oiled, that took four hours”. */
const bothOfIt = ({ t, behind, next, left, right }: Sides): boolean =>
  left.subject === 'before' &&
  /^(?:did|fitted|arrived)$/.test(left.kind) &&
  right.kind === 'did' &&
  endsAt(t, behind + right.next, next);

/** Ways in which two kinds are said of one thing. */
const ONE: readonly ((sides: Sides) => boolean)[] = [
  inOneTime,
  ofIt,
  inOneLook,
  whatItNeeds,
  inOneMeasuring,
  withoutObject,
  again,
  bothOfIt,
];

/** Behind words that say no kind: another thing, where it is plain that it is one. */
function beginsAnew({ t, says, joint, behind }: Joint, right: KindRead): boolean {
  if (right.subject !== 'after') return false;
  // “… it's the wrong side so I took it off again”: somebody does another thing.
  const acts = /^(?:i|we|i've|we've)$/.test(lowerAt(t, behind - 1)) && right.from === 0;
  return (acts && joint - says > 2) || (isMeasured(t, says, joint) && right.from <= 1 && joint - says > 3);
}

/** Whether two things stand on both sides of a joint: each says a kind of its own, of a thing of its own. */
export function areTwo(joint: Joint): boolean {
  const { t, says, behind, next } = joint;
  if (behind >= next || goesOn(joint)) return false;
  if (ANOTHER.some((is) => is(joint))) return true;
  const end = endOf(t, behind, next);
  const [left, right] = [kindSaid(t, says, joint.joint), kindSaid(t, behind, end)];
  if (right === null) return false;
  return left === null ? beginsAnew(joint, right) : !ONE.some((is) => is({ ...joint, left, right, end }));
}
