/** The demo is filled on whatever weekday somebody starts it first: what fell on a Sunday is moved to the Saturday before. */
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@jest/globals';
import { PLAYBOOKS } from '#core/work/playbooks/index.ts';

const FOLDER = path.join(import.meta.dirname, 'stories');
/** A step is over so long after its day’s first hour at the latest. */
const LONGEST_DAY_HOURS = 15;

interface Worked {
  key: string;
  daysAgo: number;
}

/** Days ago, once Sundays are moved. `sunday`: how many days ago the last one was. */
const worked = (daysAgo: number, sunday: number): number =>
  (daysAgo - sunday) % 7 === 0 ? daysAgo + 1 : daysAgo;

const stories = readdirSync(FOLDER).map((name) => {
  const rows = readFileSync(path.join(FOLDER, name), 'utf8').split('\n');
  const playbooks = rows.flatMap((row) => /^\d+ \w @playbook (\S+)/.exec(row)?.[1] ?? []);
  const steps = rows.flatMap((row): Worked[] => {
    const [, daysAgo, key] = /^(\d+) \w @worked (\S+)/.exec(row) ?? [];
    return key === undefined ? [] : [{ key, daysAgo: Number(daysAgo) }];
  });
  const needs = PLAYBOOKS.filter((p) => playbooks.includes(p.id)).flatMap((p) =>
    p.steps.flatMap((s) => s.needs.map((n) => ({ key: s.key, ...n }))),
  );
  return { name, steps, needs };
});

test.each([0, 1, 2, 3, 4, 5, 6])(
  'with the last Sunday %i days ago, what must harden or settle has the time for it',
  (sunday) => {
    let looked = 0;
    for (const { name, steps, needs } of stories)
      for (const { key, step: after, waitAtLeast = 0 } of needs) {
        const first = steps.filter((s) => s.key === after).at(-1);
        const then = steps.find((s) => s.key === key);
        if (waitAtLeast === 0 || !first || !then) continue;
        looked += 1;
        const hours = 24 * (worked(first.daysAgo, sunday) - worked(then.daysAgo, sunday));
        expect([name, key, hours - LONGEST_DAY_HOURS >= waitAtLeast / 60]).toEqual([name, key, true]);
      }
    expect(looked).toBeGreaterThan(1);
  },
);
