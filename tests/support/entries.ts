/** Builds entries for tests of the core; numbers count up. */
import type { Entry } from '#core/log/entries.ts';

let seq = 0;

export function entry(more: Partial<Entry> & Pick<Entry, 'kind' | 'text'>): Entry {
  seq += 1;
  return {
    id: `e${seq}`,
    seq,
    buildId: 'b',
    at: `2026-03-11T10:00:${String(seq % 60).padStart(2, '0')}.000Z`,
    recordedAt: '2026-03-11T10:00:00.000Z',
    personId: 'p',
    facts: {},
    audience: 'customer',
    correctsId: null,
    now: null,
    media: [],
    ...more,
  };
}

/** A correction of an entry; `now` is what holds. */
export const correction = (of: Entry, now: Entry['now']): Entry =>
  entry({ kind: 'correction', text: 'correction', audience: 'shop', correctsId: of.id, now });
