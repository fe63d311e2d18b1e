/** Whether the server answers. Nasty cases: an old answer, an older one, an answer again, the same twice, no mark. */
import { expect, test } from '@jest/globals';
import { noAnswer, noteAnswer, onReturn, reachNow } from './reach.ts';
import { SEEN_HEADER } from './seen.ts';

const seen = (at: string): Headers => new Headers({ [SEEN_HEADER]: at });

test('answers, does not, shows what was seen, answers again', () => {
  let returns = 0;
  const leave = onReturn(() => (returns += 1));
  noteAnswer(new Headers());
  expect(reachNow()).toEqual({ answers: true, seenAt: null });
  noAnswer();
  expect(reachNow()).toEqual({ answers: false, seenAt: null });
  noteAnswer(seen('Wed, 11 Mar 2026 10:00:00 GMT'));
  // The oldest of what is shown counts.
  noteAnswer(seen('Wed, 11 Mar 2026 09:00:00 GMT'));
  noteAnswer(seen('Wed, 11 Mar 2026 11:00:00 GMT'));
  expect(reachNow()).toEqual({ answers: false, seenAt: '2026-03-11T09:00:00.000Z' });
  expect(returns).toBe(0);
  noteAnswer(new Headers());
  noteAnswer(new Headers());
  expect(reachNow()).toEqual({ answers: true, seenAt: null });
  expect(returns).toBe(1);
  leave();
  noAnswer();
  noteAnswer(new Headers());
  expect(returns).toBe(1);
});
