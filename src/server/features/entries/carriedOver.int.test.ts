/**
 * A logbook that was kept before its lines pointed at things: carried over, every end points at the waits that it ended by name. Nasty: one
 * word in common, a plural, a place on the car, another car’s wait, an end before the wait, withdrawn ends, letters of other scripts.
 */
import { expect, test } from '@jest/globals';
import type { Knex } from 'knex';
import type { EntryAddDto } from '#contract/entries.ts';
import { pathOf } from '#contract/routes.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';
import { up } from '../../../../migrations/20261224_point_at_what_ends.ts';

const it = openShop('carriedOver');

const say = async (
  buildId: string,
  kind: EntryAddDto['kind'],
  facts: EntryAddDto['facts'],
): Promise<string> => {
  const text = `${kind} ${facts.subject ?? ''}`;
  const kept = await it.owner
    .post(pathOf('entryAdd', { buildId }))
    .send(line({ kind, text, facts }))
    .expect(200);
  return (kept.body as { id: string }).id;
};

test('ends point at what they ended, and at nothing else', async () => {
  const [car, other] = [await makeBuild(it.owner), await makeBuild(it.owner)];
  const early = await say(car, 'arrived', { subject: 'door glass' });
  const glass = await say(car, 'waiting', { subject: 'door glass', zone: 'left' });
  const elsewhere = await say(other, 'waiting', { subject: 'left door glass' });
  const türen = await say(car, 'waiting', { subject: 'Türgriffe' });
  const handles = await say(car, 'arrived', { subject: 'door handles' });
  const came = await say(car, 'arrived', { subject: 'the left door glasses' });
  const plural = await say(car, 'arrived', { subject: 'left door glass' });
  const withdrawn = await say(car, 'resumed', { subject: 'Türgriffe' });
  await it.owner
    .post(pathOf('entryCorrect', { buildId: car }))
    .send({ id: nextId(), correctsId: withdrawn, withdraw: true })
    .expect(200);
  const griffe = await say(car, 'resumed', { subject: 'türgriffe' });
  // As they were kept then.
  const admin = it.server.admin;
  await admin.query('alter table entries disable trigger entries_are_kept');
  await admin.query('update entries set acts = null, about_type = null, about_id = null');
  await admin.query('alter table entries enable trigger entries_are_kept');
  await up({ raw: (sql: string) => admin.query(sql) } as unknown as Knex);
  const { rows } = await admin.query<{ id: string; ends: string[] }>(
    `select id, array(select a ->> 'id' from jsonb_array_elements(acts) a) as ends from entries where acts is not null`,
  );
  const ends = Object.fromEntries(rows.map((r) => [r.id, r.ends]));
  expect(ends).toEqual({ [plural]: [glass], [griffe]: [türen] });
  for (const id of [early, handles, came, elsewhere]) expect(ends[id]).toBeUndefined();
  await expect(admin.query('update entries set acts = null')).rejects.toThrow();
});
