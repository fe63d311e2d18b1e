/**
 * What a line is where no word of it names its kind: “the wood under it is black”, “tyres on, an hour”, “number one bore is 3.4385”.
 * Each rule looks at how the thing is said and not at which thing it is.
 */
import type { Kind } from '../log/kinds.ts';
import { kindOfVerb, verbOf } from './verbs.ts';

/** How a thing is that is not as it should be. */
const FAULTY = [
  'black', 'soft', 'dead', 'flat', 'bald', 'rough', 'loose', 'thin', 'paper thin', 'wafer thin', 'stuck', 'jammed', 'crook', 'bad', 'gone',
  'holed', 'chafed', 'frayed', 'burnt', 'burnt out', 'melted', 'noisy', 'slack', 'sloppy', 'wet', 'out of (?:true|round|line|shape|spec|tolerance|balance)',
  'clogged', 'brittle', 'lifting', 'flaking', 'bubbling', 'peeling', 'sagging', 'dented', 'twisted', 'warped', 'chipped', 'scratched', 'stiff', 'weak',
  'dodgy', 'ropey', 'rubbish', 'toast', 'done for', 'past it', 'wrong', 'undersize', 'oversize', 'weeping', 'leaking', 'knocking', 'slipping', 'grinding', 'blowing', 'seeping', 'sweating', 'failing', 'falling (?:off|out|apart)', 'crooked', 'squeaky',
  'sticking', 'binding', 'rubbing', 'squealing', 'whining', 'ticking', 'clicking', 'rattling', 'smoking', 'misfiring', 'dripping', 'coming (?:in|apart|away|loose|off)', 'shorting', 'shorted', 'shot', 'worn', 'worn out',
  'split', 'cracked', 'torn', 'rotten', 'rusty', 'seized', 'perished', 'snapped', 'broken', 'missing', 'blocked', 'bent', 'corroded', 'pitted', 'scored', 'tired',
  'like (?:glass|paper|lace|a sieve|jelly|mush)', 'mush', 'lacy', "an? (?:real |proper |total |complete |right )?(?:dog['’]s breakfast|mess|shambles|bodge|disaster|state|botch|rat['’]s nest|goner)", 'down to (?:the|a|about)', 'leaky', 'swollen', 'fouled', 'gummed up', 'full of (?:rust|water|muck|crud|filler|sludge|holes)',
].join('|'); // prettier-ignore

const HOW =
  '(?:all|a bit|bit|very|really|completely|badly|quite|pretty|too|so|rather|totally|dead|just|now|well|clean|also|still) ';

/** “The wood is black”, “the rubber's gone hard”, “the pad looks thin”. */
const IS_FAULTY = new RegExp(
  `(?:\\b(?:is|are|was|were|looks?|looked|feels?|felt|seems?|sounds?|came|comes|got)|[a-z]['’](?:s|re)) (?:${HOW}){0,2}(?:${FAULTY})\\b|\\b(?:gone|going|went) (?:hard|soft|off|black|brittle|stiff|rusty|rotten|through|bang|pop|sticky|green|yellow|white|flat)\\b`,
  'i',
);

/** “Second gear has a chipped tooth”. */
const HAS_BROKEN =
  /\b(?:has|have|had|got|with) (?:an?|one|two|three|some|several) (?:chipped|cracked|broken|bent|worn|torn|split|missing|loose|burnt|stripped|sheared|snapped|perished|seized|dead|flat|rotten|bad) [a-z]/i;

