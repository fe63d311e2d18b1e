/**
 * The logbook over HTTP on real PostgreSQL. Nasty cases: the same request ten times at once, the same id with other
 * words, changing a kept entry behind the app's back, corrections of corrections, another shop's build, unknown and
 * malformed fields, bodies too large, a line of the day before, midnight in another time zone.
 */
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { CostsView } from '#contract/costs.ts';
import type { EntriesView, EntryView } from '#contract/entries.ts';
import type { BuildView } from '#contract/builds.ts';
import { inShop } from '#server/db/pool.ts';
import {
  line,
  makeBuild,
  makeShop,
  nextId,
  signedIn,
  startServer,
  type Agent,
  type TestServer,
  type TestShop,
} from '#tests/support/server.ts';
import { wrongSums } from '#tests/support/ledger.ts';
import { logIn } from './entries.service.ts';
import { standingFromLogbook } from './standing.ts';

let server: TestServer;
let shop: TestShop;
let owner: Agent;
let tech: Agent;
let buildId: string;

beforeAll(async () => {
  server = await startServer();
  shop = await makeShop(server, 'one');
  owner = await signedIn(server, shop, 'owner');
  tech = await signedIn(server, shop, 'technician');
  buildId = await makeBuild(owner);
});
afterAll(() => server.stop());

const add = (agent: Agent, body: object, build = buildId) =>
  agent.post(pathOf('entryAdd', { buildId: build })).send(body);
const list = async (agent: Agent, query = ''): Promise<EntriesView> =>
  (await agent.get(pathOf('entriesList', { buildId }) + query).expect(200)).body as EntriesView;
/** What was spent and ordered on no line of the estimate. */
const notOnALine = async (): Promise<CostsView['build']['unallocated']> =>
  ((await owner.get(pathOf('costsRead', { buildId })).expect(200)).body as CostsView).build.unallocated;
const build = async (agent: Agent): Promise<BuildView> =>
  (await agent.get(pathOf('buildRead', { buildId })).expect(200)).body as BuildView;

describe('a run of speech', () => {
  const keep = (agent: Agent, lines: object[], nexts: object[] = [], more: object = {}) =>
    agent.post(pathOf('saidKeep')).send({ lines, nexts, ...more });
  const textsOf = async (id: string): Promise<string[]> =>
    ((await owner.get(pathOf('entriesList', { buildId: id })).expect(200)).body as EntriesView).entries.map(
      (e) => e.text,
    );

  test('lines of several cars and what is next, all at once, in the order of speaking', async () => {
    const [a, b] = [await makeBuild(owner), await makeBuild(owner)];
    const lines = [
      { ...line({ text: 'did the first', kind: 'did' }), buildId: a },
      { ...line({ text: 'did the second', kind: 'did' }), buildId: b },
      { ...line({ text: 'did the third', kind: 'did' }), buildId: a },
    ];
    const answers = await Promise.all(
      [1, 2, 3].map(() => keep(owner, lines, [{ buildId: b, next: ' the doors ' }])),
    );
    expect(answers.map((x) => [x.status, x.body])).toEqual(Array(3).fill([200, { kept: 4 }]));
    expect((await textsOf(a)).filter((t) => t.startsWith('did the'))).toEqual([
      'did the third',
      'did the first',
    ]);
    expect((await textsOf(b)).filter((t) => t === 'did the second')).toHaveLength(1);
    const { body } = await owner.get(pathOf('buildRead', { buildId: b })).expect(200);
    expect(body.next).toBe('the doors');
  });

  test('one line that cannot be: nothing of it is kept, and the field is named', async () => {
    const good = { ...line({ text: 'did what is fine', kind: 'did' }), buildId };
    const far = await keep(owner, [good, { ...line({ facts: { minutes: 0 } }), buildId }]).expect(400);
    expect(far.body.fields[0].field).toBe('lines.1.facts.minutes');
    const noSense = { ...line({ kind: 'waiting', facts: { minutes: 60 } }), buildId };
    const refused = await keep(owner, [good, noSense]).expect(400);
    expect(refused.body.fields[0].field).toBe('lines.1.facts.minutes');
    await keep(owner, [good, { ...line(), buildId: nextId() }]).expect(404);
    await keep(owner, [good, { ...line(), id: 'x', buildId }]).expect(400);
    await keep(owner, [good], [{ buildId, next: '  ' }]).expect(400);
    await keep(owner, Array(401).fill(good)).expect(400);
    expect(await textsOf(buildId)).not.toContain(good.text);
  });

  test('what is next is for the desk to say; a technician’s lines are kept', async () => {
    const mine = { ...line({ text: 'did it as a technician', kind: 'did' }), buildId };
    await keep(tech, [mine], [{ buildId, next: 'the hood' }]).expect(403);
    expect(await textsOf(buildId)).not.toContain(mine.text);
    await keep(tech, [mine]).expect(200, { kept: 1 });
  });

  test('spoken three hours ago without a network: it is of then', async () => {
    const [said, now] = ['did it in the far shed', 'did it here'].map((text) => ({
      ...line({ text }),
      buildId,
    }));
    await keep(owner, [said!], [], { agoMs: 3 * 3600_000 }).expect(200);
    await keep(owner, [now!]).expect(200);
    const at = async (id: string): Promise<number> =>
      Date.parse((await list(owner)).entries.find((e) => e.id === id)!.at);
    expect((await at(now!.id)) - (await at(said!.id))).toBe(3 * 3600_000);
  });
});

