/** The reader's three models, trained from texts of the corpus. */
import { boundaryFeatures, pieceFeatures } from '../src/core/reader/features.ts';
import { carWordsOf, findMentions, mentionFeatures } from '../src/core/reader/cars.ts';
import { hashOf } from '../src/core/reader/hash.ts';
import { withoutNames } from '../src/core/reader/names.ts';
import type { StoredChain } from '../src/core/reader/chain.ts';
import type { StoredWeights } from '../src/core/reader/weights.ts';
import { wordsOf, type Word } from '../src/core/reader/words.ts';
import { trainChain } from './crf.ts';
import type { CorpusText, CorpusThing } from './markup.ts';

/** Positions with their features and their labels, in the words of the model. */
export interface Example {
  features: string[][];
  labels: string[];
  weight: number;
}

/** Of a feature that is seen once nothing can be learnt but that one text. */
const LEAST_SEEN = 2;

/** A feature that moves no label by so much is left out of the file. */
const LEAST_WEIGHT = 0.05;

interface Options {
  /** What the model is surer of than it is right, by authors left out: all its odds are taken to the power of 1 / this. */
  temperature?: number;
  epochs: number;
  rate: number;
  l2: number;
}

/** Trains a chain and rounds it to bytes. */
function fit(examples: readonly Example[], labels: readonly string[], options: Options): StoredChain {
  const seen = new Map<number, number>();
  for (const { features } of examples)
    for (const of of features)
      for (const f of of) {
        const hash = hashOf(f);
        seen.set(hash, (seen.get(hash) ?? 0) + 1);
      }
  const hashes = [...seen]
    .filter(([, n]) => n >= LEAST_SEEN)
    .map(([hash]) => hash)
    .sort((a, b) => a - b);
  const rows = new Map(hashes.map((hash, row) => [hash, row]));
  const chain = trainChain(
    examples.map(({ features, labels: of, weight }) => ({
      x: features.map((fs) => Int32Array.from(new Set(fs.flatMap((f) => rows.get(hashOf(f)) ?? [])))),
      y: of.map((l) => labels.indexOf(l)),
      weight,
    })),
    { features: hashes.length, labels: labels.length, ...options },
  );
  const most = chain.emit.reduce((m, v) => Math.max(m, Math.abs(v)), 0);
  const scale = most / 127 || 1;
  const { temperature = 1 } = options;
  const n = labels.length;
  const rounded = Int8Array.from(chain.emit, (v) => Math.round(v / scale));
  const kept = hashes.flatMap((hash, row) => {
    const of = rounded.subarray(row * n, (row + 1) * n);
    return of.some((v) => Math.abs(v) * scale >= LEAST_WEIGHT) ? [{ hash, of }] : [];
  });
  const features = Buffer.alloc(kept.length * 4);
  kept.forEach(({ hash }, i) => features.writeUInt32LE(hash, i * 4));
  return {
    labels: [...labels],
    features: features.toString('base64'),
    emissions: Buffer.concat(kept.map(({ of }) => Buffer.from(of))).toString('base64'),
    scale: scale / temperature,
    transitions: Array.from(chain.trans, (v) => Math.round((v / temperature) * 1000) / 1000),
  };
}

/** Texts made for rules that are gone say little of how people talk. */
const weightOf = ({ author }: CorpusText): number => (author === 'narrations' ? 0.2 : 1);

/** The words without the names that the shop of the text knows. */
export const unnamedOf = (
  { builds, people, vendors, places }: CorpusText,
  words: readonly Word[],
): Word[] => {
  const named = (names: readonly string[]) => names.map((name) => ({ name }));
  return withoutNames(words, {
    builds,
    people: named(people),
    vendors: named(vendors),
    places: named(places),
  });
};

const BOUNDARIES = ['outside', 'begins', 'goes on'];

/** Of each word, the thing that it is in; -1 for chatter. */
export const thingsOf = (words: readonly Word[], things: readonly CorpusThing[]): number[] =>
  words.map((w) => things.findIndex((t) => w.start >= t.start && w.end <= t.end));

function boundaryExample(text: CorpusText): Example {
  const words = wordsOf(text.text);
  const of = thingsOf(words, text.things);
  const unnamed = unnamedOf(text, words);
  return {
    features: unnamed.map((_, i) => boundaryFeatures(unnamed, i)),
    labels: of.map((thing, i) => (thing < 0 ? 'outside' : of[i - 1] === thing ? 'goes on' : 'begins')),
    weight: weightOf(text),
  };
}

const intentOf = ({ kind, tense }: Pick<CorpusThing, 'kind' | 'tense'>): string => `${kind}.${tense}`;

/** The words of a thing, `[from, next)`. */
export function wordsAt(
  words: readonly Word[],
  { start, end }: { start: number; end: number },
): [number, number] {
  const from = words.findIndex((w) => w.end > start);
  let next = from;
  while (next < words.length && words[next]!.start < end) next += 1;
  return [from, next];
}

function intentExample(text: CorpusText): Example {
  const words = wordsOf(text.text);
  const unnamed = unnamedOf(text, words);
  return {
    features: text.things.map((t) => pieceFeatures(unnamed, ...wordsAt(words, t))),
    labels: text.things.map(intentOf),
    weight: weightOf(text),
  };
}

/** The car that is spoken of at a place of the text. */
const carAt = (text: CorpusText, place: number): string | null =>
  text.turns.reduce<string | null>((car, t) => (t.start < place ? t.build : car), text.at);

/** Of each mention of another car than the one that is spoken of, whether the talk turns to it. */
function turnExamples(text: CorpusText): Example[] {
  const words = wordsOf(text.text);
  const names = carWordsOf(text.builds);
  const turns = [...text.turns].sort((a, b) => a.start - b.start);
  return findMentions(words, names).flatMap((m) => {
    const [start, end] = [words[m.from]!.start, words[m.next - 1]!.end];
    const turn = turns.find((t) => t.start < end && t.end > start);
    const car = carAt({ ...text, turns }, turn?.start ?? start);
    if (!turn && m.cars.length === 1 && m.cars[0] === car) return [];
    const last = turns.filter((t) => t !== turn && t.start < start).at(-1);
    const since = m.from - (last ? words.findIndex((w) => w.end > last.start) : 0);
    return [
      {
        features: [mentionFeatures(words, m, names, since)],
        labels: [turn && m.cars.includes(turn.build) ? 'turns' : 'stays'],
        weight: weightOf(text),
      },
    ];
  });
}

export function trainWeights(corpus: readonly CorpusText[]): Omit<StoredWeights, 'from'> {
  const intents = [...new Set(corpus.flatMap((t) => t.things.map(intentOf)))].sort();
  return {
    // A typed line is one thing from its first word on, which says nothing of where a thing begins in speech.
    boundaries: fit(corpus.filter((t) => t.style !== 'lines').map(boundaryExample), BOUNDARIES, {
      epochs: 5,
      rate: 0.1,
      l2: 1e-4,
    }),
    intents: fit(
      corpus.map(intentExample).filter((e) => e.labels.length > 0),
      intents,
      {
        temperature: 1.12,
        epochs: 10,
        rate: 0.05,
        l2: 1e-4,
      },
    ),
    turns: fit(corpus.filter((t) => t.builds.length > 1).flatMap(turnExamples), ['stays', 'turns'], {
      epochs: 8,
      rate: 0.1,
      l2: 1e-4,
    }),
  };
}
