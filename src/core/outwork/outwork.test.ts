/**
 * Outwork. Nasty cases: nothing ticked, more back than went, the same piece twice, back in two goes, wrong, missing and found
 * again, fewer past batches than say anything.
 */
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import jStat from 'jstat';
import { daysBetween } from '../time/days.ts';
import { daysOut, expectedBack, ifSentOn, LEAST_PAST, quantile } from './expectedBack.ts';
import { afterReturn, piles, whyNotBack, whyNotInBatch, type CameBack, type Piece } from './outwork.ts';

const piece = (id: string, more: Partial<Piece> = {}): Piece => ({
  id,
  what: id,
  count: 1,
  treatment: 'plate',
  state: 'off',
  batchId: null,
  ...more,
});

describe('piles and batches', () => {
  test('by treatment, unsorted first; what is away or lies in a batch is on no pile', () => {
    const of = piles([
      piece('hinge'),
      piece('rail', { treatment: 'blast' }),
      piece('knob', { treatment: null }),
      piece('badge', { batchId: 'b1' }),
      piece('grille', { state: 'out', batchId: 'b2' }),
    ]);
    expect(of.map((p) => [p.treatment, p.pieces.map((o) => o.id)])).toEqual([
      [null, ['knob']],
      ['plate', ['hinge']],
      ['blast', ['rail']],
    ]);
  });

  test.each([
    [piece('hinge'), null],
    [piece('hinge', { batchId: 'b1' }), null],
    [piece('hinge', { batchId: 'b2' }), 'lies in another batch'],
    [piece('hinge', { state: 'out', batchId: 'b1' }), 'is out'],
    [piece('hinge', { state: 'on' }), 'is on the car again'],
    [piece('hinge', { treatment: null }), 'not sorted yet'],
    [piece('hinge', { treatment: 'chrome' }), 'to be: chrome'],
  ])('%j into a batch for plate: %s', (p, reason) => {
    const refused = whyNotInBatch(p, { id: 'b1', treatment: 'plate' });
    if (reason === null) expect(refused).toBeNull();
    else expect(refused).toContain(reason);
  });
});

describe('back, piece by piece', () => {
  const sent = [
    { pieceId: 'a', what: 'hinges', sent: 4, back: 0 },
    { pieceId: 'b', what: 'handle', sent: 1, back: 0 },
  ];
  const came = (pieceId: string, count: number, more: Partial<CameBack> = {}): CameBack => ({
    pieceId,
    count,
    check: 'right',
    ...more,
  });

  test.each([
    [[came('a', 5)], 'only 4 pieces are still out'],
    [[came('a', 0)], 'only 4 pieces are still out'],
    [[came('c', 1)], 'did not go with this batch'],
    [[came('a', 1), came('a', 1)], 'stands there twice'],
    [[came('b', 1, { check: 'damaged', note: ' ' })], 'say what is damaged'],
  ])('%j is refused', (list, reason) => {
    expect(whyNotBack(sent, list).map((f) => f.reason)).toEqual([expect.stringContaining(reason)]);
  });

  test('three of four hinges, and no handle: while more may come they are out; once nothing does, missing', () => {
    const states = (isAll: boolean) =>
      afterReturn(sent, [came('a', 3)], isAll).map((p) => [p.pieceId, p.lacking, p.state]);
    expect(states(false)).toEqual([
      ['a', 1, 'out'],
      ['b', 1, 'out'],
    ]);
    expect(states(true)).toEqual([
      ['a', 1, 'missing'],
      ['b', 1, 'missing'],
    ]);
  });

  test('what came back wrong lies on its pile again; what turns up later is as good as the rest', () => {
    expect(afterReturn(sent, [came('b', 1, { check: 'wrong', note: 'brass' })], false)[1]!.state).toBe('off');
    const later = [{ pieceId: 'a', what: 'hinges', sent: 4, back: 3 }];
    expect(whyNotBack(later, [came('a', 1)])).toEqual([]);
    expect(afterReturn(later, [came('a', 1)], true)).toEqual([
      { pieceId: 'a', back: 4, lacking: 0, state: 'ready' },
    ]);
  });

  test('whatever comes in how many goes: nothing is lost and nothing comes twice (seed 4)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 1, maxLength: 6 }),
        fc.array(fc.record({ at: fc.nat(5), count: fc.integer({ min: 1, max: 9 }) }), { maxLength: 20 }),
        (counts, goes) => {
          let now = counts.map((n, i) => ({ pieceId: `${i}`, what: `${i}`, sent: n, back: 0 }));
          for (const { at, count } of goes) {
            const list = [came(`${at}`, count)];
            if (whyNotBack(now, list).length > 0) continue;
            const after = afterReturn(now, list, false);
            now = now.map((s, i) => ({ ...s, back: after[i]!.back }));
          }
          const end = afterReturn(now, [], true);
          for (const [i, s] of now.entries()) {
            expect(s.back + end[i]!.lacking).toBe(s.sent);
            expect(end[i]!.state).toBe(s.back === s.sent ? 'ready' : 'missing');
          }
        },
      ),
      { seed: 4, numRuns: 200 },
    );
  });
});

