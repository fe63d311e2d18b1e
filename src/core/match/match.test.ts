/**
 * Which open thing a line means. Nasty cases: one word in common, two that are alike, another number, another vendor, one part of
 * the count, a line without a name, a thing that is there already, hundreds of things.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import type { OpenThing } from '../acts/acts.ts';
import type { CaptureContext } from '../capture/index.ts';
import { conditionOf } from '../capture/condition.ts';
import { turnOf } from '../capture/turns.ts';
import { NOTHING_PUT_RIGHT, understand } from '../capture/understood.ts';
import { loadWeights, readLine } from '../reader/line.ts';
import { holdNamed, released, withEnds } from './holdNamed.ts';
import { matchLine, type Match } from './match.ts';
import { likeness, nameOf } from './names.ts';

const NEW = 'new-part';
const context: CaptureContext = {
  today: '2026-03-11',
  currency: 'GBP',
  units: 'metric',
  locale: 'en-GB',
  builds: [{ id: 'plough', name: 'snow plough' }],
  people: [],
  vendors: [{ id: 'tern', name: 'Tern & Sons' }],
  parts: [],
  places: [],
};

beforeAll(() => loadWeights());

let count = 0;
const thing = (type: OpenThing['type'], name: string, more: Partial<OpenThing> = {}): OpenThing => {
  count += 1;
  return { type, id: `${type}-${count}`, name, state: '', ...more };
};
const part = (name: string, state = 'ordered', more: Partial<OpenThing> = {}): OpenThing =>
  thing('part', name, { state, ...more });
const task = (name: string, more: Partial<OpenThing> = {}): OpenThing =>
  thing('task', name, { state: 'to do', ...more });

const match = (text: string, things: readonly OpenThing[]): Match => {
  const parsed = readLine(text, context).line;
  const { kind, facts } = understand(parsed, NOTHING_PUT_RIGHT);
  const turn = turnOf(text, parsed, 'en-GB') ?? undefined;
  return matchLine({ kind, facts, turn, condition: conditionOf(text) }, things, NEW);
};
/** “receive hydraulic hoses”. */
const doesOf = (text: string, things: readonly OpenThing[]): string[] =>
  match(text, things).does.map((m) => `${m.act} ${m.thing?.name ?? NEW}${m.isDone ? ', done' : ''}`);
const asksOf = (text: string, things: readonly OpenThing[]): string[] =>
  match(text, things).asks.map((m) => `${m.act} ${m.thing?.name}`);

describe('what is needed and what is planned', () => {
  const there = [part('hydraulic hoses', 'to find'), task('Line the doors')];
  const doesAs = (kind: 'needs' | 'planned', subject: string): string[] =>
    matchLine({ kind, facts: { subject } }, there, NEW).does.map((m) => `${m.act} ${m.type} ${m.id}`);
  test('is written down, unless it is there already', () => {
    expect(doesAs('needs', 'bonnet catch')).toEqual([`need part ${NEW}`]);
    expect(doesAs('needs', 'hydraulic hose')).toEqual([]);
    expect(doesAs('planned', 'paint the doors')).toEqual([`plan task ${NEW}`]);
    expect(doesAs('planned', 'line the doors')).toEqual([]);
    // A part called like a task, and the other way round.
    expect(doesAs('planned', 'hydraulic hoses')).toEqual([`plan task ${NEW}`]);
    expect(doesAs('needs', '')).toEqual([]);
  });
});

describe('what a customer asked', () => {
  const asked = [
    thing('question', '“Will it be blue?” (Ilse)'),
    thing('question', '“When can I see the seat covers?” (Ilse)'),
    thing('snag', 'seat covers loose'),
  ];
  test('is offered where somebody told them something, the likelier first, and never taken by itself', () => {
    expect(doesOf('told Ilse she can see the seat covers on Friday', asked)).toEqual([]);
    expect(asksOf('told Ilse she can see the seat covers on Friday', asked)).toEqual([
      'answer “When can I see the seat covers?” (Ilse)',
      'answer “Will it be blue?” (Ilse)',
    ]);
    expect(asksOf('rang him, dark blue it is', asked)).toContain('answer “Will it be blue?” (Ilse)');
  });
  test('is not where nobody was told anything', () => {
    expect(match('fitted the seat covers', [asked[1]!])).toEqual({ does: [], asks: [] });
  });
});

