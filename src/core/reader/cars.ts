/** Which car is spoken of: where its name, or a word of it, or its customer’s, stands in what is said, and how it stands there. */
import type { Run } from './boundaries.ts';
import { label } from './chain.ts';
import { shapeOf } from './features.ts';
import { weights } from './weights.ts';
import type { Word } from './words.ts';

export interface SpokenCar {
  id: string;
  name: string;
  customer?: string | undefined;
  aliases?: readonly string[] | undefined;
}

/** Words that could call a car. */
export interface Mention {
  /** Words of the text, `from` up to before `next`. */
  from: number;
  next: number;
  /** The cars that most of these words belong to, one or, where they are alike, several. */
  cars: string[];
  /** Of the words: how many call the car, and whether one is of no other car. */
  words: number;
  isSole: boolean;
  /** Whether the customer is named, or the car. */
  by: 'customer' | 'car' | 'both';
  /** Whether the last word of the car’s name is said: what kind of car it is. */
  hasHead: boolean;
}

const NOT_NAMES = new Set(
  'the and for with from his her our their its who was has had are not van de mr mrs ms dr miss family one two'.split(
    ' ',
  ),
);

const plain = (norm: string): string => norm.replace(/'s$|s'$/, '').replaceAll("'", '');

interface Belongs {
  id: string;
  of: 'customer' | 'car';
  isHead: boolean;
}

/** What every word of the cars' names belongs to. */
export type CarWords = ReadonlyMap<string, readonly Belongs[]>;

