/**
 * How well the reader does, as an owner would score it: on authors that it was not trained on, whole texts, with nothing left out. A thing
 * counts where it has a piece of its own; a piece of nothing that was said is superfluous; what is wrong and not asked is silent.
 */
import { format } from 'node:util';
import { read, type Piece, type ReaderContext } from '../src/core/reader/index.ts';
import { counts } from '../src/core/reader/doubt.ts';
import { entryKindOf } from '../src/core/reader/entryKinds.ts';
import { hasHappened, readIntents, type Said } from '../src/core/reader/intents.ts';
import { useWeights, weightsOf } from '../src/core/reader/weights.ts';
import { wordsOf } from '../src/core/reader/words.ts';
import type { CorpusText, CorpusThing } from './markup.ts';
import { thingsOf, trainWeights, unnamedOf, wordsAt } from './models.ts';

/** Authors who wrote and labelled alone; each is left out in turn. The others may have been looked at, and only train. */
export const LEFT_OUT = ['author-1', 'author-2', 'author-3', 'author-4', 'author-6'];

export interface Score {
  things: number;
  /** Cut as they should be: their kind, and their kind and tense, and whether they have happened or not. */
  kind: number;
  kindAndTense: number;
  happened: number;
  /** In the texts as they are. */
  own: number;
  lost: number;
  car: number;
  carKnown: number;
  usable: number;
  silent: number;
  /** Of these, a wrong car, an amount nobody said, or work or money told as done that is to come, or the other way round. */
  dear: number;
  asked: number;
  /** Questions that must be answered: one a piece, and one for each turn to a car that is in doubt. */
  questions: number;
  superfluous: number;
  pieces: number;
  chatterWords: number;
  chatterKept: number;
  invented: number;
  wholeTexts: number;
  texts: number;
  /** How likely each kind was said to be, and whether it was right, in tenths. */
  reliability: { said: number; right: number; n: number }[];
}

const noScore = (): Score => ({
  ...{ things: 0, kind: 0, kindAndTense: 0, happened: 0, own: 0, lost: 0, car: 0, carKnown: 0, usable: 0 },
  ...{
    silent: 0,
    dear: 0,
    asked: 0,
    questions: 0,
    superfluous: 0,
    pieces: 0,
    chatterWords: 0,
    chatterKept: 0,
    invented: 0,
  },
  ...{ wholeTexts: 0, texts: 0 },
  reliability: Array.from({ length: 10 }, () => ({ said: 0, right: 0, n: 0 })),
});

const CURRENCY: Readonly<Record<string, string>> = {
  US: 'USD',
  CA: 'CAD',
  AU: 'AUD',
  NZ: 'NZD',
  ZA: 'ZAR',
  GB: 'GBP',
};

/** What the shop of a text knows, as the reader takes it. */
function contextOf(text: CorpusText): ReaderContext {
  const named = (names: readonly string[]) => names.map((name) => ({ id: name, name }));
  return {
    today: '2026-03-11',
    currency: CURRENCY[text.locale.slice(-2)] ?? 'EUR',
    units: text.locale.endsWith('US') ? 'imperial' : 'metric',
    ...{ locale: text.locale, at: text.at, builds: text.builds },
    ...{ people: named(text.people), vendors: named(text.vendors), places: named(text.places) },
  };
}

const amountsOf = ({ facts }: CorpusThing): [minutes: number | undefined, money: number | undefined] => [
  facts.minutes === undefined ? undefined : Number(facts.minutes),
  facts.money === undefined ? undefined : Math.round(100 * Number(facts.money)),
];