describe('expected back', () => {
  const past = (...days: number[]) =>
    days.map((n) => ({
      sentOn: '2026-01-01',
      backOn: `2026-01-${String(1 + n).padStart(2, '0')}`,
    }));

  test('quantiles are those of a statistics library (jstat; with alphap = betap = 1 it is definition 7; seed 9)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(200), { minLength: 2, maxLength: 40 }), fc.nat(100), (days, percent) => {
        const p = percent / 100;
        const sorted = [...days].sort((a, b) => a - b);
        expect(quantile(sorted, p)).toBeCloseTo(jStat.quantiles(days, [p], 1, 1)[0]!, 9);
      }),
      { seed: 9, numRuns: 300 },
    );
  });

  test('median and eight of ten, in whole days; says how many it rests on', () => {
    expect(daysOut(past(10, 14, 12, 21, 13))).toEqual({ median: 13, p80: 16 });
    expect(expectedBack('2026-03-02', '2026-03-06', past(10, 14, 12, 21, 13))).toEqual({
      likely: '2026-03-15',
      late: '2026-03-18',
      restsOn: 5,
    });
  });

  test('a promise that is later than their past holds; an earlier one does not', () => {
    const days = past(10, 14, 12, 21, 13);
    expect(expectedBack('2026-03-02', '2026-03-17', days)).toMatchObject({
      likely: '2026-03-17',
      late: '2026-03-18',
    });
    expect(expectedBack('2026-03-02', '2026-04-01', days)).toMatchObject({
      likely: '2026-04-01',
      late: '2026-04-01',
    });
  });

  test('with too few past batches the vendor’s word; without a word nothing is made up', () => {
    const few = past(10, 14).slice(0, LEAST_PAST - 1);
    expect(expectedBack('2026-03-02', '2026-03-06', few)).toEqual({
      likely: '2026-03-06',
      late: null,
      restsOn: 0,
    });
    expect(expectedBack('2026-03-02', null, [])).toEqual({ likely: null, late: null, restsOn: 0 });
  });

  test('waiting longer is never back sooner, and never later than eight of ten says (seed 2)', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(27), { minLength: 3, maxLength: 12 }), (days) => {
        const { likely, late } = expectedBack('2026-03-02', null, past(...days));
        expect(likely! <= late!).toBe(true);
        expect(daysBetween('2026-03-02', late!)).toBeLessThanOrEqual(Math.max(...days));
      }),
      { seed: 2, numRuns: 100 },
    );
  });

  test('now or in a week: what stands until then, and whose promise passes', () => {
    const wanted = [
      { nickname: 'drophead', task: 'hang the doors', promised: '2026-03-16' },
      { nickname: 'drophead', task: 'hang the doors', promised: '2026-03-16' },
      { nickname: 'hearse', task: null, promised: null },
    ];
    const days = past(10, 14, 12, 21, 13);
    expect(ifSentOn('2026-03-02', null, days, wanted).holdsUp).toEqual([
      { nickname: 'drophead', tasks: ['hang the doors'], afterPromise: false },
      { nickname: 'hearse', tasks: [], afterPromise: false },
    ]);
    const later = ifSentOn('2026-03-09', null, days, wanted);
    expect(later.back.likely).toBe('2026-03-22');
    expect(later.holdsUp[0]!.afterPromise).toBe(true);
    expect(ifSentOn('2026-03-02', 7, [], []).back.likely).toBe('2026-03-09');
  });
});