const wordsIn = (name: string): string[] =>
  name
    .toLowerCase()
    .replaceAll('’', "'")
    .split(/[^\p{L}\p{N}']+/u)
    .map(plain)
    .filter((w) => w.length > 1);

export function carWordsOf(cars: readonly SpokenCar[]): CarWords {
  const of = new Map<string, Belongs[]>();
  const add = (word: string, belongs: Belongs): void => {
    if (word.length < 3 && !/\d/.test(word)) return;
    if (NOT_NAMES.has(word) && !(belongs.isHead && word === 'van')) return;
    const row = of.get(word) ?? [];
    if (!row.some((b) => b.id === belongs.id && b.of === belongs.of)) row.push(belongs);
    of.set(word, row);
  };
  for (const { id, name, customer, aliases = [] } of cars) {
    for (const called of [name, ...aliases]) {
      const words = wordsIn(called);
      words.forEach((w, i) => add(w, { id, of: 'car', isHead: i === words.length - 1 }));
    }
    for (const w of wordsIn(customer ?? '')) add(w, { id, of: 'customer', isHead: false });
  }
  return of;
}

/** To which cars a word belongs: as it is, or without the s of “Lonnies” and “wagons”. */
const belongsTo = (words: CarWords, norm: string): readonly Belongs[] => {
  const word = plain(norm);
  return (
    words.get(word) ?? (word.length > 3 && word.endsWith('s') ? (words.get(word.slice(0, -1)) ?? []) : [])
  );
};

const JOINS = new Set(['the', 'and', 'of', "the's"]);

/** Every place where a car could be called, in order. */
export function findMentions(text: readonly Word[], words: CarWords): Mention[] {
  const mentions: Mention[] = [];
  for (let i = 0; i < text.length;) {
    const first = belongsTo(words, text[i]!.norm);
    if (first.length === 0) {
      i += 1;
      continue;
    }
    const counts = new Map<
      string,
      { n: number; sole: boolean; customer: boolean; car: boolean; head: boolean }
    >();
    const take = (belongs: readonly Belongs[]): void => {
      const sole = new Set(belongs.map((b) => b.id)).size === 1;
      for (const id of new Set(belongs.map((b) => b.id))) {
        const of = belongs.filter((b) => b.id === id);
        const c = counts.get(id) ?? { n: 0, sole: false, customer: false, car: false, head: false };
        counts.set(id, {
          n: c.n + 1,
          sole: c.sole || sole,
          customer: c.customer || of.some((b) => b.of === 'customer'),
          car: c.car || of.some((b) => b.of === 'car'),
          head: c.head || of.some((b) => b.isHead),
        });
      }
    };
    take(first);
    let next = i + 1;
    for (;;) {
      const skip = JOINS.has(text[next]?.norm ?? '') ? 1 : 0;
      const word = text[next + skip];
      if (!word || word.before === '.' || word.before === '\n') break;
      const more = belongsTo(words, word.norm).filter((b) => counts.has(b.id));
      if (more.length === 0) break;
      take(more);
      next += skip + 1;
    }
    const most = Math.max(...[...counts.values()].map((c) => c.n + (c.sole ? 0.5 : 0)));
    const best = [...counts].filter(([, c]) => c.n + (c.sole ? 0.5 : 0) === most);
    const c = best[0]![1];
    mentions.push({
      ...{ from: i, next, cars: best.map(([id]) => id), words: c.n, isSole: c.sole && best.length === 1 },
      by: c.customer && c.car ? 'both' : c.customer ? 'customer' : 'car',
      hasHead: c.head,
    });
    i = next;
  }
  return mentions;
}

/** What tells whether the talk turns to the car that is mentioned. No name is in it: other names, the same features. */
export function mentionFeatures(text: readonly Word[], m: Mention, names: CarWords, since: number): string[] {
  const at = (i: number): string => {
    const w = text[i];
    if (!w) return i < 0 ? '<s>' : '</s>';
    return belongsTo(names, w.norm).length > 0 ? 'NAME' : w.norm;
  };
  const last = text[m.next - 1]!.norm;
  const the = at(m.from - 1) === 'the' || at(m.from - 1) === 'this' ? 1 : 0;
  const lead = text[m.from - the];
  const leadMark = m.from - the <= 0 ? '^' : (lead?.before ?? '');
  const after = text[m.next]?.before ?? '$';
  const [p1, p2, p3] = [at(m.from - 1 - the), at(m.from - 2 - the), at(m.from - 3 - the)];
  const [n1, n2, n3] = [at(m.next), at(m.next + 1), at(m.next + 2)];
  const how = `${m.by}${m.isSole ? '!' : ''}${m.hasHead ? 'h' : ''}${Math.min(3, m.words)}`;
  const own = /'s$/.test(last) ? "'s" : '';
  return [
    'bias',
    `how${how}`,
    `n${Math.min(3, m.words)}`,
    `by${m.by}`,
    `sole${m.isSole}`,
    `several${m.cars.length > 1}`,
    `own${own}`,
    `the${the}${at(m.from - 1)}`,
    `mark${leadMark}`,
    `after${after}`,
    `marks${leadMark} ${after}`,
    `how ${how} ${leadMark} ${the}`,
    `how ${how}${own} ${p1}`,
    `how ${how}${own} ${n1}`,
    `p1${p1}`,
    `p2${p2}`,
    `p3${p3}`,
    `n1${n1}`,
    `n2${n2}`,
    `n3${n3}`,
    `pp${p2} ${p1}`,
    `ppp${p3} ${p2} ${p1}`,
    `nn${n1} ${n2}`,
    `pn${p1} ${n1}`,
    `sp${shapeOf(p2)} ${shapeOf(p1)}`,
    `sn${shapeOf(n1)} ${shapeOf(n2)}`,
    `own${own} ${n1}`,
    `own${own} ${shapeOf(n1)} ${shapeOf(n2)}`,
    `since${Math.min(6, Math.floor(Math.log2(1 + since)))}`,
    `first${m.from < 12}`,
  ];
}

/** From the words of its name on, a car is spoken of. */
export interface Turn extends Run {
  id: string | null;
  /** How likely it is that it is this car. */
  probability: number;
  by: 'page' | 'named' | 'inferred';
}

/** A mention that is no turn, and may be one: from here on the car is in doubt. */
const MAY_TURN = 0.15;
/** As likely as this, a turn is taken without asking. */
export const SURE_OF_CAR = 0.85;

/** Which car is spoken of, from where to where; before any is named it is the car whose page is open. */
export function readTurns(words: readonly Word[], cars: readonly SpokenCar[], at: string | null): Turn[] {
  const turns: Turn[] = [{ from: 0, next: 0, id: at, probability: at === null ? 0 : 1, by: 'page' }];
  const names = carWordsOf(cars);
  const { turns: chain } = weights();
  const [stays, goes] = [chain.labels.indexOf('stays'), chain.labels.indexOf('turns')];
  let since = 0;
  for (const m of findMentions(words, names)) {
    const now = turns.at(-1)!;
    if (m.cars.length === 1 && m.cars[0] === now.id) {
      // Named again, it is this car without doubt.
      if (now.probability < SURE_OF_CAR && m.isSole)
        turns.push({ from: m.from, next: m.next, id: now.id, probability: 1, by: 'named' });
      continue;
    }
    const { probability } = label(chain, [mentionFeatures(words, m, names, m.from - since)]);
    const p = probability[goes]!;
    if (p >= 0.5) {
      const others = m.cars.filter((id) => id !== now.id);
      const isOne = m.cars.length === 1;
      since = m.from;
      turns.push({
        ...{ from: m.from, next: m.next, id: others[0] ?? null },
        probability: isOne ? p : p / m.cars.length,
        by: isOne && p >= SURE_OF_CAR ? 'named' : 'inferred',
      });
    } else if (p > MAY_TURN)
      turns.push({
        ...{ from: m.from, next: m.next, id: now.id },
        probability: probability[stays]! * now.probability,
        by: 'inferred',
      });
  }
  return turns;
}
