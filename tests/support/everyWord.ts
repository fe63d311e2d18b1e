/** What a reading of any text must be: every word of it in exactly one piece, or in chatter, in order. */
import { expect } from '@jest/globals';
import type { ReadResult } from '#core/reader/index.ts';

export function expectEveryWordOnce(text: string, { pieces, chatter }: ReadResult): void {
  const runs = [...pieces, ...chatter].sort((a, b) => a.start - b.start);
  let end = 0;
  for (const run of runs) {
    expect(run.start).toBeGreaterThanOrEqual(end);
    expect(run.end).toBeGreaterThan(run.start);
    expect(text.slice(end, run.start)).not.toMatch(/[\p{L}\p{N}]/u);
    end = run.end;
  }
  expect(text.slice(end)).not.toMatch(/[\p{L}\p{N}]/u);
}
