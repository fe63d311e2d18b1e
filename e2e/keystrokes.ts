/**
 * How long a practised person takes: the keystroke-level model (Card, Moran and Newell, "The keystroke-level model for user
 * performance time with interactive systems", Communications of the ACM 23(7), 1980). Operators as given there: a key 0.28 s
 * (average non-secretary typist), pointing 1.1 s, moving the hand between keyboard and mouse 0.4 s, making up one's mind 1.35 s.
 * Reading is no operator of the model; it is said beside it, at 238 words a minute (Brysbaert, "How many words do we read per
 * minute?", Journal of Memory and Language 109, 2019).
 */
import type { Page } from '@playwright/test';

const SECONDS = { key: 0.28, point: 1.1, hand: 0.4, mind: 1.35 };
const WORDS_A_MINUTE = 238;

export interface Counted {
  keys: number;
  points: number;
  /** Changes between keyboard and pointer. */
  hands: number;
}

declare global {
  interface Window {
    counted: Counted & { last: 'key' | 'point' };
  }
}

/** Counts keys and presses of the pointer on this page from its next load on. */
export async function countOn(page: Page): Promise<void> {
  await page.addInitScript(() => {
    window.counted = { keys: 0, points: 0, hands: 0, last: 'key' };
    const count = (by: 'key' | 'point'): void => {
      if (window.counted.last !== by) window.counted.hands += 1;
      window.counted.last = by;
      window.counted[by === 'key' ? 'keys' : 'points'] += 1;
    };
    addEventListener('keydown', (e) => e.isTrusted && count('key'), true);
    addEventListener('pointerdown', (e) => e.isTrusted && count('point'), true);
  });
}

export const countedSoFar = (page: Page): Promise<Counted> => page.evaluate(() => ({ ...window.counted }));

/** `minds`: how often one has to make up one's mind, which nobody can count from outside. */
export const secondsOf = ({ keys, points, hands }: Counted, minds: number): number =>
  keys * SECONDS.key + points * SECONDS.point + hands * SECONDS.hand + minds * SECONDS.mind;

export const secondsToRead = (text: string): number =>
  (text.split(/\s+/).filter((w) => w !== '').length / WORDS_A_MINUTE) * 60;
