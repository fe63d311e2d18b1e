/** What kind of thing each piece says, and whether it is done, going on, to come, wished or not so. */
import { label, strongest } from './chain.ts';
import type { Run } from './boundaries.ts';
import { pieceFeatures } from './features.ts';
import { weights } from './weights.ts';
import type { Word } from './words.ts';

export type Tense = 'done' | 'going' | 'coming' | 'wished' | 'not';

/** Kinds of the corpus, `training/README.md`. */
export type SpokenKind =
  | 'note'
  | 'found'
  | 'did'
  | 'planned'
  | 'needs'
  | 'ordered'
  | 'received'
  | 'fitted'
  | 'spent'
  | 'hours'
  | 'held'
  | 'resumed'
  | 'measured'
  | 'moved'
  | 'asked'
  | 'decided'
  | 'told';

export interface Said {
  kind: SpokenKind;
  tense: Tense;
}

export interface Intent {
  kind: SpokenKind;
  tense: Tense;
  /** How likely the kind is; how likely it is that this has happened, or has not, as the tense says. */
  probability: { kind: number; tense: number };
  /** The kind that is likely next to this one. */
  orElse: Said;
  /** What it is most likely if it has happened, and if it has not. */
  ifHappened: Said;
  ifNot: Said;
  /** The words that decided, the strongest first. */
  because: string[];
}

/** Whether something of this tense has happened, or is under way: only that counts as work, or as paid. */
export const hasHappened = (tense: string): boolean => tense === 'done' || tense === 'going';

/** The words in a feature: behind its code. */
const wordsIn = (feature: string): string =>
  feature
    .replace(/^\S+ /, '')
    .replaceAll(/<\/?s>/g, '')
    .trim();

/** Of each run, what it says. What stands before and behind it is looked at too. */
export function readIntents(words: readonly Word[], runs: readonly Run[]): Intent[] {
  const { intents } = weights();
  const n = intents.labels.length;
  const features = runs.map(({ from, next }) => pieceFeatures(words, from, next));
  const { probability } = label(intents, features);
  const parts = intents.labels.map((l) => l.split('.') as [SpokenKind, Tense]);
  return runs.map((_, t) => {
    const p = probability.subarray(t * n, (t + 1) * n);
    const order = parts.map((_part, k) => k).sort((a, b) => p[b]! - p[a]!);
    const [kind, tense] = parts[order[0]!]!;
    const sum = (of: (part: [SpokenKind, Tense]) => boolean): number =>
      parts.reduce((s, part, k) => (of(part) ? s + p[k]! : s), 0);
    const likeliest = (of: (part: [SpokenKind, Tense]) => boolean): Said => {
      const [kindOf, tenseOf] = parts[order.find((k) => of(parts[k]!)) ?? order[0]!]!;
      return { kind: kindOf, tense: tenseOf };
    };
    const said = strongest(intents, features[t]!, order[0]!).filter((f) => /^[ubtf]\d? /.test(f));
    return {
      kind,
      tense,
      probability: {
        kind: sum(([of]) => of === kind),
        tense: sum(([, of]) => hasHappened(of) === hasHappened(tense)),
      },
      orElse: likeliest(([of]) => of !== kind),
      ifHappened: likeliest(([, of]) => hasHappened(of)),
      ifNot: likeliest(([, of]) => !hasHappened(of)),
      because: [...new Set(said.map(wordsIn))].filter((w) => w !== '' && w !== '#').slice(0, 3),
    };
  });
}
