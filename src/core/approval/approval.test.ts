/**
 * Revisions and answers. Nasty cases: keys in another order, a safety line left undone without a word, a line that needs
 * a declined one, a line answered twice or not at all, a price that rose after it was agreed.
 */
import { describe, expect, test } from '@jest/globals';
import { NOTHING, type Terms } from '../estimate/lines.ts';
import {
  allowedBy,
  standingOf,
  whyNotAnswers,
  whyNotRoadworthy,
  whyNotWork,
  type Answer,
  type LineAnswer,
} from './answers.ts';
import { canonical } from './canonical.ts';
import { changesBetween, freeze, whyNotSend, type ProposedLine } from './revision.ts';

const terms: Terms = {
  rates: { mechanical: 6000, metalwork: 6000, paint: 6000, trim: 6000, electrical: 6000, machining: 6000 },
  taxBp: 2000,
  taxIncluded: false,
  sharedRisk: 0.3,
};
const line = (id: string, minor: number, more: Partial<ProposedLine> = {}): ProposedLine => ({
  id,
  title: `The ${id}`,
  why: 'it is worn',
  class: 'should',
  work: 'mechanical',
  minutes: NOTHING,
  parts: { low: minor, likely: minor, high: minor },
  outwork: NOTHING,
  sundriesMinor: 0,
  needs: [],
  access: [],
  proposal: 'do',
  ...more,
});
const sent = (lines: ProposedLine[], number = 1) =>
  freeze(lines, terms, { number, currency: 'GBP', note: '', budgetMinor: null });
const brakes = line('brakes', 10_000, { class: 'safety' });
const hatch = line('hatch', 4000);
const first = sent([brakes, hatch]);
const answers = (given: Record<string, Answer>): LineAnswer[] =>
  Object.entries(given).map(([lineId, answer]) => ({ lineId, answer }));

describe('canonical text', () => {
  // RFC 8785, section 3.2.3: keys sort by their UTF-16 code units, at every depth.
  test('keys sort as in RFC 8785, whatever order they came in', () => {
    const a = {
      '\u20ac': 'Euro Sign',
      '\r': 'Carriage Return',
      '1': 'One',
      '\u00f6': 'o',
      nested: { b: 1, a: [2, 1] },
    };
    expect(Object.keys(JSON.parse(canonical(a)) as object).filter((k) => k !== '1')).toEqual([
      '\r',
      'nested',
      '\u00f6',
      '\u20ac',
    ]);
    expect(canonical({ b: 1, a: 2 })).toBe('{"a":2,"b":1}');
    expect(canonical({ a: 2, b: 1, c: undefined })).toBe('{"a":2,"b":1}');
  });
});

describe('what is sent', () => {
  test('prices are with tax, and only lines to be done are added up', () => {
    const content = sent([brakes, { ...hatch, proposal: 'wait' }]);
    expect(content.lines.map((l) => l.grossMinor)).toEqual([12_000, 4800]);
    expect(content).toMatchObject({ grossMinor: 12_000, taxMinor: 2000 });
  });

  test('a safety line is never put off, and a line does not go without what it needs', () => {
    expect(whyNotSend([{ ...brakes, proposal: 'wait' }, hatch])).toMatch(/safety line/);
    const paint = line('paint', 9000, { needs: ['hatch'] });
    expect(whyNotSend([paint, { ...hatch, proposal: 'wait' }])).toMatch(/needs “The hatch”/);
    expect(whyNotSend([])).toMatch(/no line/);
    expect(whyNotSend([paint, hatch])).toBeNull();
  });

  test('a newer revision tells what it changes, line by line', () => {
    const newer = sent(
      [line('brakes', 12_000, { class: 'safety' }), { ...hatch, proposal: 'wait' }, line('sill', 50)],
      2,
    );
    expect(changesBetween(first, newer).map((c) => [c.id, c.change])).toEqual([
      ['brakes', 'dearer'],
      ['hatch', 'now waits'],
      ['sill', 'added'],
    ]);
    expect(
      changesBetween(newer, sent([line('sill', 50, { why: 'rust' })], 3)).map((c) => [c.id, c.change]),
    ).toEqual([
      ['sill', 'words'],
      ['brakes', 'dropped'],
      ['hatch', 'dropped'],
    ]);
    expect(changesBetween(first, first)).toEqual([]);
  });
});