describe('logging', () => {
  test('a request sent ten times at once is one row and one answer', async () => {
    const body = line({ text: 'did brake pipes, 2h', facts: { subject: 'brake pipes', minutes: 120 } });
    const answers = await Promise.all(Array.from({ length: 10 }, () => add(owner, body)));
    expect(answers.map((a) => a.status)).toEqual(Array(10).fill(200));
    expect(new Set(answers.map((a) => JSON.stringify(a.body))).size).toBe(1);
    const { rows } = await server.admin.query('select count(*)::int as n from entries where id = $1', [
      body.id,
    ]);
    expect(rows[0].n).toBe(1);
  });

  test('the same id with other words is refused, and the first words stay', async () => {
    const body = line({ text: 'note first words', kind: 'note' });
    await add(owner, body).expect(200);
    const refused = await add(owner, { ...body, text: 'note other words' }).expect(409);
    expect(refused.body.type).toBe('urn:avrik:problem:conflict');
    expect((await list(owner)).entries.find((e) => e.id === body.id)?.text).toBe('note first words');
  });

  test('the numbers of a build become visible in their order, with twenty at once', async () => {
    const seen: number[] = [];
    const seqs = async (): Promise<number[]> =>
      (
        await server.admin.query<{ seq: string }>(
          'select seq from entries where build_id = $1 order by seq',
          [buildId],
        )
      ).rows.map((r) => Number(r.seq));
    const sent = await Promise.all(
      Array.from({ length: 20 }, async (_, i) => {
        const { status } = await add(owner, line({ text: `did panel ${i}` }));
        // Whatever comes later has a higher number than what was there before.
        const now = await seqs();
        const both = Math.min(now.length, seen.length);
        expect(now.slice(0, both)).toEqual(seen.slice(0, both));
        if (now.length > seen.length) seen.splice(0, seen.length, ...now);
        return status;
      }),
    );
    expect(sent.every((status) => status === 200)).toBe(true);
    expect(new Set(await seqs()).size).toBe(seen.length);
  });

  test('what is under way on one car holds up nobody who logs on another', async () => {
    const other = await makeBuild(owner);
    let release = (): void => undefined;
    const released = new Promise<void>((resolve) => (release = resolve));
    let begun = (): void => undefined;
    const isUnderWay = new Promise<void>((resolve) => (begun = resolve));
    const underWay = inShop(server.deps.db, shop.id, async (tx) => {
      const said = { kind: 'note', text: 'a long book is read in', personId: null } as const;
      await logIn(tx, server.deps, { id: buildId, nickname: 'microcar' }, said);
      begun();
      await released;
    });
    await isUnderWay;
    await add(owner, line({ text: 'note meanwhile' }), other).expect(200);
    release();
    await underWay;
    expect((await list(owner)).entries[0]!.text).toBe('a long book is read in');
  });

  test('money and hours add up on the build page, by kind', async () => {
    const [before, costsBefore] = [await build(owner), await notOnALine()];
    await add(
      owner,
      line({
        kind: 'spent',
        text: 'spent 18 on fixings',
        facts: { moneyMinor: 1800, subject: 'fixings' },
        audience: 'shop',
      }),
    ).expect(200);
    await add(
      owner,
      line({
        kind: 'ordered',
        text: 'ordered winders, 46.50',
        facts: { moneyMinor: 4650, subject: 'winders' },
      }),
    ).expect(200);
    await add(
      owner,
      line({ kind: 'found', text: 'found rot, 60 and 4h', facts: { moneyMinor: 6000, minutes: 240 } }),
    ).expect(200);
    await add(owner, line({ kind: 'hours', text: '2h', facts: { minutes: 120 }, audience: 'shop' })).expect(
      200,
    );
    const [after, costs] = [await build(owner), await notOnALine()];
    expect(costs.spentMinor - costsBefore.spentMinor).toBe(1800);
    expect(costs.committedMinor - costsBefore.committedMinor).toBe(4650);
    expect(after.workedMinutes - before.workedMinutes).toBe(120);
    expect(after.minutesByKind).toContainEqual({ kind: 'found', minutes: 240 });
  });

  test('yesterday’s work stands at yesterday’s noon, in the shop’s time zone', async () => {
    const other = await makeShop(server, 'auckland', { timeZone: 'Pacific/Auckland' });
    const agent = await signedIn(server, other, 'owner');
    const id = await makeBuild(agent);
    server.clock.set('2026-03-11T11:30:00.000Z'); // half past midnight on the 12th in Auckland
    const kept = (await add(agent, line({ facts: { on: '2026-03-11' } }), id).expect(200)).body as EntryView;
    expect(kept.at).toBe('2026-03-10T23:00:00.000Z');
    const today = (await add(agent, line({ facts: { on: '2026-03-12' } }), id).expect(200)).body as EntryView;
    expect(today.at).toBe('2026-03-11T11:30:00.000Z');
    server.clock.set('2026-03-11T10:00:00.000Z');
  });

  test('a wait opens, and what arrives closes it', async () => {
    await add(
      owner,
      line({
        kind: 'waiting',
        text: 'waiting on glass since monday',
        facts: { subject: 'glass', on: '2026-03-09' },
      }),
    ).expect(200);
    expect((await build(owner)).waits).toEqual([
      expect.objectContaining({ subject: 'glass', since: '2026-03-09' }),
    ]);
    await add(owner, line({ kind: 'arrived', text: 'glass arrived', facts: { subject: 'glass' } })).expect(
      200,
    );
    expect((await build(owner)).waits).toEqual([]);
  });

  test('moving the whole car changes its place; moving a part of it does not', async () => {
    await server.admin.query(
      `insert into places (shop_id, id, name, kind, position) values ($1, $2, 'Lift 1', 'lift', 1), ($1, $3, 'Booth', 'booth', 2)`,
      [shop.id, nextId(), nextId()],
    );
    await add(
      owner,
      line({ kind: 'moved', text: 'moved to lift 1', facts: { place: 'lift 1' }, audience: 'shop' }),
    ).expect(200);
    expect((await build(owner)).place).toBe('Lift 1');
    await add(
      owner,
      line({
        kind: 'moved',
        text: 'moved doors to booth',
        facts: { place: 'Booth', subject: 'doors' },
        audience: 'shop',
      }),
    ).expect(200);
    expect((await build(owner)).place).toBe('Lift 1');
  });

  test('a vendor named for the first time is known to the line afterwards', async () => {
    await add(
      owner,
      line({ kind: 'ordered', text: 'ordered hose from Tern & Sons', facts: { vendor: 'Tern & Sons' } }),
    ).expect(200);
    await add(
      owner,
      line({ kind: 'ordered', text: 'ordered clips from tern & sons', facts: { vendor: 'tern & sons' } }),
    ).expect(200);
    const known = await owner.get(pathOf('known')).expect(200);
    expect(known.body.vendors.map((v: { name: string }) => v.name)).toEqual(['Tern & Sons']);
  });
});

