/**
 * Reads what people say in a shop: what it is about, what kind of thing each piece is, and what is in doubt. Pure and the same in the
 * server and in the browser; `loadWeights()` once before. Nothing is thrown for any text, and time grows with its length.
 */
import { parseLine, type CaptureContext, type ParsedLine } from '../capture/index.ts';
import { cutText, endAtTurns, type Cut } from './boundaries.ts';
import { readTurns, SURE_OF_CAR, type Turn } from './cars.ts';
import { doubtsOf, spokenFactsOf, type Asked, type SpokenFacts } from './doubt.ts';
import { entryKindOf } from './entryKinds.ts';
import { readIntents, type Intent, type Said, type SpokenKind, type Tense } from './intents.ts';
import { NO_MARKS, recut, type Marks } from './marks.ts';
import { withoutNames } from './names.ts';
import { wordsOf, type Word } from './words.ts';

export { loadWeights } from './weights.ts';
export type { Asked, SpokenFacts } from './doubt.ts';
export type { SpokenKind, Tense } from './intents.ts';

export interface ReaderContext extends Omit<CaptureContext, 'parts'> {
  /** The car whose page is open. */
  at: string | null;
  /** Parts that the shop knows by name. */
  parts?: CaptureContext['parts'];
}

const captures = new WeakMap<ReaderContext, CaptureContext>();

/** The context as the readers of values take it: made once, so that they index its names once. */
export function captureOf(context: ReaderContext): CaptureContext {
  const made = captures.get(context) ?? { parts: [], ...context };
  captures.set(context, made);
  return made;
}

/** One thing that was said: `text.slice(start, end)`. */
export interface Piece {
  start: number;
  end: number;
  buildId: string | null;
  carBy: 'page' | 'named' | 'carried' | 'inferred' | 'none';
  kind: SpokenKind;
  tense: Tense;
  thing?: string;
  zone?: string;
  facts: SpokenFacts;
  probability: { boundary: number; kind: number; tense: number; car: number };
  asks: Asked[];
  /** The words that decided its kind. */
  because: string[];
  /** What it is most likely if it is not of this kind; and if it has happened, or has not. */
  orElse: Said;
  ifHappened: Said;
  ifNot: Said;
  /** As a line of its kind, with the places of its facts in the piece. */
  line: ParsedLine;
}

export interface ReadResult {
  pieces: Piece[];
  /** Together with the pieces these cover every word. */
  chatter: { start: number; end: number }[];
}

/** Below this it is asked whether something was said at all. */
const SURE_OF_BOUNDARY = 0.4;

/** A text of so few words is written to be kept: it is no chatter. */
const FEW_WORDS = 12;

/**
 * Reads a text.
 *
 * @param text what was spoken or written, any length
 * @param context what the shop knows, and the car whose page is open
 * @param marks where somebody cut it otherwise
 */
export function read(text: string, context: ReaderContext, marks: Marks = NO_MARKS): ReadResult {
  const words = wordsOf(text);
  if (words.length === 0) return { pieces: [], chatter: [] };
  const unnamed = withoutNames(words, context);
  const turns = readTurns(words, context.builds, context.at);
  const toOthers = turns.filter((t, i) => i > 0 && t.id !== turns[i - 1]!.id);
  const found = endAtTurns(words, cutText(unnamed), toOthers);
  const whole: Cut = { from: 0, next: words.length, probability: 0 };
  const single = recut(words, found.length === 0 && words.length <= FEW_WORDS ? [whole] : found, marks);
  const cuts = withTheirDay(words, single, readIntents(unnamed, single), marks);
  const intents = readIntents(unnamed, cuts);
  const pieces = cuts.map((cut, i) =>
    pieceOf(text, words, cut, intents[i]!, carOf(turns, cut, cuts[i - 1]), context),
  );
  return { pieces, chatter: chatterBetween(words, cuts) };
}

/** “They said Friday”, “he reckons ten days”: when what is waited for comes. */
const SAYS_WHEN =
  /^(?:and |but )?(?:they|he|she|who)(?:'re|'ve)? (?:have |are )?(?:just )?(?:said|say|says|saying|reckons?|promised|promise|quoted|told us|told me|tell me)/;

/** What only says when something comes that the piece before waits for belongs to that piece, unless somebody cut it there. */
function withTheirDay(
  words: readonly Word[],
  cuts: readonly Cut[],
  intents: readonly Intent[],
  { cut: cutByHand }: Marks,
): Cut[] {
  const joined: Cut[] = [];
  cuts.forEach((cut, i) => {
    const [before, own] = [joined.at(-1), words.slice(cut.from, cut.next)];
    const isWhen =
      intents[i]!.kind === 'held' &&
      intents[i - 1]?.kind === 'held' &&
      cut.from - before!.next < 2 &&
      own.length < 9 &&
      SAYS_WHEN.test(own.map((w) => w.norm).join(' '));
    if (isWhen && !cutByHand.includes(own[0]!.start)) before!.next = cut.next;
    else joined.push({ ...cut });
  });
  return joined;
}

interface CarOfPiece {
  id: string | null;
  by: Piece['carBy'];
  probability: number;
}

/** The car that is spoken of at the end of a piece: in “Dwayne’s came back” it is named in what is said of it. */
function carOf(turns: readonly Turn[], { next }: Cut, before: Cut | undefined): CarOfPiece {
  const turn = turns.findLast((t) => t.from < next)!;
  if (turn.id === null) return { id: null, by: 'none', probability: turn.probability };
  const isFirst = turn.from >= (before?.next ?? 0);
  const by = turn.by === 'named' && !isFirst ? 'carried' : turn.by;
  return { id: turn.id, by, probability: turn.probability };
}

function pieceOf(
  text: string,
  words: readonly Word[],
  cut: Cut,
  intent: Intent,
  car: CarOfPiece,
  context: ReaderContext,
): Piece {
  const [start, end] = [words[cut.from]!.start, words[cut.next - 1]!.end];
  const { kind, tense, because, orElse, ifHappened, ifNot } = intent;
  const said = text.slice(start, end);
  const line = parseLine(said, captureOf(context), entryKindOf(kind, tense, said));
  const facts = spokenFactsOf(line, intent);
  const asks: Asked[] = [
    ...(cut.probability < SURE_OF_BOUNDARY ? (['boundary'] as const) : []),
    ...doubtsOf(intent, facts),
    ...(car.id === null || car.probability < SURE_OF_CAR ? (['car'] as const) : []),
  ];
  return {
    ...{ start, end, buildId: car.id, carBy: car.by, kind, tense, facts, asks, because, line },
    ...{ orElse, ifHappened, ifNot },
    ...(line.subject === '' ? {} : { thing: line.subject }),
    ...(line.zone === undefined ? {} : { zone: line.zone }),
    probability: { boundary: cut.probability, ...intent.probability, car: car.probability },
  };
}

/** The runs of words that are in no piece. */
function chatterBetween(words: readonly Word[], cuts: readonly Cut[]): ReadResult['chatter'] {
  const runs: ReadResult['chatter'] = [];
  const add = (from: number, next: number): void => {
    if (from < next) runs.push({ start: words[from]!.start, end: words[next - 1]!.end });
  };
  let at = 0;
  for (const { from, next } of cuts) {
    add(at, from);
    at = next;
  }
  add(at, words.length);
  return runs;
}