describe('answers', () => {
  test('every line is answered once', () => {
    expect(whyNotAnswers(first, answers({ brakes: 'approve', hatch: 'wait' }), false)).toEqual([]);
    expect(whyNotAnswers(first, answers({ brakes: 'approve' }), false)).toMatchObject([
      { field: 'line.hatch' },
    ]);
    const twice = [...answers({ brakes: 'approve', hatch: 'wait' }), ...answers({ hatch: 'approve' })];
    expect(whyNotAnswers(first, twice, false)).toMatchObject([{ field: 'answers' }]);
    expect(
      whyNotAnswers(first, answers({ brakes: 'approve', hatch: 'wait', roof: 'approve' }), false),
    ).toMatchObject([{ field: 'answers' }]);
  });

  test.each(['decline', 'wait'] as const)('a safety line answered “%s” needs their word', (answer) => {
    const given = answers({ brakes: answer, hatch: 'approve' });
    expect(whyNotAnswers(first, given, false)).toMatchObject([{ field: 'understood' }]);
    expect(whyNotAnswers(first, given, true)).toEqual([]);
  });

  test('a question needs its words; a line is not approved without what it needs', () => {
    expect(whyNotAnswers(first, answers({ brakes: 'approve', hatch: 'ask' }), false)).toMatchObject([
      { field: 'line.hatch' },
    ]);
    const content = sent([brakes, hatch, line('paint', 10, { needs: ['hatch'] })]);
    const given = answers({ brakes: 'approve', hatch: 'wait', paint: 'approve' });
    expect(whyNotAnswers(content, given, false)).toMatchObject([{ field: 'line.paint' }]);
  });
});

describe('what then holds', () => {
  const answered = [{ revision: first, answers: answers({ brakes: 'approve', hatch: 'decline' }) }];
  const now = (lines: ProposedLine[]) => sent(lines).lines;

  test('an approval holds for the very promise it was given to', () => {
    const [same] = now([brakes]);
    expect(standingOf(same!, first, answered)).toEqual({ state: 'approved', approvedMinor: 12_000 });
    const [dearer] = now([line('brakes', 10_001, { class: 'safety' })]);
    expect(standingOf(dearer!, first, answered)).toEqual({ state: 'changed', approvedMinor: 12_000 });
  });

  test('the newest answer counts; unanswered lines are asked or open', () => {
    const later = [
      ...answered,
      { revision: first, answers: answers({ brakes: 'approve', hatch: 'approve' }) },
    ];
    expect(standingOf(now([hatch])[0]!, first, later).state).toBe('approved');
    expect(standingOf(now([hatch])[0]!, first, []).state).toBe('asked');
    expect(standingOf(now([line('roof', 5)])[0]!, first, []).state).toBe('open');
  });

  const gbp = { currency: 'GBP', locale: 'en-GB' };
  const work = (state: 'approved' | 'asked' | 'declined' | 'changed', discretionLeftMinor: number) => ({
    title: 'The hatch',
    standing: { state, approvedMinor: 0 },
    grossMinor: 4800,
    discretionLeftMinor,
  });
  test('work is allowed by agreement or by the discretion limit, to the penny', () => {
    expect(allowedBy(work('approved', 0))).toBe('agreed');
    expect(allowedBy(work('asked', 4800))).toBe('discretion');
    expect(allowedBy(work('asked', 4799))).toBeNull();
    expect(allowedBy(work('declined', 99_999))).toBeNull();
    expect(whyNotWork(work('asked', 4799), 'Marta', gbp)).toBe(
      'Marta has not agreed to “The hatch” yet, and it comes to £48.00, and £47.99 of the discretion limit is left. Send the estimate, or record what was said by telephone.',
    );
    expect(whyNotWork(work('declined', 99_999), 'Marta', gbp)).toMatch(/declined/);
    expect(whyNotWork(work('changed', 0), 'Marta', gbp)).toMatch(/changed since Marta agreed/);
    expect(whyNotWork(work('approved', 0), 'Marta', gbp)).toBeNull();
  });

  test('a safety line left undone keeps the car from being called roadworthy', () => {
    expect(whyNotRoadworthy([{ title: 'Brakes', class: 'safety', state: 'declined' }])).toEqual([
      '“Brakes” was declined',
    ]);
    expect(whyNotRoadworthy([{ title: 'Hatch', class: 'nice', state: 'declined' }])).toEqual([]);
  });
});
