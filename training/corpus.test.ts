/** The corpus reads whole: every mark stands in its text, names a car of its context, and has a kind and a tense that there is. */
import { describe, expect, test } from '@jest/globals';
import { KINDS, readCorpus, settled, TENSES } from './corpus.ts';
import { readMarkup, type CorpusText } from './markup.ts';

const corpus = readCorpus();
const authors = [...new Set(corpus.map((t) => t.author))];

test('several authors, each with texts and things of their own', () => {
  expect(authors.length).toBeGreaterThanOrEqual(11);
  expect(corpus.flatMap((t) => t.things).length).toBeGreaterThan(3500);
  expect(new Set(corpus.map((t) => `${t.author} ${t.id}`)).size).toBe(corpus.length);
});

/** What is wrong with a text, in words. */
function faultsOf({ id, text, builds, at, things, turns }: CorpusText): string[] {
  const cars = new Set(builds.map((b) => b.id));
  const words = (m: { start: number; end: number }): string => text.slice(m.start, m.end);
  return [
    ...(at === null || cars.has(at) ? [] : [`the page is of no car: ${at}`]),
    ...things.flatMap((t) => [
      ...(KINDS.includes(t.kind as (typeof KINDS)[number]) ? [] : [`${words(t)}: no kind ${t.kind}`]),
      ...(TENSES.includes(t.tense as (typeof TENSES)[number]) ? [] : [`${words(t)}: no tense ${t.tense}`]),
      ...(t.build === '?' || cars.has(t.build) ? [] : [`${words(t)}: no car ${t.build}`]),
      ...(words(t).trim() === '' ? [`a thing at ${t.start} has no words`] : []),
    ]),
    ...turns.flatMap((t) =>
      cars.has(t.build) && words(t) !== '' ? [] : [`a turn to ${t.build} at ${t.start}`],
    ),
  ].map((fault) => `${id}: ${fault}`);
}

test.each(authors)('%s', (author) => {
  expect(corpus.filter((t) => t.author === author).flatMap(faultsOf)).toEqual([]);
});

describe('one rule for what the authors labelled differently', () => {
  test.each([
    ['did', 'coming', 'planned', 'coming'],
    ['fitted', 'not', 'planned', 'not'],
    ['did', 'going', 'did', 'going'],
    ['received', 'coming', 'held', 'coming'],
    ['received', 'not', 'held', 'going'],
    ['hours', 'wished', 'note', 'done'],
    ['spent', 'done', 'spent', 'done'],
    ['decided', 'wished', 'planned', 'wished'],
    ['needs', 'going', 'needs', 'coming'],
    ['asked', 'coming', 'asked', 'coming'],
  ])('%s, %s', (kind, tense, isKind, isTense) => {
    expect(settled({ kind, tense })).toEqual({ kind: isKind, tense: isTense });
  });
});

describe('texts written with their marks', () => {
  const HEAD = "@ en-GB short at=b1 | b1 Merrow van ~Tiller's Bakery | b2 Kestrin GT | people Dom, Jess";
  test('marks are taken out, and stand where they stood', () => {
    const [text] = readMarkup(
      'x',
      `${HEAD}\nright [did weld/sill: sill's welded] {b2: the GT} [b1!planned.wished +due=friday: paint it] ok`,
    );
    expect(text).toMatchObject({
      ...{ id: 'x-001', at: 'b1', locale: 'en-GB', style: 'short', people: ['Dom', 'Jess'] },
      builds: [
        { id: 'b1', name: 'Merrow van', customer: "Tiller's Bakery" },
        { id: 'b2', name: 'Kestrin GT' },
      ],
      text: "right sill's welded the GT paint it ok",
    });
    expect(
      text!.things.map((t) => [
        text!.text.slice(t.start, t.end),
        t.build,
        t.kind,
        t.tense,
        t.op,
        t.thing,
        t.facts,
      ]),
    ).toEqual([
      ["sill's welded", 'b1', 'did', 'done', 'weld', 'sill', {}],
      ['paint it', 'b1', 'planned', 'wished', undefined, undefined, { due: 'friday' }],
    ]);
    expect(text!.turns.map((t) => text!.text.slice(t.start, t.end))).toEqual(['the GT']);
  });
  test.each([
    ['[did: not closed', 'a mark is not closed'],
    ['[did: one [found: two]]', 'a mark in a mark'],
    ['{b9: that one}', 'there is no car b9'],
    ['closed]', 'a mark is closed that was not opened'],
  ])('%s is refused', (body, reason) => expect(() => readMarkup('x', `${HEAD}\n${body}`)).toThrow(reason));
});
