/**
 * What a run of plain speech means: several sentences, several cars, with punctuation or without. Pure, like the reading of a
 * line, of which it is made; nothing is thrown for any text, and no word of it is lost: what is no entry is set aside as said.
 */
import { parseLine } from '../index.ts';
import { readKind } from '../kindWords.ts';
import { tokenize, type Token } from '../tokens.ts';
import type { CaptureContext, Named, ParsedLine } from '../types.ts';
import { findTurns, type Turn } from './cars.ts';
import { chatterIn } from './chatter.ts';
import { cut, skipJoints, type Run } from './pieces.ts';
import { NO_MARKS, recut, type Marks } from './marks.ts';

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
  /** An entry; what comes next for the car; chatter, set aside; or nothing but the turn to a car. */
  is: 'entry' | 'next' | 'chatter' | 'turn';
  line: ParsedLine;
  unsure: Unsure[];
}

/** Behind a car’s name: something is said of the car itself. */
const OF_ITSELF = /^(?:is|has|had|was|needs|wants|went|gone|got|moved)$/;

/** “Next is the hood”, “next we want the doors on”: what is next stands behind it. */
const NEXT =
  /^(?:[,:–—-] ?)?(?:and |so |then )?(?:(?:next(?! to\b)(?: up| job| thing)?(?:,? (?:is|are|comes?))?|what's next is|coming up(?: is)?)(?:,? (?:we|i) (?:want|need|have|will|are going|should)(?: to(?: have| get)?)?)?|(?:for )?tomorrow(?=,? (?:the|her|his|its|we|i)\b)|(?:(?:for )?tomorrow,? |after that,? |then )?(?:i|we)(?:'ll| will| want to| want| need to| have to| must|'m going to|'re going to)(?! (?:not|never|see|say|know|be)\b))[,:]? (?=\S)/i;

