/**
 * The jobs of a shop that was there before them: the migration puts the findings, lines and tasks of the demo shop together as the shop
 * itself did while they were written. Nasty: a finding that became a line, lines that left the estimate, tasks of a playbook on no
 * line, entries that were put right.
 */
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { Knex } from 'knex';
import { startDemoServer, type TestServer } from '#tests/support/server.ts';
import { down, up } from '../../../../migrations/20261219_add_jobs.ts';

let server: TestServer;
beforeAll(async () => {
  server = await startDemoServer();
}, 180_000);
afterAll(() => server.stop());

/**
 * Everything that names its job, as the sets that belong together, each with what its job is called: of tasks alone nobody wrote down
 * what their playbook was called.
 */
async function jobs(): Promise<string[]> {
  const { rows } = await server.admin.query<{ title: string; of: string[] }>(
    `select j.title, array_agg(x.of order by x.of) as of from jobs j
     join (
       select job_id, 'line ' || id as of from estimate_lines
       union all select job_id, 'task ' || id from tasks where job_id is not null
       union all select job_id, 'finding ' || entry_id from ledger where job_id is not null) x on x.job_id = j.id
     group by j.id, j.title`,
  );
  const isOfTasks = (of: readonly string[]): boolean => of.every((x) => x.startsWith('task'));
  return rows.map(({ title, of }) => `${isOfTasks(of) ? '' : `${title}: `}${of.join(', ')}`).sort();
}

/** What was merged by hand is apart again: an old logbook says nothing of it. */
const partMerged = () =>
  server.admin.query(
    `update ledger h set job_id = (a.act -> 'before' ->> 'from')::uuid
     from entries e cross join jsonb_array_elements(e.acts) a (act)
     where a.act ->> 'act' = 'join' and a.act -> 'before' -> 'ids' ? h.entry_id::text`,
  );

test('what is carried over is what was written', async () => {
  expect((await partMerged()).rowCount).toBe(2);
  const before = await jobs();
  expect(before.length).toBeGreaterThan(50);
  expect(before.filter((j) => j.includes('line ') && j.includes('finding ')).length).toBeGreaterThan(5);
  const knex = { raw: (sql: string) => server.admin.query(sql) } as unknown as Knex;
  await down(knex);
  await up(knex);
  expect(await jobs()).toEqual(before);
});