describe('what is kept stays', () => {
  test('the database refuses update, delete and truncate of entries, even to the tables’ owner', async () => {
    for (const sql of ["update entries set text = 'x'", 'delete from entries', 'truncate entries cascade'])
      await expect(server.admin.query(sql)).rejects.toThrow('entries are never changed');
  });

  test('the app’s own role is not even allowed to try', async () => {
    await expect(
      inShop(server.deps.db, shop.id, (tx) =>
        tx.run("update entries set text = 'x' where shop_id = :shopId"),
      ),
    ).rejects.toThrow('permission denied');
  });
});

describe('corrections', () => {
  const correct = (agent: Agent, body: object) =>
    agent.post(pathOf('entryCorrect', { buildId })).send({ id: nextId(), ...body });

  test('the entry says what holds now, the first words stay to be read, sums follow', async () => {
    const body = line({
      kind: 'spent',
      text: 'spent 18 on fixings',
      facts: { moneyMinor: 1800 },
      audience: 'shop',
    });
    await add(owner, body).expect(200);
    const before = await notOnALine();
    const now = { kind: 'spent', text: 'spent 81 on fixings', facts: { moneyMinor: 8100 }, audience: 'shop' };
    const answer = (await correct(owner, { correctsId: body.id, now }).expect(200)).body as EntryView;
    expect(answer).toMatchObject({
      text: 'spent 81 on fixings',
      corrected: { first: 'spent 18 on fixings' },
    });
    expect((await notOnALine()).spentMinor - before.spentMinor).toBe(6300);
    await correct(owner, {
      correctsId: body.id,
      now: { ...now, text: 'spent 80', facts: { moneyMinor: 8000 } },
    }).expect(200);
    expect((await notOnALine()).spentMinor - before.spentMinor).toBe(6200);
    await correct(owner, { correctsId: body.id, withdraw: true }).expect(200);
    expect((await notOnALine()).spentMinor - before.spentMinor).toBe(-1800);
    const kept = (await list(owner, '?kinds=correction')).entries.find((e) => e.id === body.id);
    expect(kept).toMatchObject({ withdrawn: true, corrected: { first: 'spent 18 on fixings' } });
  });

  test('a correction cannot be corrected, nor an entry of another build', async () => {
    const body = line();
    await add(owner, body).expect(200);
    const id = nextId();
    await correct(owner, { id, correctsId: body.id, withdraw: true }).expect(200);
    await correct(owner, { correctsId: id, withdraw: true }).expect(403);
    const elsewhere = await makeBuild(owner, { nickname: 'other' });
    const away = line();
    await add(owner, away, elsewhere).expect(200);
    await correct(owner, { correctsId: away.id, withdraw: true }).expect(404);
  });

  test('saying nothing, or both, is refused', async () => {
    const body = line();
    await add(owner, body).expect(200);
    await correct(owner, { correctsId: body.id }).expect(400);
    const { kind, text, facts, audience } = body;
    await correct(owner, {
      correctsId: body.id,
      withdraw: true,
      now: { kind, text, facts, audience },
    }).expect(400);
  });

  test('someone who does not see a price cannot correct it away', async () => {
    const body = line({ kind: 'spent', text: 'spent 18', facts: { moneyMinor: 1800 }, audience: 'shop' });
    await add(owner, body).expect(200);
    const refused = await correct(tech, { correctsId: body.id, withdraw: true }).expect(403);
    expect(refused.body.detail).toContain('price');
  });
});

