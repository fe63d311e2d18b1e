/**
 * How builds end, and what of their customers is put right. Nasty cases: closed twice at once, a stage that somebody changed
 * meanwhile, a car that is not roadworthy, a nickname that is taken, by two at once, and by a reopened build; a technician.
 */
import { describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { BuildRow, BuildView, ClosedView } from '#contract/builds.ts';
import { line, makeBuild, nextId, openShop, type Agent } from '#tests/support/server.ts';

const it = openShop('stages');

const go = (buildId: string, from: string, to: string, more: object = {}, agent: Agent = it.owner) =>
  agent.post(pathOf('buildStage', { buildId })).send({ id: nextId(), from, to, ...more });
const floor = async (): Promise<string[]> =>
  ((await it.owner.get(pathOf('floor')).expect(200)).body as { builds: BuildRow[] }).builds.map((b) => b.id);
const gone = async (q: string): Promise<string[]> =>
  (
    (await it.technician.get(`${pathOf('closedList')}?q=${encodeURIComponent(q)}`).expect(200))
      .body as ClosedView
  ).builds.map((b) => b.id);
const read = async (buildId: string): Promise<BuildView> =>
  (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body;

describe('a build ends', () => {
  test('finished, handed over, closed: off the floor, found by searching, opened again; the logbook says each', async () => {
    const buildId = await makeBuild(it.owner, { nickname: 'landau', customerName: 'Cass Hollin' });
    await go(buildId, 'open', 'finished').expect(200);
    expect(await floor()).toContain(buildId);
    await go(buildId, 'finished', 'handed over', { word: 'with both keys' }).expect(200);
    expect(await floor()).not.toContain(buildId);
    await go(buildId, 'handed over', 'closed').expect(200);
    for (const search of ['land', 'HOLLIN', '', 'Pipit']) expect(await gone(search)).toContain(buildId);
    expect(await gone('percent % and _')).toEqual([]);
    const known = (await it.owner.get(pathOf('known')).expect(200)).body as { builds: { id: string }[] };
    expect(known.builds.map((b) => b.id)).not.toContain(buildId);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body;
    expect(entries.map((e: { text: string }) => e.text)).toEqual([
      'Closed',
      'Handed over: with both keys',
      'Finished',
    ]);
    await go(buildId, 'closed', 'open').expect(200);
    expect(await floor()).toContain(buildId);
    expect(await gone('landau')).toEqual([]);
  });

  test('twice at once it is closed once; who saw an older stage is told', async () => {
    const buildId = await makeBuild(it.owner);
    const both = await Promise.all([go(buildId, 'open', 'closed'), go(buildId, 'open', 'closed')]);
    expect(both.map((b) => b.status)).toEqual([200, 200]);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).body;
    expect(entries).toHaveLength(1);
    await go(buildId, 'open', 'finished').expect(409);
    await go(buildId, 'closed', 'handed over').expect(400);
  });

  test('what there is to do names only cars that are here: parts to find, pieces off, money that is looked at', async () => {
    const buildId = await makeBuild(it.owner, { nickname: 'gone car' });
    const part = {
      version: 0,
      what: 'door glass',
      number: '',
      quantity: 1,
      catalogue: 'Oldgate 1958',
      instead: '',
    };
    await it.owner
      .put(pathOf('partPut', { buildId, partId: nextId() }))
      .send({ ...part, source: 'supplier', sourceNote: '', vendor: '' })
      .expect(200);
    const piece = { version: 0, what: 'door hinges', count: 4, bag: '12', note: '', treatment: 'plate' };
    await it.owner
      .put(pathOf('piecePut', { buildId, pieceId: nextId() }))
      .send({ ...piece, entryId: nextId() })
      .expect(200);
    const spent = {
      ...line(),
      kind: 'spent',
      text: 'spent 12 on bulbs',
      facts: { moneyMinor: 1200 },
      audience: 'shop',
    };
    await it.owner.post(pathOf('entryAdd', { buildId })).send(spent).expect(200);
    const named = async (): Promise<boolean[]> => {
      const lists = ['partsDesk', 'outworkRead', 'costsDesk'] as const;
      const answers = await Promise.all(lists.map((l) => it.owner.get(pathOf(l)).expect(200)));
      return answers.map((a) => a.text.includes(buildId));
    };
    expect(await named()).toEqual([true, true, true]);
    await go(buildId, 'open', 'handed over').expect(200);
    // One that went home may still owe money; the file is closed when it does not.
    expect(await named()).toEqual([false, false, true]);
    await go(buildId, 'handed over', 'closed').expect(200);
    expect(await named()).toEqual([false, false, false]);
  });

  test('a technician does not end one, and can still log to one that is closed', async () => {
    const buildId = await makeBuild(it.owner);
    await go(buildId, 'open', 'closed', {}, it.technician).expect(403);
    await go(buildId, 'open', 'closed').expect(200);
    await it.technician.post(pathOf('entryAdd', { buildId })).send(line()).expect(200);
  });
});

describe('a nickname is one open build’s', () => {
  test('refused at its field; two at once make one; a closed build leaves it free, and cannot come back under it', async () => {
    const make = (nickname: string) =>
      it.owner.post(pathOf('buildCreate')).send({
        ...{ id: nextId(), customerId: nextId(), vehicleId: nextId(), vehicleName: 'Tug', nickname },
        ...{ customerName: 'Port Office', customerEmail: 'port@example.org', standard: 'driver' },
      });
    const both = await Promise.all([make('tug'), make('TUG')]);
    expect(both.map((b) => b.status).sort()).toEqual([200, 400]);
    expect(both.find((b) => b.status === 400)!.body.fields[0].field).toBe('nickname');
    const first = both.find((b) => b.status === 200)!.body.id as string;
    await go(first, 'open', 'closed').expect(200);
    const second = (await make('tug').expect(200)).body.id as string;
    expect((await go(first, 'closed', 'open').expect(400)).body.fields[0].field).toBe('nickname');
    await go(second, 'open', 'closed').expect(200);
    await go(first, 'closed', 'open').expect(200);
  });
});

describe('a customer and a nickname are put right', () => {
  test('name, mailbox, telephone, address, language, nickname; an older form is told; a name that is taken is refused', async () => {
    const buildId = await makeBuild(it.owner, { nickname: 'estate' });
    await makeBuild(it.owner, { nickname: 'hearse' });
    const { customerRecord } = await read(buildId);
    const put = (more: object = {}) =>
      it.office.put(pathOf('customerPut', { buildId })).send({
        ...{
          id: nextId(),
          version: customerRecord!.version,
          nickname: 'old estate',
          name: 'Ilse Brandt-Kern',
        },
        ...{ email: 'ilse@example.net', phone: '+49 30 000', address: 'Hafen 1', language: 'de', ...more },
      });
    expect((await put({ nickname: 'Hearse' }).expect(400)).body.fields[0].field).toBe('nickname');
    expect((await put({ language: 'xx' }).expect(400)).body.fields[0].field).toBe('language');
    await put().expect(200);
    await put().expect(409);
    const after = await read(buildId);
    expect(after).toMatchObject({
      nickname: 'old estate',
      customer: 'Ilse Brandt-Kern',
      customerEmail: 'ilse@example.net',
    });
    expect(after.customerRecord).toMatchObject({ phone: '+49 30 000', address: 'Hafen 1', language: 'de' });
    const { body } = await it.technician.get(pathOf('buildRead', { buildId })).expect(200);
    expect(JSON.stringify(body)).not.toMatch(/example\.net|\+49|Hafen/);
  });
});
