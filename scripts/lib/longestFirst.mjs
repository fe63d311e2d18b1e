import Sequencer from '@jest/test-sequencer';

/**
 * The longest files, longest first. On a machine that has run nothing yet Jest orders by the size of the files, which
 * says little here: one that begins last keeps one processor busy while the other waits.
 */
const LONGEST = [
  'server/http/roundTrips.int.test.ts',
  'server/backup/copies.int.test.ts',
  'server/http/fuzz.int.test.ts',
  'server/features/book/book.int.test.ts',
  'server/mail/handover.int.test.ts',
  'server/features/acts/acts.int.test.ts',
  'server/http/pricesUnseen.int.test.ts',
];

const place = (test) => {
  const at = LONGEST.findIndex((name) => test.path.endsWith(name));
  return at < 0 ? LONGEST.length : at;
};

export default class LongestFirst extends Sequencer {
  async sort(tests) {
    const bySize = await super.sort(tests);
    return bySize.toSorted((a, b) => place(a) - place(b));
  }
}
