/**
 * What a letter works out. Nasty cases: over what was agreed, nothing agreed, another currency, one day and many, a promise
 * moved either way, passed, never given; what is left out and asked for all the same; figures that change under a draft.
 */
import { describe, expect, test } from '@jest/globals';
import type { Hold } from '../waits/binding.ts';
import {
  costItems,
  decisionItems,
  distanceWords,
  moneyWords,
  readyItems,
  type LetterManner,
  type LetterMoney,
} from './figures.ts';
import { waitItems } from './held.ts';
import { allItems, figuresTold, withFigures, type Letter } from './letter.ts';
import { unsaidIn, type UnsaidInput } from './unsaid.ts';
import { whyTellNow } from './due.ts';

const MANNER: LetterManner = { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' };
const MONEY: LetterMoney = {
  approvedMinor: 420_000,
  changesMinor: 42_000,
  discretionMinor: 0,
  spentMinor: 123_400,
  committedMinor: 12_000,
  expectedMinor: 415_000,
  changes: [
    { lineId: 'a', title: 'Floor pans', grossMinor: 42_000, state: 'approved', on: '2026-03-02' },
    { lineId: 'b', title: 'Second horn', grossMinor: 8000, state: 'open', on: '2026-03-02' },
  ],
  account: [],
};
const texts = (items: readonly { text: string }[]): string[] => items.map((i) => i.text);
const hold = (more: Partial<Hold>): Hold => ({
  kind: 'part',
  what: 'the king pin set from Cobb Springs',
  since: '2026-03-02',
  until: null,
  act: 'ring Cobb Springs',
  ...more,
});

describe('what it comes to', () => {
  const logged = { spentMinor: 5000, workedMinutes: 750 };

  test('agreed with its changes, spent, on order, what it ends at; what was never sent is no change', () => {
    expect(texts(costItems(MONEY, logged, MANNER))).toEqual([
      'Agreed: £4,200.00, of it £420.00 in changes.',
      'Change, agreed on Mon 2 Mar: floor pans, £420.00.',
      'Spent of it so far: £1,234.00, and £120.00 is on order.',
      'As it stands, it comes to £4,150.00 in the end.',
      'Hours worked so far: 12 h 30 min.',
    ]);
  });

  test('beyond what was agreed it says by how much; what was begun without asking counts as agreed', () => {
    const end = (more: Partial<LetterMoney>): string =>
      costItems({ ...MONEY, ...more }, logged, MANNER).find((i) => i.id === 'costs-end')!.text;
    expect(end({ expectedMinor: 451_000 })).toBe(
      'As it stands, it comes to £4,510.00 in the end: £310.00 more than was agreed.',
    );
    expect(end({ expectedMinor: 425_000, discretionMinor: 5000 })).toBe(
      'As it stands, it comes to £4,250.00 in the end.',
    );
  });

  test('on account: what came in, and what is still asked for', () => {
    const account = [
      { id: '1', what: 'Before the metalwork', askedMinor: 50_000, receivedMinor: 50_000, due: null },
      { id: '2', what: 'Paint', askedMinor: 30_000, receivedMinor: 10_000, due: '2026-03-20' },
    ];
    expect(texts(costItems({ ...MONEY, account }, logged, MANNER)).slice(-2)).toEqual([
      'Paid on account: £600.00. Thank you.',
      'Asked for on account, paint: £200.00, due Fri 20 Mar.',
    ]);
  });

  test('nothing agreed: what the logbook says was bought', () => {
    expect(texts(costItems(null, logged, MANNER))).toEqual([
      'Parts, materials and outside work so far: £50.00. Hours worked so far: 12 h 30 min.',
    ]);
  });

  test('abroad: about what it is in their own currency, in whole units', () => {
    const also = { currency: 'EUR', rateMillionths: 1_170_000 };
    expect(moneyWords(123_400, { ...MANNER, also })).toBe('£1,234.00 (about €1,444)');
    expect(moneyWords(1000, { ...MANNER, also: { currency: 'JPY', rateMillionths: 190_500_000 } })).toBe(
      '£10.00 (about JP¥1,905)',
    );
    expect(moneyWords(0, { ...MANNER, also })).toBe('£0.00 (about €0)');
  });

  test('miles in kilometres (international mile, 1.609344 km)', () => {
    expect(distanceWords(150, MANNER)).toBe('150 miles');
    expect(distanceWords(1, MANNER)).toBe('1 mile');
    expect(distanceWords(150, { ...MANNER, metric: true })).toBe('241 km');
  });

  test('what must be decided leads to where it is answered, and says what is for safety', () => {
    const items = decisionItems(
      [
        { lineId: 'a', title: 'Brake pipes', class: 'safety', grossMinor: 18_000 },
        { lineId: 'b', title: 'Second horn', class: 'nice', grossMinor: 8000 },
      ],
      MANNER,
    );
    expect(texts(items)).toEqual(['Brake pipes, £180.00: for safety.', 'Second horn, £80.00.']);
    expect(items.every((i) => i.answer && i.fixed)).toBe(true);
  });
});

describe('when it will be ready', () => {
  const say = (more: object): string[] =>
    texts(readyItems({ promised: '2026-03-26', told: null, restedDays: 0, waited: [], ...more }, MANNER));

  test('promised, moved and why, come forward, passed, never promised', () => {
    expect(say({})).toEqual(['Promised for Thu 26 Mar.']);
    expect(say({ told: '2026-03-26' })).toEqual(['Promised for Thu 26 Mar.']);
    expect(say({ told: '2026-03-16', restedDays: 4, waited: [{ what: 'the glass', days: 9 }] })).toEqual([
      'It was to be ready on Mon 16 Mar and is now promised for Thu 26 Mar: 10 days later. Of these, 4 days because it rested for your reasons. Since my last letter it waited 9 days for the glass.',
    ]);
    expect(say({ told: '2026-03-27', waited: [{ what: 'the glass', days: 9 }] })).toEqual([
      'It was to be ready on Fri 27 Mar and is now promised for Thu 26 Mar: 1 day sooner.',
    ]);
    expect(say({ promised: '2026-03-10' })).toEqual([
      'It was promised for Tue 10 Mar. That day has passed, and there is no new one yet.',
    ]);
    expect(say({ promised: null })).toEqual([]);
  });

  test('all of the move was rest: the wait is not made a reason', () => {
    expect(say({ told: '2026-03-16', restedDays: 30, waited: [{ what: 'the glass', days: 9 }] })[0]).toMatch(
      /10 days because it rested for your reasons\.$/,
    );
  });
});

describe('what it waits for', () => {
  const told = (binding: Hold | null, others: Hold[] = []): string[] =>
    texts(waitItems([], { binding, others }, MANNER));

  test('no other car, no person, no word of the shop’s own', () => {
    const holds = [
      hold({ kind: 'place', what: 'a lift for “Brakes”', act: 'move the hearse', task: 'Brakes' }),
      hold({ kind: 'person', what: 'Petra Vosk for “Trim”', task: 'Trim', until: '2026-03-16' }),
      hold({ kind: 'other build', what: 'the hearse' }),
      hold({ kind: 'gate', what: 'somebody to see and sign “bores measured”', task: 'Boring' }),
    ];
    expect(holds.flatMap((h) => told(h))).toEqual([
      'Waiting for a free place for the next job, brakes (since Mon 2 Mar).',
      'Waiting for the one who does trim, here again Mon 16 Mar (since Mon 2 Mar).',
      'Waiting for work that has to be finished first (since Mon 2 Mar).',
      'To be looked at before boring (since Mon 2 Mar).',
    ]);
  });

  test('a part with its day, a late one, one that the logbook says already, money', () => {
    expect(told(hold({ until: '2026-03-20' }))).toEqual([
      'Waiting for the king pin set from Cobb Springs, due Fri 20 Mar (since Mon 2 Mar).',
    ]);
    expect(told(hold({ until: '2026-03-06' }))).toEqual([
      'Waiting for the king pin set from Cobb Springs, which was due on Fri 6 Mar (since Mon 2 Mar).',
    ]);
    const said = [{ entryId: 'e', subject: 'king pin set', since: '2026-03-02' }];
    expect(waitItems(said, { binding: hold({}), others: [] }, MANNER)).toHaveLength(1);
    const other = [{ entryId: 'e', subject: 'king pin bushes', since: '2026-03-02' }];
    expect(waitItems(other, { binding: hold({}), others: [] }, MANNER)).toHaveLength(2);
    expect(told(null, [hold({ kind: 'payment', what: 'money on account: paint' })])).toEqual([
      'Work goes on when this is in: money on account: paint (since Mon 2 Mar).',
    ]);
  });

  test('a question is asked elsewhere, what nobody planned is told nowhere, an inner hold only where it binds', () => {
    expect(told(hold({ kind: 'answer' }))).toEqual([]);
    expect(told(hold({ kind: 'plan' }))).toEqual([]);
    expect(told(null, [hold({ kind: 'place' }), hold({ kind: 'cure' })])).toEqual([]);
  });
});

const letter = (
  items: Letter['parts'][number]['items'],
  id: 'costs' | 'waiting' | 'next' = 'costs',
): Letter => ({
  subject: 's',
  greeting: 'g',
  closing: 'c',
  parts: [{ id, title: 't', items }],
});
const item = (id: string, text: string, more = {}) => ({ id, text, leftOut: false, ...more });

describe('a draft keeps what was typed and takes figures as they are', () => {
  test('changed, left out, gone, new; a part that was not there', () => {
    const draft = letter([
      item('costs-a', 'old', { fixed: true }),
      item('costs-b', 'old', { fixed: true, leftOut: true }),
      item('costs-gone', 'old', { fixed: true }),
      item('own-1', 'typed'),
    ]);
    const now: Letter = {
      ...letter([
        item('costs-a', 'new', { fixed: true }),
        item('costs-b', 'new', { fixed: true }),
        item('costs-c', 'new', { fixed: true }),
        item('entry', 'not taken'),
      ]),
    };
    now.parts.push({ id: 'decide', title: 'd', items: [item('decide-x', 'x', { fixed: true })] });
    const merged = withFigures(draft, now);
    expect(allItems(merged).map((i) => [i.id, i.text, i.leftOut])).toEqual([
      ['costs-a', 'new', false],
      ['costs-b', 'new', true],
      ['costs-c', 'new', false],
      ['own-1', 'typed', false],
      ['decide-x', 'x', false],
    ]);
    expect(figuresTold(merged)).toEqual(['new', 'new', 'x']);
    expect(withFigures(merged, now)).toEqual(merged);
  });
});

describe('what it does not mention', () => {
  const base: Omit<UnsaidInput, 'letter'> = {
    withoutPrice: [],
    pictures: [],
    money: null,
    ready: { promised: '2026-03-26', told: null, restedDays: 0, waited: [] },
    manner: MANNER,
  };
  const full = [item('ready', 'Promised.', { fixed: true }), item('next', 'Then paint.')];
  const said = (more: Partial<UnsaidInput>, l: Letter = letter(full, 'next')): string[] =>
    unsaidIn({ ...base, ...more, letter: l }).map((u) => u.what);

  test('nothing where everything is in it', () => {
    expect(said({})).toEqual([]);
  });

  test('a promise passed, none at all, or left out', () => {
    expect(said({ ready: { ...base.ready, promised: '2026-03-01' } })).toEqual([
      'The promise of Sun 1 Mar has passed, and no new day is given.',
    ]);
    expect(said({ ready: { ...base.ready, promised: null } })).toEqual([
      'No day is named on which it will be ready.',
    ]);
    const out = letter([item('ready', 'Promised.', { leftOut: true }), item('next', 'Then paint.')], 'next');
    expect(said({}, out)).toEqual(['The promise of Thu 26 Mar is not in it.']);
  });

  test('a question left out comes first, then other sentences; findings without a price; pictures unused', () => {
    const l = letter(
      [...full, item('a', 'A thing.', { leftOut: true }), item('decide-1', 'Decide.', { leftOut: true })],
      'next',
    );
    expect(
      said(
        {
          withoutPrice: [{ id: 'f', text: 'found gear linkage worn' }],
          pictures: [
            { id: 'p1', of: 'the sill' },
            { id: 'p2', of: 'the other sill' },
          ],
        },
        {
          ...l,
          parts: [...l.parts, { id: 'done', title: 'd', items: [item('x', 'Sill.', { media: ['p1'] })] }],
        },
      ),
    ).toEqual(['Decide.', 'found gear linkage worn', 'A thing.', 'the other sill']);
  });

  test('a wait without a word of what is done about it, until there is one', () => {
    const waiting = (items: Letter['parts'][number]['items']): Letter => ({
      ...letter(full, 'next'),
      parts: [...letter(full, 'next').parts, { id: 'waiting', title: 'w', items }],
    });
    expect(said({}, waiting([item('wait-1', 'Waiting for the glass.')]))).toEqual([
      'What is being done about it: Waiting for the glass.',
    ]);
    expect(said({}, waiting([item('wait-1', 'Waiting.'), item('own-1', 'I ring them daily.')]))).toEqual([]);
  });

  test('more than was agreed and no change asked', () => {
    const money = { ...MONEY, expectedMinor: 500_000 };
    expect(said({ money })).toEqual(['It comes to more than was agreed, and no change has been asked for.']);
    const asked = { ...MONEY.changes[0]!, state: 'asked' as const };
    expect(said({ money: { ...money, changes: [asked] } })).toEqual([]);
  });
});

describe('who is to be told now', () => {
  const tell = (more: object) =>
    whyTellNow(
      { toldOn: '2026-03-05', tellEveryDays: 7, binding: null, others: [], promised: null, news: 2, ...more },
      '2026-03-11',
    );

  test('on the day, not before; news alone is no reason', () => {
    expect(tell({})).toMatchObject({ reasons: [], overdue: -1 });
    expect(tell({ tellEveryDays: 6 })).toMatchObject({
      reasons: ['told 6 days ago, wants to hear every 6 days', '2 things to tell'],
      overdue: 0,
    });
  });

  test('their word holds it up: now, unless they heard of it the other day', () => {
    const binding = hold({ kind: 'answer', what: 'Ilse’s answer to the estimate' });
    expect(tell({ binding })).toMatchObject({ isWaitedFor: true });
    expect(tell({ binding }).reasons[0]).toBe('it waits for Ilse’s answer to the estimate');
    expect(tell({ binding, toldOn: '2026-03-09' })).toMatchObject({ reasons: [], isWaitedFor: false });
  });

  test('a promise passed since the last letter', () => {
    expect(tell({ promised: '2026-03-10' }).reasons[0]).toBe('its promise has passed');
    expect(tell({ promised: '2026-03-01' }).reasons).toEqual([]);
  });
});