/** “It leaks at the corner”, “the door won't shut”. */
const FAILS =
  /\b(?:leaks|weeps|knocks|rattles|slips|sticks|binds|rubs|squeaks|smokes|drips|jumps out|overheats|misfires|wanders|(?:won['’]?t|will not|still won['’]?t|does not|doesn['’]?t) (?:quite )?(?:shut|start|close|open|lock|move|turn|go|hold|charge|work|run|idle|fire|stop|fit|seal|engage|rev|shift)|lets? (?:water|air|oil|wind|the rain) in)\b/i;

/** “Used two bottles of compound, 46”. */
const USED = /^(?:i |we )?(?:have |'ve )?used [^,]+, \d+(?:\.\d\d)?[.]?$/i;

/** “41.20 on abrasives”, “the timber bill was 96.40”. */
const BILL =
  /^(?:and )?[£$€]?\d+\.\d\d (?:on|for) |\b(?:bill|invoice|receipt)s? (?:was|is|were|came to|comes to) [£$€]?\d|\bcame to [£$€]?\d/i;

/** “Petra's got six hours in it”. */
const HOURS_IN = /(?:^|\s|['’])(?:s got|has got|have got|got|has|have|put|had)$/i;

/** “Got a run on the door”, “there's play in the box”. */
const HAS_FAULT =
  /\b(?:an?|some|bad|the|more|two|three|few|there's|got|has|of) (?:[a-z]+ )?(?:crack|hole|pinhole|leak|split|tear|rip|dent|run|sag|drip|lip|ridge|play|rust|rot|corrosion|bubble|scratch|blister|burn|kink|chip|pit|nick|burr|flat spot|short|knock|rattle|squeak|whine|vibration|wobble)s? (?:in|on|at|under|behind|between|along|by|near|through|round|around|from|where|you|inside|that)\b/i;

/** “Needs a rebore”, “that wants doing”, “could do with new bushes”. */
const NEEDS =
  /\b(?:needs|need|wants|will need|will want|'ll need|'ll want|could do with|is due|are due|is ready for) (?:(?:an?|some|two|four|both|all|its|another|it's) )?(?:new|fresh|doing|[a-z]{3,}ing|rebore|regrind|skim|rebuild|re-?[a-z]{4,}|good|proper|full|complete|set|pair|bigger|better)\b/i;

/** “Nothing on that till the glass turns up”. */
const TILL =
  /\b(?:till|until|before|once) (?:the|his|her|that|those|it|they|he|she|we|i|[a-z]+['’]?s?)\b[^,.]{0,40}?\b(?:turns? up|comes?|arrives?|shows? up|gets? here|is here|are here|lands?|is back|comes? back|decides?|answers?|chooses?|calls? back|rings? back|says?|get|have|hear)\b/i;
const NO_GO =
  /\b(?:nothing|can't|cannot|can not|won't|no (?:more|further|go)|not|stuck|parked|stopped|sat|sits)\b/i;

/** “Joss has the motor out”, “had the window channels out”, “got the dash apart”. */
const HAS_OUT =
  /\b(?:has|had|have|got|getting|'ve got)\b (?!to\b)(?:[a-z'-]+ ){1,5}?(?:out|off|apart|done|stripped|finished|cleaned|loose|free|undone|sorted|working|running|straight|level|[a-z]{3,}ed(?= ?(?:[,.]|$|(?:and|an?|one|two|three|four|up|down|off|out|on|in|back|again|now|by|with|at|so|it)\b|\d)))\b(?! of\b)/i;
const HAS_IN =
  /\b(?:has|had|have|got|'ve got)\b (?!to\b)(?:[a-z'-]+ ){1,5}?(?:in|on|fitted|bolted|mounted|hung)\b(?= ?(?:[,.]|$|(?:and|at last|again|now|too|finally|an|a|one|two|three)\b|\d))/i;

/** “The curtain rail is up, half an hour”, before the time that it took. */
const IS_IN = /(?:\b(?:is|are)|['’]s) (?:back |all )?(?:in|on|up)[, ]*$/i;

/** “The outer skin's tacked on”, “new gasket made”, “wheel nuts checked”: what was done stands last. */
const DONE_LAST =
  /\b[a-z]{3,}(?:ed|made|built|cut|ground|bled|hung|done|set|sewn|drawn|bent straight)(?: (?:up|down|out|off|in|on|back|again|over|together|through|too|as well|now|properly|by hand|all round))*[,.!]?$/i;
const NOT_DONE =
  /\b(?:need|want|ask|book|wast|miss|pass|us|suppos|seiz|perish|call|dat|expect|pleas|worri|tir|promis|delay|clos|agre|look|seem|stay|turn|finish|happen|decid|inde|relat|interest|bor|annoy|stopp)ed\b[^,]*$/i;

/** Hours and nothing but where, at what or by whom: “three hours on the rear arch”, “six hours this week”. */
const ONLY_HOURS =
  /^(?:(?:spent|did|put in|put|booked|worked|about|another|a good|good|nearly|just over|just under|all in|took|took me|took us|that took|that took me|that took us|that was|that's|it took|so) )*$/i;

/** A line, and what was read of it already. */
export interface Said {
  text: string;
  /** Text before the hours, and behind them; null where no hours are said. */
  around: { before: string; behind: string } | null;
  /** A bare amount stands before “and” or “plus” and the hours: “… 14 plus fifteen minutes”, what it would cost and take. */
  hasPrice: boolean;
  measures: number;
}

/** Three decimals or more: nobody counts or pays so. */
const FINE = /(?:^|[ ,])\d?\d?\.\d{3,4}\b/;

/** “He said get two”, “she reckons leave it”: what they want done. */
const WANTED =
  /^(?:and |so |then |but )?(?:he|she|they|\p{Lu}\p{L}+)(?:'s| is| was| has)? (?:said|says|reckons|reckoned|told us|told me|happy)(?: to)? (?:just |please |yes |we can |we should |i can |i should )?(?:get|go|do|leave|use|fit|keep|make|put|paint|crack|carry|order|send|wait|take|replace|change|try|skip|forget|fix|mend|repair|weld|cut|strip|finish|hold|yes|yeah|no|fine|ok|okay|sure)\b/u;

/** “Nothing till the glass turns up”, “parked until Dex answers”: it goes no further, and why. */
export const waitsTill = (text: string): boolean => TILL.test(text) && NO_GO.test(text);

/** “Nothing from Skerry”, “nothing for the float”: what should have come did not. */
const NOTHING_FROM =
  /^(?:and |but |so )?(?:there's |still )?(?:nothing|no word|no news|no sign) (?:for|from|yet)\b/i;

/** “Skerry wants 410 for the charger”. */
const ASKS_PRICE = /\b(?:wants?|wanted|asks?|asking) (?:[£$€])?\d[\d.,]* (?:for|to)\b/i;

/** The kind of a line that no word of a kind stands in; null where nothing tells it. */
export function unsaidKind({ text, around, hasPrice, measures }: Said): Kind | null {
  if (waitsTill(text)) return 'waiting';
  if (NOTHING_FROM.test(text)) return 'waiting';
  if (ASKS_PRICE.test(text)) return 'asked';
  if (WANTED.test(text)) return 'decided';
  if (hasPrice) return 'found';
  if (USED.test(text) || BILL.test(text)) return 'spent';
  const fault = isFault(text) || HAS_FAULT.test(text) || HAS_BROKEN.test(text);
  if (fault && measures === 0) return 'found';
  if (around === null) {
    if (NEEDS.test(text)) return 'found';
    if (measures > 0) return null;
    if (FINE.test(text)) return 'reading';
    if (HAS_OUT.test(text)) return 'did';
    if (HAS_IN.test(text)) return 'fitted';
    return DONE_LAST.test(text) && !NOT_DONE.test(text) ? 'did' : null;
  }
  if (HOURS_IN.test(around.before.trim()) && /^\s*(?:in|on|into|over)\b/i.test(around.behind)) return null;
  if (IS_IN.test(around.before)) return 'fitted';
  if (HAS_OUT.test(text)) return 'did';
  if (HAS_IN.test(text)) return 'fitted';
  return workBeside(around);
}

/** That it goes now, or is painted. */
const GOES =
  /\b(?:works?(?: now| again| fine)?|working|runs|goes again|in (?:primer|colour|color|paint|undercoat|lacquer|varnish))\b/i;

/** What was done, by the first verb that says so; null where none does. */
function workIn(text: string): Kind | null {
  for (const word of text.toLowerCase().match(/[a-z'-]+/g) ?? []) {
    const verb = verbOf(word);
    const kind = verb?.form === 'past' ? kindOfVerb(verb) : null;
    if (kind === 'did' || kind === 'fitted') return kind;
  }
  return GOES.test(text) ? 'did' : null;
}

/** What was done in the hours, of the words beside them. */
function workBeside({ before, behind }: { before: string; behind: string }): Kind | null {
  const ahead = before.replace(/[,;:–— -]+$/, '').trim();
  if (ahead === '' || ONLY_HOURS.test(`${ahead} `)) return null;
  return workIn(ahead) ?? workIn(behind);
}

/** Whether words say of something that it is not as it should be. */
const isFault = (text: string): boolean => IS_FAULTY.test(text) || FAILS.test(text);