function scoreText(text: CorpusText, score: Score): void {
  const words = wordsOf(text.text);
  const of = thingsOf(words, text.things);
  const runs = text.things.map((t) => wordsAt(words, t));
  const intents = readIntents(
    unnamedOf(text, words),
    runs.map(([from, next]) => ({ from, next })),
  );
  text.things.forEach((t, i) => {
    const { kind, tense, probability } = intents[i]!;
    if (kind === t.kind) score.kind += 1;
    if (kind === t.kind && tense === t.tense) score.kindAndTense += 1;
    if (hasHappened(tense) === hasHappened(t.tense)) score.happened += 1;
    const tenth = score.reliability[Math.min(9, Math.floor(probability.kind * 10))]!;
    tenth.n += 1;
    tenth.said += probability.kind;
    if (kind === t.kind) tenth.right += 1;
  });
  const { pieces } = read(text.text, contextOf(text));
  const inPiece = words.map((w) => pieces.findIndex((p) => w.start >= p.start && w.end <= p.end));
  const shared = (thing: number, piece: number): number =>
    of.reduce((n, t, i) => (t === thing && inPiece[i] === piece ? n + 1 : n), 0);
  const size = (thing: number): number => of.reduce((n, t) => (t === thing ? n + 1 : n), 0);
  let isWhole = true;
  score.texts += 1;
  score.things += text.things.length;
  score.pieces += pieces.length;
  of.forEach((t, i) => {
    if (t >= 0) return;
    score.chatterWords += 1;
    if (inPiece[i]! >= 0) score.chatterKept += 1;
  });
  const used = new Set<number>();
  text.things.forEach((thing, t) => {
    const holds = pieces.map((_, p) => shared(t, p));
    const most = holds.indexOf(Math.max(...holds, 0));
    const isHeld = most >= 0 && holds[most]! * 2 > size(t);
    holds.forEach((n, p) => {
      if (n > 0) used.add(p);
    });
    if (!isHeld) {
      score.lost += 1;
      isWhole = false;
      return;
    }
    const piece = pieces[most]!;
    const isOwn = text.things.every((_, u) => u === t || shared(u, most) * 2 <= size(u));
    if (isOwn) score.own += 1;
    const isCar = thing.build === '?' || piece.buildId === thing.build;
    if (thing.build !== '?') {
      score.carKnown += 1;
      if (isCar) score.car += 1;
    }
    const isKind = piece.kind === thing.kind && piece.tense === thing.tense;
    const [minutes, money] = amountsOf(thing);
    const said = piece.facts;
    const isInvented =
      (said.minutes !== undefined && minutes === undefined) ||
      (said.moneyMinor !== undefined && money === undefined);
    if (isOwn && isInvented) score.invented += 1;
    const isAmount = said.minutes === minutes && said.moneyMinor === money;
    if (isOwn && isCar && isKind && isAmount) score.usable += 1;
    else isWhole = false;
    const isWrongCar = !isCar && !piece.asks.includes('car');
    const isWrongTense =
      hasHappened(piece.tense) !== hasHappened(thing.tense) && !piece.asks.includes('tense');
    const isOfNothing = isInvented && !piece.asks.includes('amount');
    if (isWrongCar || isWrongTense || isOfNothing) score.silent += 1;
    const told = hasHappened(piece.tense) ? piece : (thing as Said);
    const isDear = isWrongTense && counts(entryKindOf(told.kind, told.tense));
    if (isWrongCar || isDear || isOfNothing) score.dear += 1;
  });
  pieces.forEach((p: Piece, i) => {
    if (p.asks.length > 0) score.asked += 1;
    if (p.asks.includes('tense') || p.asks.includes('amount')) score.questions += 1;
    const before = pieces[i - 1];
    const isSameDoubt = before?.asks.includes('car') === true && before.buildId === p.buildId;
    if (p.asks.includes('car') && !isSameDoubt) score.questions += 1;
    if (used.has(i)) return;
    score.superfluous += 1;
    isWhole = false;
  });
  if (isWhole) score.wholeTexts += 1;
}

export const scoreTexts = (texts: readonly CorpusText[]): Score => {
  const score = noScore();
  for (const t of texts) scoreText(t, score);
  return score;
};

/** Each of these authors, read by what the others taught. */
export const scoreLeftOut = (corpus: readonly CorpusText[], authors: readonly string[]): Map<string, Score> =>
  new Map(
    authors.map((author) => {
      useWeights(
        weightsOf({
          from: { texts: 0, things: 0, corpus: '' },
          ...trainWeights(corpus.filter((t) => t.author !== author)),
        }),
      );
      return [author, scoreTexts(corpus.filter((t) => t.author === author))];
    }),
  );

/** All scores as one. */
export function sumOf(scores: Iterable<Score>): Score {
  const sum = noScore();
  for (const s of scores) {
    for (const [field, value] of Object.entries(s) as [keyof Score, number][])
      if (typeof value === 'number') (sum[field] as number) += value;
    s.reliability.forEach((r, i) => {
      const into = sum.reliability[i]!;
      into.n += r.n;
      into.said += r.said;
      into.right += r.right;
    });
  }
  return sum;
}

const percent = (of: number, all: number): string => ((100 * of) / Math.max(1, all)).toFixed(1);

/** What a score says, in the order in which an owner would ask. */
const linesOf = (s: Score): [what: string, value: string][] => [
  ['things', String(s.things)],
  ['cut right: kind', percent(s.kind, s.things)],
  ['cut right: kind and tense', percent(s.kindAndTense, s.things)],
  ['cut right: happened or not', percent(s.happened, s.things)],
  ['has a piece of its own', percent(s.own, s.things)],
  ['taken for chatter', percent(s.lost, s.things)],
  ['car, of things in a piece', percent(s.car, s.carKnown)],
  ['usable untouched', percent(s.usable, s.things)],
  ['silent faults of car, done or to come, amount, per 100', percent(s.silent, s.things)],
  ['of these, of work or money, or a wrong car, per 100', percent(s.dear, s.things)],
  ['pieces that ask, per 100 things', percent(s.asked, s.things)],
  ['questions that must be answered, per 100', percent(s.questions, s.things)],
  ['superfluous pieces, per 100 things', percent(s.superfluous, s.things)],
  ['chatter words kept', percent(s.chatterKept, s.chatterWords)],
  ['amounts nobody said, per 1,000 things', percent(10 * s.invented, s.things)],
  ['texts without a fault', percent(s.wholeTexts, s.texts)],
];

export function printScores(scores: ReadonlyMap<string, Score>): void {
  const all: [string, Score][] = [...scores, ['all', sumOf(scores.values())]];
  const columns = all.map(([, s]) => linesOf(s));
  process.stdout.write(format('%s%s\n', ''.padEnd(56), all.map(([name]) => name.padStart(10)).join('')));
  linesOf(noScore()).forEach(([what], i) =>
    process.stdout.write(
      format('%s%s\n', what.padEnd(56), columns.map((c) => c[i]![1].padStart(10)).join('')),
    ),
  );
  const { reliability } = all.at(-1)![1];
  for (const { n, said, right } of reliability)
    if (n > 0)
      process.stdout.write(
        format('kind said likely %s %%: right %s %% of %d\n', percent(said, n), percent(right, n), n),
      );
}