describe('reading', () => {
  test('pages go back to the first entry with none missing and none twice', async () => {
    const seen: string[] = [];
    let query = '?limit=7';
    for (let page = 0; page < 100; page += 1) {
      const { entries, older } = await list(owner, query);
      seen.push(...entries.map((e) => e.id));
      if (older === null) break;
      query = `?limit=7&before=${encodeURIComponent(older)}`;
    }
    const { rows } = await server.admin.query(
      `select count(*)::int as n from entries where build_id = $1 and kind <> 'correction'`,
      [buildId],
    );
    expect(seen.length).toBe(rows[0].n);
    expect(new Set(seen).size).toBe(seen.length);
  });

  test('search takes % and _ as they are written', async () => {
    await add(
      owner,
      line({ kind: 'note', text: 'note humidity 100% in the booth', audience: 'shop' }),
    ).expect(200);
    expect((await list(owner, `?q=${encodeURIComponent('100%')}`)).entries).toHaveLength(1);
    expect((await list(owner, `?q=${encodeURIComponent('1_0%')}`)).entries).toHaveLength(0);
  });

  test('filters by kind, and refuses a kind that is none', async () => {
    const { entries } = await list(owner, '?kinds=found,note');
    expect(new Set(entries.map((e) => e.kind))).toEqual(new Set(['found', 'note']));
    await owner.get(`${pathOf('entriesList', { buildId })}?kinds=nonsense`).expect(400);
  });

  test('a technician sees no prices, in facts, sums or text', async () => {
    await add(
      owner,
      line({
        kind: 'ordered',
        text: 'ordered a hood for £1,250.00 from Tern & Sons',
        facts: { moneyMinor: 125_000 },
      }),
    ).expect(200);
    const seen = JSON.stringify([
      await list(tech),
      await build(tech),
      (await tech.get(pathOf('floor')).expect(200)).body,
    ]);
    expect(seen).not.toMatch(/moneyMinor|spentMinor|1,250|customerEmail|ilse@/);
    expect(seen).toContain('ordered a hood');
  });

  test('the ledger holds of each entry what its newest correction says', async () => {
    const { rows } = await server.admin.query(
      `select l.entry_id from ledger l full join entries_now e on e.shop_id = l.shop_id and e.id = l.entry_id
       where (l.build_id, l.seq, l.at, l.recorded_at, l.kind, l.withdrawn, l.about_type, l.minutes, l.money_minor) is distinct from
         (e.build_id, e.seq, e.at, e.recorded_at, e.kind, e.withdrawn, e.about_type, (e.facts ->> 'minutes')::int,
           (e.facts ->> 'moneyMinor')::bigint)`,
    );
    expect(rows).toEqual([]);
  });

  test('the sums kept with the ledger are what it comes to', async () => {
    expect(await wrongSums(server.admin)).toEqual([]);
  });

  test('the standing kept with the build is what the logbook says', async () => {
    const { rows } = await server.admin.query<{ id: string; standing: unknown }>(
      'select id, standing from builds where shop_id = $1',
      [shop.id],
    );
    expect(rows.length).toBeGreaterThan(1);
    for (const { id, standing } of rows)
      expect(standing).toEqual(
        await inShop(server.deps.db, shop.id, (tx) => standingFromLogbook(tx, id, 'Europe/London')),
      );
  });
});

