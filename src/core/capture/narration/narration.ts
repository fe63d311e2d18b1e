/**
 * What a run of plain speech means: several sentences, several cars, with punctuation or without. Pure, like the reading of a
 * line, of which it is made; nothing is thrown for any text, and no word of it is lost: what is no entry is set aside as said.
 */
import { parseLine } from '../index.ts';
import { readKind } from '../kindWords.ts';
import { prepare } from '../reading.ts';
import { tokenize, type Token } from '../tokens.ts';
import type { CaptureContext, Named, ParsedLine } from '../types.ts';
import { findTurns, type Turn } from './cars.ts';
import { chatterIn } from './chatter.ts';
import { cut, skipJoints, type Run } from './pieces.ts';

/** What somebody must look at before it is kept. */
export type Unsure = 'car' | 'kind' | 'chatter';

/** One thing that was said. */
export interface Piece {
  /** Where in the narration it stands, with the words that led to it: `text.slice(start, end)`. */
  start: number;
  end: number;
  /** What the logbook would say: without the joints and without the turn to the car. */
  text: string;
  car: (Named & { id: string }) | null;
  /** An entry; what comes next for the car; or chatter, set aside. */
  is: 'entry' | 'next' | 'chatter';
  line: ParsedLine;
  unsure: Unsure[];
}

/** Behind a car’s name: something is said of the car itself. */
const OF_ITSELF = /^(?:is|has|had|was|needs|wants|went|gone|got|moved)$/;

/** “Next is the hood”, “next we want the doors on”: what is next stands behind it. */
const NEXT =
  /^(?:and |so |then )?(?:next(?: up| job| thing)?(?:,? (?:is|are|comes?))?|what's next is|coming up(?: is)?)(?:,? (?:we|i) (?:want|need|have|will|are going|should)(?: to(?: have| get)?)?)?[,:]? (?=\S)/i;

/**
 * Reads a narration.
 *
 * @param text what was spoken, any length
 * @param context as for a line
 * @param here the car that one stands at; what is said before any car is named is about it
 * @returns what was said, in order; their places cover every word of the text but stops
 */
export function parseNarration(
  text: string,
  context: CaptureContext,
  here: (Named & { id: string }) | null = null,
): Piece[] {
  const t = tokenize(text);
  if (t.length === 0) return [];
  const turns = findTurns(t, prepare(context));
  const pieces: Piece[] = [];
  let car = here;
  let before: typeof here = null;
  for (const { run, turn } of stretches(t, turns)) {
    if (turn) {
      const to: typeof here = turn.to === 'the other' ? before : turn.to;
      if (to?.id !== car?.id) [before, car] = [car, to];
    }
    const isGuess = turn?.to === 'the other' || car === null;
    for (const r of cut(t, run)) pieces.push(pieceOf(text, t, r, context, car, isGuess));
  }
  return pieces.filter((p) => p.text !== '');
}

/** The text from turn to turn; the words of a turn belong to what follows it. */
function stretches(t: readonly Token[], turns: readonly Turn[]): { run: Run; turn: Turn | null }[] {
  const of: { run: Run; turn: Turn | null }[] = [];
  const first = turns[0]?.from ?? t.length;
  if (first > 0) of.push({ run: { from: 0, next: first }, turn: null });
  turns.forEach((turn, i) =>
    of.push({ run: { from: turn.from, says: turn.next, next: turns[i + 1]?.from ?? t.length }, turn }),
  );
  return of;
}

function pieceOf(
  text: string,
  t: readonly Token[],
  run: Run,
  context: CaptureContext,
  car: (Named & { id: string }) | null,
  isGuess: boolean,
): Piece {
  const [first, last] = [t[run.from]!, t[run.next - 1]!];
  const own = t.slice(run.from, run.next);
  const turn = findTurns(own, prepare(context))[0];
  const begins = turn && turn.from === 0 ? turn.next : 0;
  const behind = run.from + begins < run.next ? text.slice(t[run.from + begins]!.start, last.end) : '';
  const next = NEXT.exec(behind);
  if (next) {
    const said = behind.slice(next[0].length);
    const unsure: Unsure[] = isGuess ? ['car'] : [];
    return {
      start: first.start,
      end: last.end,
      text: said,
      car,
      is: 'next',
      line: parseLine(said, context),
      unsure,
    };
  }
  // “The hearse is back from the blaster”: what is said of the car itself keeps its name.
  const ofItself = begins > 0 && OF_ITSELF.test(own[begins]?.lower ?? '');
  const at = run.from + (ofItself ? turn!.name : skipJoints(own, begins, own.length));
  const said = at < run.next ? text.slice(t[at]!.start, last.end) : '';
  const whole = text.slice(first.start, last.end);
  const line = parseLine(said, context);
  const chatter = chatterIn(said === '' ? whole : said);
  const saysSomething =
    readKind(own, 0, () => false) !== null ||
    line.measures.length > 0 ||
    line.minutes !== undefined ||
    line.moneyMinor !== undefined;
  const is = isChatter(said, chatter, saysSomething) ? 'chatter' : 'entry';
  const unsure: Unsure[] = [];
  if (is !== 'chatter' && isGuess) unsure.push('car');
  if (is === 'entry' && !saysSomething) unsure.push('kind');
  if (chatter === 'perhaps' || (is === 'chatter' && chatter === null)) unsure.push('chatter');
  return { start: first.start, end: last.end, text: said === '' ? whole : said, car, is, line, unsure };
}

/** Too little to be a note, or known to be chatter; what says a kind of work is never thrown away. */
function isChatter(said: string, chatter: ReturnType<typeof chatterIn>, saysSomething: boolean): boolean {
  if (chatter === 'sure') return true;
  return !saysSomething && said.split(/\s+/).filter(Boolean).length < 3;
}
