/** Who is away. Nasty cases: nobody was said to do it, absences end to end, no end known, away from tomorrow only. */
import { describe, expect, test } from '@jest/globals';
import { whoIsAway, type Hand } from './away.ts';

const TODAY = '2026-03-11';
const hand = (name: string, skills: Hand['skills'], ...away: Hand['away'][number][]): Hand => ({
  name,
  skills,
  away,
});

describe('whom a kind of work waits for', () => {
  const nell = hand('Nell', ['paint', 'trim'], { from: '2026-03-09', to: '2026-03-13' });
  test('the only painter is away: until she is back', () =>
    expect(whoIsAway('paint', [nell, hand('Otto', ['metalwork'])], TODAY)).toEqual({
      name: 'Nell',
      since: '2026-03-09',
      back: '2026-03-14',
    }));
  test('somebody else does it, nobody was said to, or it is her last day and over: no wait', () => {
    expect(whoIsAway('paint', [nell, hand('Otto', ['paint'])], TODAY)).toBeNull();
    expect(whoIsAway('electrical', [nell], TODAY)).toBeNull();
    expect(whoIsAway('paint', [nell], '2026-03-14')).toBeNull();
    expect(whoIsAway('paint', [nell], '2026-03-08')).toBeNull();
  });
  test('absences without a day between are one; one without an end is later than any', () => {
    const twice = hand(
      'Nell',
      ['paint'],
      { from: '2026-03-09', to: '2026-03-13' },
      { from: '2026-03-14', to: '2026-03-20' },
    );
    const open = hand('Otto', ['paint'], { from: '2026-01-02', to: null });
    expect(whoIsAway('paint', [open, twice], TODAY)).toMatchObject({ name: 'Nell', back: '2026-03-21' });
    expect(whoIsAway('paint', [open], TODAY)).toEqual({ name: 'Otto', since: '2026-01-02', back: null });
  });
});