describe('findings', () => {
  const jobs = [thing('job', 'Brake pipes all round'), thing('job', 'Serving hatch')];
  test.each<[string, string[], string[]]>([
    ['found serving hatch binding on the left', ['add Serving hatch'], []],
    ['found brake pipes corroded at the front', ['add Brake pipes all round'], []],
    ['found the wiper spindle seized', [], []],
    // A price or a wait of the same name is no job.
    ['did serving hatch, 2h', [], []],
  ])('%s', (text, does, asks) => {
    expect(doesOf(text, jobs)).toEqual(does);
    expect(asksOf(text, jobs)).toEqual(asks);
  });

  test('between two jobs of one name nothing is taken', () => {
    const two = [thing('job', 'Door seals'), thing('job', 'door seals')];
    expect(doesOf('found door seals perished', two)).toEqual([]);
    expect(asksOf('found door seals perished', two)).toEqual(['add Door seals', 'add door seals']);
  });
});

describe('what is to be put right', () => {
  const snags = [
    thing('snag', 'boot handle loose'),
    thing('snag', 'lamp glass chipped'),
    thing('snag', 'badge sits crooked'),
    thing('snag', 'door gap opens towards the sill'),
  ];
  test.each<[string, string[], string[]]>([
    ['boot handle put right', ['put right boot handle loose'], []],
    ['put the boot handle right', ['put right boot handle loose'], []],
    ['put right the boot handle, 15 min', ['put right boot handle loose'], []],
    ['fixed the boot handle, 15 min', [], ['put right boot handle loose']],
    ['finished the lamp glass', ['put right lamp glass chipped'], []],
    ['fixed the badge', [], ['put right badge sits crooked']],
    ['door gap put right', [], ['put right door gap opens towards the sill']],
    ['did the door lock, 1h', [], []],
    ['boot handle not put right yet', [], []],
    ['boot floor put right', [], []],
    ['did the boot lock, 1h', [], []],
  ])('%s', (text, does, asks) => {
    expect(doesOf(text, snags)).toEqual(does);
    expect(asksOf(text, snags)).toEqual(asks);
  });
});

describe('names', () => {
  test.each([
    ['hydraulic hoses', 'hydraulic hose', 1],
    ['the fenders', 'wing', 1],
    ['overdrive shaft', 'propshaft', 0],
    ['drive shafts', 'propshaft', 1],
    ['hood', 'hood', 1],
    ['windshield', 'windscreen', 1],
    ['prop shaft', 'driveshaft', 1],
    ['door handles', 'door glass', 0],
    ['brake pipes', 'brake hoses', 0],
    ['seals for the door', 'door', 0],
    ['', 'door', 0],
    ['the', 'the', 0],
  ])('“%s” and “%s”: %d', (said, name, like) => {
    expect(likeness(nameOf(said), nameOf(name))).toBe(like);
  });

  test('part of a name is less than the whole, and a word too many less than one too few', () => {
    const of = (said: string, name: string): number => likeness(nameOf(said), nameOf(name));
    expect(of('hoses', 'hydraulic hoses')).toBeLessThan(1);
    expect(of('rear hydraulic hoses', 'hydraulic hoses')).toBeLessThan(1);
    expect(of('rear hydraulic hoses', 'hydraulic hoses')).toBeLessThan(
      of('hydraulic hoses', 'rear hydraulic hoses'),
    );
    expect(of('brake booster', 'brake booster and master cylinder')).toBeGreaterThan(0.7);
  });
});

