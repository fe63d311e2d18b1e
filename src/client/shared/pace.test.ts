import { expect, test } from '@jest/globals';
import { Pace } from './pace.ts';

test('what comes seldom never waits', () => {
  const pace = new Pace(3, 1000);
  for (let ms = 0; ms < 20_000; ms += 1000) expect(pace.take(ms)).toBe(0);
});

test('two thousand in twenty seconds: a few at once, then one a second', () => {
  const pace = new Pace(10, 1000);
  let done = 0;
  for (let ms = 0; ms < 20_000; ms += 10) if (pace.take(ms) === 0) done += 1;
  expect(done).toBe(29);
});

test('it says how long to wait, and then there is one', () => {
  const pace = new Pace(1, 1000);
  expect(pace.take(500)).toBe(0);
  expect(pace.take(700)).toBe(800);
  expect(pace.take(1500)).toBe(0);
});
