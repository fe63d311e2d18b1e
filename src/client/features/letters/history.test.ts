import { describe, expect, test } from '@jest/globals';
import { beginHistory, changed, redone, throughout, undone } from './history.ts';

describe('taking back', () => {
  test('what is typed in one go at one place is one step; elsewhere, later and with a press are steps of their own', () => {
    let h = beginHistory('');
    for (const [text, place, at] of [
      ['a', 'x', 0],
      ['ab', 'x', 400],
      ['abc', 'x', 900],
      ['abc!', 'y', 1000],
      ['abc!?', 'y', 5000],
      ['left out', null, 5001],
    ] as const)
      h = changed(h, text, place, at);
    const back: string[] = [];
    for (; h.past.length > 0; back.push(h.now)) h = undone(h);
    expect(back).toEqual(['abc!?', 'abc!', 'abc', '']);
    for (let i = 0; i < 4; i += 1) h = redone(h);
    expect(h.now).toBe('left out');
    expect(redone(h)).toBe(h);
  });

  test('a change after taking back begins anew', () => {
    let h = changed(changed(beginHistory('a'), 'b', null, 0), 'c', null, 1);
    h = changed(undone(h), 'd', null, 2);
    expect(h.future).toEqual([]);
    expect(undone(h).now).toBe('b');
  });

  test('what somebody else changed is not taken back', () => {
    const h = throughout(changed(beginHistory('mine'), 'mine, more', 'x', 0), (s) => `${s} + theirs`);
    expect(undone(h).now).toBe('mine + theirs');
  });
});