describe('what a line does', () => {
  const hoses = part('hydraulic hoses', 'ordered', { quantity: 4, vendor: 'Tern & Sons' });

  test('what arrived is received; what waited for it goes on', () => {
    const hold = thing('hold', 'the hydraulic hoses');
    expect(doesOf('snow plough: 4 hydraulic hoses arrived', [hoses, hold, part('door glass')])).toEqual([
      'receive hydraulic hoses',
      'release the hydraulic hoses',
    ]);
    expect(doesOf('hoses came', [hoses])).toEqual(['receive hydraulic hoses']);
  });

  test('one word in common ends nothing and receives nothing', () => {
    const open = [part('door glass'), thing('hold', 'the door glass')];
    expect(match('door handles arrived', open)).toEqual({ does: [], asks: [] });
  });

  test.each([
    ['2 hydraulic hoses arrived', 2],
    ['2 of 4 hydraulic hoses arrived', 2],
    ['three of the four hydraulic hoses arrived', 3],
    ['received 2 of the hydraulic hoses', 2],
  ])('some of what is on order came, and what waits for it waits: %s', (text, count) => {
    const { does, asks } = match(text, [hoses, thing('hold', 'the hydraulic hoses')]);
    expect(does).toMatchObject([{ act: 'receive', count, thing: hoses }]);
    expect([does.length, asks]).toEqual([1, []]);
  });

  test('some of what went out came back', () => {
    const hinges = thing('piece', 'door hinges', { state: 'out', quantity: 4, vendor: 'Halcyon Platers' });
    expect(match('2 of the door hinges back from Halcyon Platers', [hinges]).does).toMatchObject([
      { act: 'come back', count: 2, thing: hinges },
    ]);
    expect(match('door hinges back from Halcyon Platers', [hinges]).does[0]).not.toHaveProperty('count');
  });

  test('all of them are no part of them, and more than are on order are asked about', () => {
    expect(match('4 of 4 hydraulic hoses arrived', [hoses]).does[0]).not.toHaveProperty('count');
    expect(doesOf('6 hydraulic hoses arrived', [hoses])).toEqual([]);
    expect(asksOf('6 hydraulic hoses arrived', [hoses])).toEqual(['receive hydraulic hoses']);
  });

  test('of two that are alike one is chosen by a person', () => {
    const open = [part('door glass left'), part('door glass right')];
    expect(doesOf('door glass arrived', open)).toEqual([]);
    expect(asksOf('door glass arrived', open)).toHaveLength(2);
    expect(doesOf('door glass left arrived', open)).toEqual(['receive door glass left']);
  });

  test('from another vendor it is another one', () => {
    expect(doesOf('hydraulic hoses arrived from Moss Hydraulics', [hoses])).toEqual([]);
  });

  test('one of them is damaged: whether the whole is wrong is asked', () => {
    expect(match('hydraulic hoses came, one is damaged', [hoses])).toMatchObject({
      does: [],
      asks: [{ check: 'damaged' }, { check: 'right' }],
    });
  });

  test('what is not agreed is not taken, and says why not', () => {
    const sills = thing('line', 'Sills', { whyNot: 'not agreed yet' });
    expect(match('did the sills, 2h', [sills])).toMatchObject({ does: [], asks: [{ thing: sills }] });
  });

  test('what is here already does not arrive again', () => {
    expect(match('hydraulic hoses arrived', [part('hydraulic hoses', 'arrived')]).does).toEqual([]);
  });

  test('what is waited for is the part that is on order, whose day it names', () => {
    const hoses = part('hydraulic hoses', 'ordered', { quantity: 4, vendor: 'Tern & Sons' });
    expect(doesOf('waiting on hydraulic hoses, due Friday', [hoses])).toEqual(['expect hydraulic hoses']);
    expect(doesOf('hydraulic hoses have not arrived', [hoses])).toEqual(['expect hydraulic hoses']);
    expect(doesOf('hydraulic hoses now due Friday', [hoses])).toEqual(['expect hydraulic hoses']);
    expect(doesOf('waiting on door glass', [hoses])).toEqual([]);
    expect(doesOf('waiting on hydraulic hoses', [{ ...hoses, state: 'arrived' }])).toEqual([]);
    expect(doesOf('waiting on the hinges', [thing('piece', 'hinges', { state: 'out' })])).toEqual([
      'expect hinges',
    ]);
  });

  test('ordered: what was to be ordered, or a new part; what is alike is asked about', () => {
    const catchPart = part('bonnet catch', 'to order');
    expect(doesOf('ordered bonnet catch from Tern & Sons, 28, due Friday', [catchPart])).toEqual([
      'order bonnet catch',
    ]);
    // A British hood is no bonnet.
    expect(match('ordered hood catch', [catchPart])).toMatchObject({ does: [], asks: [{ act: 'order' }] });
    expect(doesOf('ordered bonnet catch from Tern & Sons', [part('door glass', 'to order')])).toEqual([
      `order ${NEW}`,
    ]);
    const two = [part('door glass left', 'to order'), part('door glass right', 'to order')];
    expect(match('ordered door glass', two).does).toEqual([]);
    expect(asksOf('ordered door glass', two)).toHaveLength(2);
    expect(match('ordered', []).does).toEqual([]);
  });

  test('start, stop, finish', () => {
    const filler = task('Filler and blocking');
    const mine = task('Epoxy primer', { isMine: true, state: 'going' });
    const open = [filler, mine, task('Rust repair')];
    expect(doesOf('start filler and blocking', open)).toEqual(['start Filler and blocking']);
    expect(doesOf('starting on the filler', open)).toEqual(['start Filler and blocking']);
    expect(doesOf('started work on rust repair', open)).toEqual(['start Rust repair']);
    expect(doesOf('start epoxy primer', open)).toEqual([]);
    expect(doesOf('stop', open)).toEqual(['stop Epoxy primer']);
    expect(doesOf('stop the epoxy primer', open)).toEqual(['stop Epoxy primer']);
    expect(match('stopped, 2h to go', open).does).toMatchObject([{ act: 'stop', toGoMinutes: 120 }]);
    expect(doesOf('finished epoxy primer', open)).toEqual(['stop Epoxy primer, done']);
    expect(doesOf('finished the filler and blocking', open)).toEqual(['finish Filler and blocking']);
    expect(doesOf('filler and blocking is done', open)).toEqual(['finish Filler and blocking']);
    expect(doesOf('stop', [filler])).toEqual([]);
  });

  test('a stop lamp is a lamp: what only begins like a word for stopping is read on', () => {
    const lamp = part('stop lamp');
    expect(doesOf('stop lamp arrived', [lamp, task('Epoxy primer', { isMine: true })])).toEqual([
      'receive stop lamp',
    ]);
  });

  test('hours reach the task, or the agreed line of that name', () => {
    const line = thing('line', 'Brake booster and master cylinder');
    expect(doesOf('Fitted brake booster and master cylinder, 2 hours', [line])).toEqual([
      'work Brake booster and master cylinder, done',
    ]);
    expect(doesOf('2h on the brake servo', [line])).toEqual(['work Brake booster and master cylinder']);
    const filler = task('Filler and blocking');
    expect(doesOf('did filler and blocking, 2h', [filler])).toEqual(['work Filler and blocking']);
    expect(doesOf('finished filler and blocking, 3h', [filler])).toEqual(['work Filler and blocking, done']);
  });

  test('what was done without hours may be finished, or not: it is asked', () => {
    const filler = task('Filler and blocking');
    expect(match('did filler and blocking', [filler])).toMatchObject({ does: [], asks: [{ act: 'finish' }] });
  });

  test('what is not so, or not yet, does nothing', () => {
    const open = [task('Filler and blocking'), hoses];
    for (const text of [
      'filler and blocking is not done',
      'filler and blocking is nearly finished',
      'filler and blocking will be done on friday',
      'need to order hydraulic hoses',
      'note filler and blocking',
    ])
      expect([text, match(text, open).does]).toEqual([text, []]);
  });

  test('what came off and is back from its vendor; of a piece and a part of one name it is asked', () => {
    const piece = thing('piece', '2 door hinges', { state: 'out', vendor: 'Halcyon Platers' });
    expect(doesOf('door hinges are back from Halcyon Platers', [piece])).toEqual(['come back 2 door hinges']);
    expect(asksOf('door hinges arrived', [piece, part('door hinges')])).toHaveLength(2);
  });

  test('a thousand things, and a line of four thousand letters', () => {
    const many = Array.from({ length: 1000 }, (_, i) => part(`bracket ${i}`));
    expect(doesOf('bracket 77 arrived', many)).toEqual(['receive bracket 77']);
    expect(doesOf(`ordered ${'bracket and '.repeat(330)}`, many)).toEqual([`order ${NEW}`]);
  });
});

