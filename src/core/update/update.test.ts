/**
 * The draft of a letter. Nasty cases: nothing to tell, told before and corrected since, corrected before it was told,
 * withdrawn, entries of the shop only, figures against the ledger, hostile text on the page, everything left out.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { correction, entry } from '#tests/support/entries.ts';
import { effectiveEntries, type Entry } from '../log/entries.ts';
import { KIND_SPECS, KINDS, type Kind, type KindSpec } from '../log/kinds.ts';
import { formatMoney } from '../money/money.ts';
import { formatMinutes } from '../time/hours.ts';
import { openWaits } from '../waits/waits.ts';
import { draftLetter, type DraftInput } from './draft.ts';
import type { Letter } from './letter.ts';
import { letterHtml, letterText, toldParts } from './html.ts';
import { escapeHtml } from './escape.ts';
import { whyNotSend } from './sending.ts';

function draft(entries: Entry[], more: Partial<DraftInput> = {}): Letter {
  const effective = effectiveEntries(entries);
  const live = effective.filter((e) => !e.withdrawn);
  const sumOf = (counts: (spec: KindSpec) => boolean, fact: 'moneyMinor' | 'minutes'): number =>
    live.filter((e) => counts(KIND_SPECS[e.kind])).reduce((sum, e) => sum + (e.facts[fact] ?? 0), 0);
  return draftLetter({
    build: { number: 'B-0105', vehicle: 'Pipit Three microcar' },
    customerFirstName: 'Ilse',
    shopName: 'Saltmarsh Coachworks',
    ownerName: 'Wren Osgood',
    manner: { currency: 'GBP', locale: 'en-GB', today: '2026-03-11' },
    entries,
    toldUpTo: 0,
    totals: {
      spentMinor: sumOf((spec) => spec.money === 'spent', 'moneyMinor'),
      workedMinutes: sumOf((spec) => spec.minutes === 'worked', 'minutes'),
    },
    words: { greeting: '', closing: '' },
    detail: 'full',
    money: null,
    waits: openWaits(effective, 'Europe/London'),
    rests: new Set(),
    holds: { binding: null, others: [] },
    decisions: [],
    openQuestions: [],
    ready: { promised: null, told: null, restedDays: 0, waited: [] },
    next: '',
    followUps: [],
    ...more,
  });
}
const texts = (letter: Letter, id: string): string[] =>
  letter.parts.filter((p) => p.id === id).flatMap((p) => p.items.map((i) => i.text));

describe('what is next', () => {
  test('a promise that rested says what it was; what is due after hand-over, by miles or by its day', () => {
    const letter = draft([], {
      next: 'The second primer.',
      ready: { promised: '2026-03-26', told: null, restedDays: 10, waited: [] },
      followUps: [
        { id: 'a', title: 'Head bolts again', dueOn: null, dueMiles: 150 },
        { id: 'b', title: 'Hood tension', dueOn: '2026-04-10', dueMiles: 500 },
      ],
    });
    expect(texts(letter, 'next')).toEqual([
      'The second primer.',
      'Promised for Thu 26 Mar. 10 days that it rested for your reasons are in that.',
      'Due once it is on the road again: head bolts again, after 150 miles.',
      'Due once it is on the road again: hood tension, after 500 miles or by Fri 10 Apr.',
    ]);
  });
});

describe('what is told', () => {
  test('done, found with what it may cost, ordered, waiting, decided, costs and next, each in its part', () => {
    const letter = draft(
      [
        entry({ kind: 'did', text: 'did seat frame, 3h', facts: { subject: 'seat frame', minutes: 180 } }),
        entry({
          kind: 'found',
          text: 'found hood frame cracked, 70 and four hours, must',
          facts: { subject: 'hood frame', moneyMinor: 7000, minutes: 240, class: 'must' },
        }),
        entry({
          kind: 'ordered',
          text: 'ordered hood cloth, 96.50',
          facts: { subject: 'hood cloth', moneyMinor: 9650 },
        }),
        entry({
          kind: 'waiting',
          text: 'waiting on hood frame',
          facts: { subject: 'hood frame', on: '2026-03-02', due: '2026-03-06' },
        }),
        entry({ kind: 'decided', text: 'Ilse said yes to the cover', facts: {} }),
        entry({ kind: 'spent', text: 'spent 9.40', facts: { moneyMinor: 940 }, audience: 'shop' }),
      ],
      {
        next: 'Then the cover is cut.',
        ready: { promised: '2026-04-30', told: null, restedDays: 0, waited: [] },
      },
    );
    expect(letter.parts.map((p) => p.id)).toEqual([
      'done',
      'found',
      'ordered',
      'waiting',
      'decisions',
      'costs',
      'next',
    ]);
    expect(texts(letter, 'done')).toEqual(['Seat frame.']);
    expect(texts(letter, 'found')).toEqual(['Hood frame cracked. To put right: about £70.00 and 4 h.']);
    expect(texts(letter, 'waiting')).toEqual([
      'Waiting for the hood frame since Mon 2 Mar, which was due on Fri 6 Mar.',
    ]);
    expect(texts(letter, 'costs')).toEqual([
      'Parts, materials and outside work so far: £9.40. Hours worked so far: 3 h.',
    ]);
    expect(texts(letter, 'next')).toEqual(['Then the cover is cut.', 'Promised for Thu 30 Apr.']);
    expect(letter.greeting).toBe('Dear Ilse,');
  });

  test('photographs of an entry stay with its sentence', () => {
    const letter = draft([
      { ...entry({ kind: 'found', text: 'found rot' }), media: ['m1'] },
      entry({ kind: 'found', text: 'found wear' }),
    ]);
    const items = letter.parts.find((p) => p.id === 'found')!.items;
    expect(items.map((i) => i.media)).toEqual([['m1'], undefined]);
  });

  test('what is for the shop only is never told', () => {
    const secret = KINDS.filter((k) => k !== 'correction').map((kind) =>
      entry({ kind, text: `${kind} secret`, facts: { subject: 'secret' }, audience: 'shop' }),
    );
    const letter = draft(secret, { waits: [] });
    expect(JSON.stringify(letter)).not.toContain('secret');
  });

  test('the next letter begins after the last one', () => {
    const [old, fresh] = [
      entry({ kind: 'did', text: 'did doors' }),
      entry({ kind: 'did', text: 'did boot' }),
    ];
    expect(texts(draft([old, fresh], { toldUpTo: old.seq }), 'done')).toEqual(['Boot.']);
  });

  test('nothing done says so, and waiting gives the reason', () => {
    expect(draft([]).parts[0]).toMatchObject({ title: 'A quiet spell' });
    const old = entry({
      kind: 'waiting',
      text: 'waiting on glass',
      facts: { subject: 'glass', on: '2026-02-20' },
    });
    const letter = draft([old], { toldUpTo: old.seq });
    expect(letter.parts[0]!.items[0]!.text).toContain('stands waiting');
    expect(texts(letter, 'waiting')).toEqual(['Waiting for the glass since Fri 20 Feb.']);
    expect(letter.subject).toBe('Pipit Three microcar: waiting for the glass');
  });

  test('the subject names the newest thing, and does not say "adjusted done"', () => {
    expect(draft([entry({ kind: 'did', text: 'did hinges', facts: { subject: 'hinges' } })]).subject).toBe(
      'Pipit Three microcar: hinges done',
    );
    expect(
      draft([entry({ kind: 'did', text: 'x', facts: { subject: 'gear change adjusted' } })]).subject,
    ).toBe('Pipit Three microcar: gear change adjusted');
  });
});

describe('for whom it is', () => {
  const asked = entry({ kind: 'asked', text: 'asked Ilse about the hood', facts: {} });

  test('what was asked of them is asked of “you”; what was asked of a vendor is no question to them', () => {
    const vendor = entry({
      kind: 'asked',
      text: 'asked the welder about the frame',
      facts: { vendor: 'welder' },
    });
    const letter = draft([asked, vendor], {
      waits: [
        { entryId: 'a', subject: 'Ilse to say yes', since: '2026-03-02' },
        { entryId: 'b', subject: 'Ilse pays when she is in port', since: '2026-03-03' },
      ],
      rests: new Set(['b']),
      openQuestions: [{ id: 'q', text: 'asked Ilse about the seats', on: '2026-02-20' }],
    });
    expect(texts(letter, 'decide')).toEqual([
      'Still open since Fri 20 Feb: I asked you about the seats.',
      'I asked you about the hood.',
    ]);
    expect(texts(letter, 'decisions')).toEqual(['Asked the welder about the frame.']);
    expect(texts(letter, 'waiting')).toEqual([
      'Waiting for you to say yes since Mon 2 Mar.',
      'It rests since Tue 3 Mar: Ilse pays when she is in port.',
    ]);
  });

  test('brief: the newest five of what was done, no orders; enthusiast: the hours of each job', () => {
    const done = Array.from({ length: 7 }, (_, i) =>
      entry({ kind: 'did', text: `did job ${i}`, facts: { subject: `job ${i}`, minutes: 90 } }),
    );
    const ordered = entry({ kind: 'ordered', text: 'ordered hood cloth', facts: { subject: 'hood cloth' } });
    const brief = draft([...done, ordered], { detail: 'brief' });
    const out = brief.parts.flatMap((p) => p.items.filter((i) => i.leftOut).map((i) => i.text));
    expect(out).toEqual(['Job 0.', 'Job 1.', 'Hood cloth ordered.']);
    expect(texts(draft(done, { detail: 'enthusiast' }), 'done')[0]).toBe('Job 0 (1 h 30 min).');
  });

  test('greeting and closing in the shop’s own words', () => {
    const letter = draft([], {
      words: { greeting: 'Good day {name},', closing: '{owner} at {shop}' },
    });
    expect([letter.greeting, letter.closing]).toEqual([
      'Good day Ilse,',
      'Wren Osgood at Saltmarsh Coachworks',
    ]);
  });

  test('the price and class that a line ends in are said once, however the sentence goes', () => {
    const found = entry({
      kind: 'found',
      text: 'found brake pedal long after bleeding, master cylinder suspected, 95 and three hours, safety',
      facts: { subject: 'brake pedal', moneyMinor: 9500, minutes: 180, class: 'safety' },
    });
    expect(texts(draft([found]), 'found')).toEqual([
      'Brake pedal long after bleeding, master cylinder suspected. To put right: about £95.00 and 3 h.',
    ]);
  });
});

describe('corrections', () => {
  const now = { kind: 'did', text: 'did nearside door', facts: {}, audience: 'customer' } as const;

  test('corrected before it was told: only what holds is told', () => {
    const e = entry({ kind: 'did', text: 'did offside door' });
    const letter = draft([e, correction(e, now)]);
    expect(texts(letter, 'done')).toEqual(['Nearside door.']);
    expect(texts(letter, 'corrections')).toEqual([]);
  });

  test('told and corrected since: the letter says what it had said, also when that was a correction itself', () => {
    const e = entry({ kind: 'did', text: 'did offside door' });
    const early = correction(e, { ...now, text: 'did the door' });
    const late = correction(e, now);
    expect(texts(draft([e, late], { toldUpTo: e.seq }), 'corrections')).toEqual([
      'I wrote “did offside door”. In fact: Nearside door.',
    ]);
    expect(texts(draft([e, early, late], { toldUpTo: early.seq }), 'corrections')).toEqual([
      'I wrote “did the door”. In fact: Nearside door.',
    ]);
  });

  test('told and withdrawn since', () => {
    const e = entry({ kind: 'found', text: 'found rot', facts: { moneyMinor: 6000 } });
    const letter = draft([e, correction(e, 'withdrawn')], { toldUpTo: e.seq });
    expect(texts(letter, 'corrections')[0]).toContain('That was a mistake');
    expect(draft([e, correction(e, 'withdrawn')]).parts.map((p) => p.id)).not.toContain('found');
  });
});

test('figures in the letter are always the ledger’s (property, seed 7)', () => {
  const kind = fc.constantFrom<Kind>('did', 'ordered', 'spent', 'found', 'hours', 'arrived', 'fitted');
  const line = fc.record({
    kind,
    money: fc.integer({ min: 0, max: 5_000_000 }),
    minutes: fc.integer({ min: 1, max: 900 }),
    gone: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(line, { maxLength: 20 }), (lines) => {
      const made = lines.flatMap((l) => {
        const e = entry({ kind: l.kind, text: 'x', facts: { moneyMinor: l.money, minutes: l.minutes } });
        return l.gone ? [e, correction(e, 'withdrawn')] : [e];
      });
      const live = lines.filter((l) => !l.gone);
      const spent = live
        .filter((l) => ['did', 'arrived', 'spent'].includes(l.kind))
        .reduce((n, l) => n + l.money, 0);
      const worked = live
        .filter((l) => ['did', 'hours', 'fitted'].includes(l.kind))
        .reduce((n, l) => n + l.minutes, 0);
      expect(texts(draft(made), 'costs')).toEqual([
        `Parts, materials and outside work so far: ${formatMoney(spent, 'GBP', 'en-GB')}. Hours worked so far: ${formatMinutes(worked)}.`,
      ]);
    }),
    { seed: 7, numRuns: 200 },
  );
});

describe('on the page and in the mail', () => {
  const hostile = draft([entry({ kind: 'did', text: 'did <script>alert("1")</script> & \'doors\'' })]);

  test('every word is escaped (OWASP XSS prevention, rule 1)', () => {
    expect(escapeHtml(`<a href="x">&'`)).toBe('&lt;a href=&quot;x&quot;&gt;&amp;&#39;');
    const html = letterHtml({ ...hostile, greeting: '<b>', closing: '"><img src=x onerror=1>' });
    expect(html.replace(/<\/?(?:p|section|h2|ul|li|br)(?: class="[a-z]+")?>/g, '')).not.toMatch(/[<>]/);
  });

  test('what is left out or empty is on neither, and the link is in the mail', () => {
    const letter: Letter = {
      ...hostile,
      parts: [
        {
          id: 'done',
          title: 'Done',
          items: [
            { id: '1', text: 'kept', leftOut: false },
            { id: '2', text: 'left', leftOut: true },
            { id: '3', text: '  ', leftOut: false },
          ],
        },
        { id: 'found', title: 'Found', items: [{ id: '4', text: 'gone', leftOut: true }] },
      ],
    };
    expect(toldParts(letter)).toEqual([
      { title: 'Done', items: [{ id: '1', text: 'kept', leftOut: false }] },
    ]);
    const mail = letterText(letter, 'https://shop.example/l/abc');
    expect(mail).toContain('https://shop.example/l/abc');
    expect(letterHtml(letter) + mail).not.toMatch(/left|gone|Found/);
  });

  test('what cannot be sent says why', () => {
    expect(whyNotSend(hostile, 'ilse@example.org')).toBeNull();
    expect(whyNotSend(hostile, ' ')).toContain('no email');
    expect(whyNotSend({ ...hostile, subject: ' ' }, 'ilse@example.org')).toContain('subject');
    expect(whyNotSend({ ...hostile, parts: [] }, 'ilse@example.org')).toContain('nothing to tell');
  });
});
