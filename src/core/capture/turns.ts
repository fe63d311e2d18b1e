/** That work begins, pauses or ends with a line: “start filler and blocking”, “stopped, 2 h to go”, “sills finished”, “boot handle put right”. */
import { decimalMark } from './numbers.ts';
import { minutesLeft } from './quantities.ts';
import { tokenize } from './tokens.ts';
import type { ParsedLine } from './types.ts';
import { withoutAddress } from './understood.ts';

export interface Turn {
  turn: 'start' | 'stop' | 'finish';
  /** What it is said of, as written; empty where nothing is named. */
  subject: string;
  /** Minutes that are left of it, where the line says so. */
  toGoMinutes?: number;
}

const ME = String.raw`^(?:i(?:['’]m|['’]ve| am| have)?\s+)?(?:just\s+|now\s+)*`;
const ON = String.raw`(?:\s+(?:work(?:ing)?\s+)?(?:on|with))?(?:\s+(?:the|a|an)\b)?`;
const START = new RegExp(String.raw`${ME}(?:start(?:ed|ing)?|begin|began|beginning)${ON}\s+(.+)$`, 'i');
const STOP = new RegExp(
  String.raw`${ME}(?:stop(?:ped|ping)?|paus(?:e|ed|ing)|knock(?:ed|ing)? off)${ON}(?:[\s,;.]+(.*))?$`,
  'i',
);
const FINISH = new RegExp(
  String.raw`${ME}(?:finish(?:ed|ing)?(?:\s+off)?|completed?|done with|all done (?:with|on))${ON}(?:[\s,;.]+(.*))?$`,
  'i',
);
const PUT_RIGHT = new RegExp(
  String.raw`${ME}put(?:\s+(?:the|a|an)\b)?\s+(?:right\s+(?:the\s+)?(.+)|(.+?)\s+right)$`,
  'i',
);
const IS_DONE =
  /^(.+?)\s+(?:(?:is|are)\s+)?(?:now\s+|all\s+)?(?:done|finished|complete|completed|put right|sorted|fixed|cured)\s*(?:[,;.].*)?$/i;

/** What is not so, or not yet, ends nothing. */
const NOT_SO =
  /\b(?:not|never|nearly|almost|half|partly|will|shall|should|would|could|might|must|needs?|to be|going to|when|once|if|until|till|before|after)\b|n['’]t\b/i;

/** Where the name of what was worked on ends. */
const BEHIND_NAME =
  /[,;.(:–—]|\s(?:because|so|but|for|until|till|by|at|and then|then|today|now|again)\b|\s\d/i;

const nameIn = (rest = ''): string => rest.split(BEHIND_NAME)[0]!.trim();

/**
 * Whether work begins, pauses or ends with this line; null where none of that is said.
 *
 * @param text the line as written, with the car's name in front if it has one
 * @param parsed the same line, read
 * @param locale of the shop; decides the decimal mark
 */
export function turnOf(text: string, parsed: ParsedLine, locale: string): Turn | null {
  const line = withoutAddress(text, parsed);
  if (parsed.kind === 'planned' || line.length > 300) return null;
  const left = minutesLeft(tokenize(line), decimalMark(locale));
  const toGo = left === null ? {} : { toGoMinutes: left };
  const start = START.exec(line);
  // Begun, and hours with it: hours of work, and not the beginning of a spell.
  if (start) return parsed.minutes === undefined ? { turn: 'start', subject: nameIn(start[1]) } : null;
  if (NOT_SO.test(line)) return null;
  const stop = STOP.exec(line);
  if (stop)
    return {
      turn: 'stop',
      subject: left === null || !/^\s*\d/.test(stop[1] ?? '') ? nameIn(stop[1]) : '',
      ...toGo,
    };
  const finish = FINISH.exec(line);
  if (finish) return { turn: 'finish', subject: nameIn(finish[1]) };
  const right = PUT_RIGHT.exec(line.split(/[,;.]/)[0]!);
  if (right) return { turn: 'finish', subject: nameIn(right[1] ?? right[2]) };
  const done = IS_DONE.exec(line);
  return done ? { turn: 'finish', subject: nameIn(done[1]) } : null;
}