test('the words that begin and end work are said of what follows', () => {
  const turn = (text: string): unknown => turnOf(text, readLine(text, context).line, 'en-GB');
  expect(turn('snow plough: start the sills')).toEqual({ turn: 'start', subject: 'sills' });
  expect(turn("i'm starting on the sills now")).toEqual({ turn: 'start', subject: 'sills' });
  expect(turn('started the sills, 2h')).toBeNull();
  expect(turn('stop the sills, 90 min left')).toEqual({ turn: 'stop', subject: 'sills', toGoMinutes: 90 });
  expect(turn('starter motor arrived')).toBeNull();
  expect(turn('stop lamp fitted')).toEqual({ turn: 'stop', subject: 'lamp fitted' });
  expect(turn('did the sills')).toBeNull();
});

describe('what a line ends that nobody was shown', () => {
  const holds = [thing('hold', 'the sliding glass'), thing('hold', 'the door seal')];
  const endedBy = (kind: 'arrived' | 'resumed' | 'did', subject?: string) =>
    holds.find((h) => h.id === holdNamed({ kind, facts: subject === undefined ? {} : { subject } }, holds))
      ?.name;

  test.each([
    ['sliding glass', 'the sliding glass'],
    ['door seals', 'the door seal'],
    // One word in common is no name, nor are more words than it has.
    ['glass', undefined],
    ['door handles', undefined],
    ['seal for the door of the hearse', undefined],
  ])('%s', (subject, ended) => {
    expect(endedBy('arrived', subject)).toBe(ended);
    expect(endedBy('resumed', subject)).toBe(ended);
    expect(endedBy('did', subject)).toBeUndefined();
  });
  test('nothing that is not named, and none of two in the same words', () => {
    expect(endedBy('arrived')).toBeUndefined();
    const two = [thing('hold', 'the glass'), thing('hold', 'glass')];
    expect(holdNamed({ kind: 'arrived', facts: { subject: 'glass' } }, two)).toBeNull();
  });

  test('a logbook from elsewhere, in its order: waited for again after it came is a new wait', () => {
    const said = (id: string, kind: 'waiting' | 'arrived') => ({
      ...{ id, kind, at: '2026-03-11T10:00:00.000Z', text: 'glass', facts: { subject: 'glass' } },
    });
    const all = withEnds([said('a', 'waiting'), said('b', 'arrived'), said('c', 'waiting')], 'Europe/London');
    expect(all.map((e) => e.acts)).toEqual([[], [released('a')], []]);
  });
});