/** “Paint goes on tomorrow”, “the glass gets fitted on Friday”: of now, at a time that is to come. */
const TO_COME =
  /^[,:–—-]? ?(?:and |so |then )?[^\d,]{0,40}?(?:\b(?:goes|go|comes|gets|get|starts|begins|(?:is|are|am) (?:going|getting|coming|being))|(?:['’](?:s|re|m)|\bam|\bare) [a-z]{3,}ing) (?:[a-z]+ ){0,5}(?:tomorrow|in the morning|next week|first thing|after lunch|on (?:mon|tues|wednes|thurs|fri|satur)day)\b/i;

/** What is next stands before it, and no hours and no money in it. */
const LAST_NEXT = /^[,:–—-]? ?(?:and |so )?([^\d,]{4,60}?),? next$/i;

/**
 * Reads a narration.
 *
 * @param text what was spoken, any length
 * @param context as for a line
 * @param here the car that one stands at; what is said before any car is named is about it
 * @param marks where somebody cut it otherwise
 * @returns what was said, in order; their places cover every word of the text but stops
 */
export function parseNarration(
  text: string,
  context: CaptureContext,
  here: (Named & { id: string }) | null = null,
  marks: Marks = NO_MARKS,
): Piece[] {
  const t = tokenize(text);
  if (t.length === 0) return [];
  // Joined to what stands before it, it turns to no car of its own.
  const turns = findTurns(t, context).filter(
    ({ from }) => from === 0 || !marks.joined.includes(t[from]!.start),
  );
  const pieces: Piece[] = [];
  let car = here;
  let before: typeof here = null;
  for (const { run, turn } of stretches(t, turns)) {
    if (turn) {
      const to: typeof here = turn.to === 'the other' ? before : turn.to;
      if (to?.id !== car?.id) [before, car] = [car, to];
    }
    const isGuess = turn?.to === 'the other' || car === null;
    let last: Run | null = null;
    for (const r of recut(t, cut(t, run), marks)) {
      const piece = pieceOf(text, t, r, context, car, isGuess);
      const isCost: boolean =
        last !== null && !marks.cut.includes(piece.start) && costsOf(pieces.at(-1), piece);
      if (isCost) {
        r.from = last!.from;
        pieces[pieces.length - 1] = pieceOf(text, t, r, context, car, isGuess);
      } else pieces.push(piece);
      last = r;
    }
  }
  return pieces.filter((p) => p.text !== '').map((p, i, all) => withVerb(p, all[i - 1]));
}

/** “The wheel is chipped. That's going to be 240 and six hours, must”: what something costs, in a sentence of its own. */
const COSTS =
  /^(?:so )?(?:that['’]s|that is|that['’]ll|that will|it['’]ll|it will|call it|i['’]d (?:say|call it)|i reckon|reckon|say|figure)\b/i;

/** Whether a piece only says what the one before it would cost: that was found, and nothing was said of its cost. */
function costsOf(found: Piece | undefined, { text, line, is }: Piece): boolean {
  return (
    found?.is === 'entry' &&
    found.line.kind === 'found' &&
    found.line.minutes === undefined &&
    found.line.moneyMinor === undefined &&
    (COSTS.test(text) || (is === 'next' && line.class !== undefined)) &&
    (line.minutes !== undefined || line.moneyMinor !== undefined)
  );
}

/** “Fitted the contactor, two hours, and the fuse holder, half an hour”: what was done is said once. */
function withVerb(piece: Piece, before: Piece | undefined): Piece {
  const { line } = piece;
  const goesOn =
    line.kind === 'hours' &&
    /^(?:the|both|all|its|his|her)\b/i.test(piece.text) &&
    before?.car?.id === piece.car?.id;
  if (!goesOn || !(before?.line.kind === 'did' || before?.line.kind === 'fitted')) return piece;
  return { ...piece, line: { ...line, kind: before.line.kind } };
}

/** The text from turn to turn; the words of a turn belong to what follows it. */
function stretches(t: readonly Token[], turns: readonly Turn[]): { run: Run; turn: Turn | null }[] {
  const of: { run: Run; turn: Turn | null }[] = [];
  const first = turns[0]?.from ?? t.length;
  if (first > 0) of.push({ run: { from: 0, next: first }, turn: null });
  turns.forEach((turn, i) =>
    of.push({
      run: {
        from: turn.from,
        says: turn.isSaid ? turn.from : turn.next,
        next: turns[i + 1]?.from ?? t.length,
      },
      turn,
    }),
  );
  return of;
}

/** What a run says, without the joints and the turn before it, and whether it is what comes next. */
function saidIn(
  text: string,
  t: readonly Token[],
  run: Run,
  context: CaptureContext,
): { said: string; isNext: boolean; turns: boolean } {
  const own = t.slice(run.from, run.next);
  const end = t[run.next - 1]!.end;
  const from = (at: number): string => (at < own.length ? text.slice(own[at]!.start, end) : '');
  const [turn] = findTurns(own, context);
  const begins = turn && turn.from === 0 ? turn.next : 0;
  const next = NEXT.exec(from(begins));
  if (next) return { said: from(begins).slice(next[0].length), isNext: true, turns: begins > 0 };
  // “The hearse is back from the blaster”: what is said of the car itself keeps its name.
  // “Doors on next”, “rebuild the caliper next”.
  if (TO_COME.test(from(begins)))
    return { said: from(skipJoints(own, begins, own.length)), isNext: true, turns: begins > 0 };
  const last = LAST_NEXT.exec(from(begins));
  if (last) return { said: last[1]!, isNext: true, turns: begins > 0 };
  const ofItself =
    begins > 0 &&
    (OF_ITSELF.test(own[begins]?.lower ?? '') ||
      (/'s$/.test(own[begins - 1]!.lower) && own[begins]?.type !== 'mark'));
  if (begins > 0 && turn!.isSaid) return { said: from(0), isNext: false, turns: true };
  const said = from(ofItself ? turn!.name : skipJoints(own, begins, own.length));
  return { said, isNext: false, turns: begins > 0 };
}

/** Whether a line says anything of work: a kind, or something measured, worked or paid. */
const saysWork = (own: readonly Token[], line: ParsedLine): boolean =>
  readKind(own, 0, () => false) !== null ||
  line.measures.length > 0 ||
  line.minutes !== undefined ||
  line.moneyMinor !== undefined;

/** Of what is bought and of hours, the line itself may say for which car: “spent 4.10 on bulbs for the microcar”. */
const OF_ITS_OWN: ReadonlySet<string> = new Set(['spent', 'ordered', 'hours']);
const asCar = ({ id, name }: Named): Piece['car'] => ({ id: id!, name });

function pieceOf(
  text: string,
  t: readonly Token[],
  run: Run,
  context: CaptureContext,
  car: Piece['car'],
  isGuess: boolean,
): Piece {
  const [start, end] = [t[run.from]!.start, t[run.next - 1]!.end];
  const { said, isNext, turns } = saidIn(text, t, run, context);
  const line = parseLine(said, context);
  const own = OF_ITS_OWN.has(line.kind) && line.build?.id !== undefined ? asCar(line.build) : car;
  const at = { start, end, text: said === '' ? text.slice(start, end) : said, car: own, line };
  if (said === '' && turns) return { ...at, is: 'turn', unsure: [] };
  const ofCar: Unsure[] = isGuess ? ['car'] : [];
  if (isNext) return { ...at, is: 'next', unsure: ofCar };
  const chatter = chatterIn(at.text);
  const work = saysWork(t.slice(run.from, run.next), line);
  if (isChatter(said, chatter, work))
    return { ...at, is: 'chatter', unsure: chatter === 'sure' ? [] : ['chatter'] };
  const unsure = [
    ...ofCar,
    ...(work ? [] : ['kind' as const]),
    ...(chatter === null ? [] : ['chatter' as const]),
  ];
  return { ...at, is: 'entry', unsure };
}

/** Too little to be a note, or known to be chatter; what says a kind of work is never thrown away. */
function isChatter(said: string, chatter: ReturnType<typeof chatterIn>, saysSomething: boolean): boolean {
  if (chatter === 'sure' && !saysSomething) return true;
  return !saysSomething && said.split(/\s+/).filter(Boolean).length < 3;
}