describe('bad input', () => {
  const cases: [string, object, string][] = [
    ['an unknown field', { ...line(), colour: 'red' }, 'colour'],
    ['an unknown fact', { ...line(), facts: { colour: 'red' } }, 'facts.colour'],
    ['an empty line', line({ text: '   ' }), 'text'],
    ['a line too long', line({ text: 'x'.repeat(4001) }), 'text'],
    ['a kind that is none', { ...line(), kind: 'pondered' }, 'kind'],
    ['a correction sent as an entry', { ...line(), kind: 'correction' }, 'kind'],
    ['negative money', line({ facts: { moneyMinor: -1 } }), 'facts.moneyMinor'],
    ['half a penny', line({ facts: { moneyMinor: 0.5 } }), 'facts.moneyMinor'],
    ['a day that is none', line({ kind: 'ordered', facts: { due: '2026-02-30' } }), 'facts.due'],
    ['hours of a wait', line({ kind: 'waiting', facts: { minutes: 60 } }), 'facts.minutes'],
    ['an id that is none', { ...line(), id: '7' }, 'id'],
    [
      'a measure without unit',
      line({ facts: { measures: [{ value: 1, unit: '' }] } }),
      'facts.measures.0.unit',
    ],
  ];
  test.each(cases)('%s is refused at its field', async (_, body, field) => {
    const { body: problem, headers } = await add(owner, body).expect(400);
    expect(headers['content-type']).toMatch(/application\/problem\+json/);
    expect(problem.fields).toEqual(expect.arrayContaining([expect.objectContaining({ field })]));
    expect(problem).toMatchObject({ status: 400, title: expect.any(String), detail: expect.any(String) });
  });

  test('a body of two megabytes, no JSON, and no body', async () => {
    await add(owner, line({ text: 'x'.repeat(2_000_000) })).expect(413);
    await owner
      .post(pathOf('entryAdd', { buildId }))
      .set('content-type', 'application/json')
      .send('{"id":')
      .expect(400);
    await owner.post(pathOf('entryAdd', { buildId })).expect(400);
    await owner
      .post(pathOf('entryAdd', { buildId }))
      .set('content-type', 'text/plain')
      .send('hello')
      .expect(400);
  });

  test('hostile text is kept as text', async () => {
    const text = `note '); drop table entries; -- <script>alert(1)</script> \u202e ${'🔧'.repeat(50)}`;
    const kept = (await add(owner, line({ kind: 'note', text, audience: 'shop' })).expect(200))
      .body as EntryView;
    expect(kept.text).toBe(text);
  });

  test('a build that is not there, and an address that is no id', async () => {
    await add(owner, line(), nextId()).expect(404);
    await add(owner, line(), 'nonsense').expect(404);
  });
});
