/**
 * Estimates over HTTP: lines, revisions, telephone answers, the discretion limit, the shop's terms. Nasty cases: two who
 * edit one line, the same request ten times at once, circles of needs, a revision that moved on, changing what was sent
 * behind the app's back, another build's line, amounts out of order.
 */
import { beforeAll, describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { EstimateLineDto, EstimateView } from '#contract/estimate.ts';
import { estimateLine, line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('estimates');

const RATES = {
  mechanical: 6000,
  metalwork: 6000,
  paint: 6000,
  trim: 6000,
  electrical: 6000,
  machining: 6000,
};
beforeAll(async () => {
  const terms = { version: 1, rates: RATES, taxBp: 2000, taxIncluded: false, sharedRisk: 0.3 };
  await it.owner.put(pathOf('termsSave')).send(terms).expect(200);
});

const put = (buildId: string, lineId: string, more: Partial<EstimateLineDto> = {}, agent = it.owner) =>
  agent.put(pathOf('estimateLinePut', { buildId, lineId })).send(estimateLine(more));
const read = async (buildId: string): Promise<EstimateView> =>
  (await it.owner.get(pathOf('estimateRead', { buildId })).expect(200)).body as EstimateView;
const send = (buildId: string, more: object = {}) =>
  it.owner.post(pathOf('revisionSend', { buildId })).send({ id: nextId(), note: '', after: 0, ...more });

/** A build with lines of these classes; answers the ids. */
async function buildWith(lines: Partial<EstimateLineDto>[], more: Record<string, unknown> = {}) {
  const buildId = await makeBuild(it.owner, more);
  const ids = lines.map(() => nextId());
  for (const [i, l] of lines.entries()) await put(buildId, ids[i]!, { title: `Line ${i}`, ...l }).expect(200);
  return { buildId, ids };
}

describe('lines', () => {
  test('the same request ten times at once is one line', async () => {
    const buildId = await makeBuild(it.owner);
    const id = nextId();
    const statuses = (await Promise.all(Array.from({ length: 10 }, () => put(buildId, id)))).map(
      (r) => r.status,
    );
    expect(new Set(statuses)).toEqual(new Set([200]));
    expect((await read(buildId)).lines).toHaveLength(1);
  });

  test('two who edit one line: the second is told what is there now, and loses nothing of it', async () => {
    const { buildId, ids } = await buildWith([{}]);
    await put(buildId, ids[0]!, { version: 1, title: 'First' }).expect(200);
    const { body } = await put(buildId, ids[0]!, { version: 1, title: 'Second' }, it.office).expect(409);
    expect(body.current).toMatchObject({ version: 2, content: { title: 'First' } });
    await put(buildId, ids[0]!, { version: 2, title: 'Second' }, it.office).expect(200);
  });

  test.each([
    ['minutes', { minutes: { low: 90, likely: 60, high: 120 } }, 'minutes'],
    ['parts', { parts: { low: 1, likely: 3, high: 2 } }, 'parts'],
    ['a title of spaces', { title: '  ' }, 'title'],
    ['half a penny', { sundriesMinor: 0.5 }, 'sundriesMinor'],
    ['an unknown kind of work', { work: 'upholstery' as never }, 'work'],
    ['a safety line that is to wait', { class: 'safety' as const, proposal: 'wait' as const }, 'proposal'],
    ['a field nobody knows', { colour: 'red' } as object, 'colour'],
  ])('%s is refused at its field', async (_, more, field) => {
    const buildId = await makeBuild(it.owner);
    const { body } = await put(buildId, nextId(), more).expect(400);
    expect(body.fields).toContainEqual(expect.objectContaining({ field }));
    expect((await read(buildId)).lines).toHaveLength(0);
  });

  test('lines need lines of the same estimate, and never in a circle', async () => {
    const { buildId, ids } = await buildWith([{}, {}]);
    const other = await buildWith([{}]);
    await put(buildId, ids[1]!, { version: 1, needs: [ids[0]!] }).expect(200);
    expect((await put(buildId, ids[0]!, { version: 1, needs: [ids[1]!] }).expect(400)).body.detail).toMatch(
      /circle/,
    );
    await put(buildId, ids[0]!, { version: 1, needs: other.ids }).expect(400);
    await put(other.buildId, ids[0]!, { version: 1 }).expect(404);
    const drop = (id: string, version: number) =>
      it.owner.delete(pathOf('estimateLineDrop', { buildId, lineId: id })).send({ version });
    expect((await drop(ids[0]!, 1).expect(400)).body.detail).toMatch(/needs this line/);
    await drop(ids[1]!, 2).expect(200);
    expect((await drop(ids[0]!, 1).expect(200)).body.lines).toEqual([]);
  });

  test('a finding becomes a line once', async () => {
    const buildId = await makeBuild(it.owner);
    const found = line({
      kind: 'found',
      text: 'found sill rotten',
      facts: { subject: 'sill', class: 'must' },
    });
    await it.owner.post(pathOf('entryAdd', { buildId })).send(found).expect(200);
    expect((await read(buildId)).findings).toEqual([
      expect.objectContaining({ id: found.id, subject: 'sill', class: 'must' }),
    ]);
    await put(buildId, nextId(), { findingId: found.id }).expect(200);
    expect(await read(buildId)).toMatchObject({ findings: [], lines: [{ findingId: found.id }] });
    await put(buildId, nextId(), { findingId: nextId() }).expect(404);
  });
});

describe('a revision', () => {
  test('is frozen, numbered, hashed and logged, and sent once however often it is pressed', async () => {
    const { buildId } = await buildWith([{}, { class: 'safety' }]);
    const id = nextId();
    const answers = await Promise.all([1, 2, 3].map(() => send(buildId, { id })));
    expect(answers.map((a) => a.status)).toEqual([200, 200, 200]);
    const [revision, ...others] = (await read(buildId)).revisions;
    expect(others).toEqual([]);
    // By hand: each line is 1 h at 60.00 and a part of 40.00; with 20 % tax 120.00.
    expect(revision).toMatchObject({ number: 1, content: { grossMinor: 24_000, taxMinor: 4000 } });
    expect(revision!.hash).toMatch(/^[0-9a-f]{64}$/);
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries.filter((e: { kind: string }) => e.kind === 'asked')).toHaveLength(1);
    expect((await send(buildId, { after: 1 }).expect(400)).body.detail).toMatch(/Nothing has changed/);
    await send(buildId, { after: 0 }).expect(409);
  });

  test('nothing to send is said; a line does not go without what it needs', async () => {
    await send(await makeBuild(it.owner)).expect(400);
    const { buildId, ids } = await buildWith([{ proposal: 'wait' }, {}]);
    await put(buildId, ids[1]!, { version: 1, title: 'Line 1', needs: [ids[0]!] }).expect(200);
    expect((await send(buildId).expect(400)).body.detail).toMatch(/which is not to be done/);
  });

  test('nobody changes or deletes what was sent or answered, not even behind the app’s back', async () => {
    const { buildId, ids } = await buildWith([{}]);
    await send(buildId).expect(200);
    const { revisions } = await read(buildId);
    await answer(buildId, revisions[0]!.id, { [ids[0]!]: 'approve' }).expect(200);
    for (const table of ['revisions', 'answers'])
      for (const sql of [
        `update ${table} set hash = hash`,
        `delete from ${table}`,
        `truncate ${table} cascade`,
      ])
        await expect(it.server.admin.query(sql)).rejects.toThrow(/never changed/);
  });
});

const answer = (buildId: string, revisionId: string, given: Record<string, string>, more: object = {}) =>
  it.office.post(pathOf('answerTake', { buildId, revisionId })).send({
    id: nextId(),
    name: 'Ilse Brandt',
    said: 'She rang at noon',
    understood: false,
    answers: Object.entries(given).map(([lineId, a]) => ({ lineId, answer: a })),
    ...more,
  });

describe('an answer by telephone', () => {
  test('counts, is marked as such, and says who took it down', async () => {
    const { buildId, ids } = await buildWith([{}, { class: 'nice' }]);
    await send(buildId).expect(200);
    const [revision] = (await read(buildId)).revisions;
    const { body } = await answer(buildId, revision!.id, {
      [ids[0]!]: 'approve',
      [ids[1]!]: 'decline',
    }).expect(200);
    expect(body).toMatchObject({
      approvedMinor: 12_000,
      answers: [{ via: 'telephone', takenBy: 'Ida Fenn', said: 'She rang at noon', name: 'Ilse Brandt' }],
      lines: [{ standing: { state: 'approved' } }, { standing: { state: 'declined' } }],
    });
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries[0].text).toBe('Ilse Brandt by telephone agreed to Line 0; declined Line 1 (estimate 1)');
  });

  test('every line needs an answer; a safety line left out needs their word, and then stands in the way of hand-over', async () => {
    const { buildId, ids } = await buildWith([{ class: 'safety', title: 'Brake pipes' }]);
    await send(buildId).expect(200);
    const [revision] = (await read(buildId)).revisions;
    await answer(buildId, revision!.id, {}).expect(400);
    const refused = await answer(buildId, revision!.id, { [ids[0]!]: 'decline' }).expect(400);
    expect(refused.body.fields).toEqual([expect.objectContaining({ field: 'understood' })]);
    const { body } = await answer(
      buildId,
      revision!.id,
      { [ids[0]!]: 'decline' },
      { understood: true },
    ).expect(200);
    expect(body.notRoadworthy).toEqual(['“Brake pipes” was declined']);
  });

  test('to an older revision is refused with the newer one', async () => {
    const { buildId, ids } = await buildWith([{}]);
    await send(buildId).expect(200);
    const [old] = (await read(buildId)).revisions;
    await put(buildId, ids[0]!, { version: 1, title: 'Line 0, both sides' }).expect(200);
    await send(buildId, { after: 1 }).expect(200);
    const { body } = await answer(buildId, old!.id, { [ids[0]!]: 'approve' }).expect(409);
    expect(body.current.number).toBe(2);
    const other = await makeBuild(it.owner);
    await answer(other, old!.id, { [ids[0]!]: 'approve' }).expect(404);
  });

  test('an approval holds for the line as it was: a dearer one is to be asked again', async () => {
    const { buildId, ids } = await buildWith([{}]);
    await send(buildId).expect(200);
    await answer(buildId, (await read(buildId)).revisions[0]!.id, { [ids[0]!]: 'approve' }).expect(200);
    await put(buildId, ids[0]!, { version: 1, title: 'Line 0', sundriesMinor: 1 }).expect(200);
    expect((await read(buildId)).lines[0]!.standing).toEqual({ state: 'changed', approvedMinor: 12_000 });
  });
});

describe('beginning work', () => {
  const begin = (buildId: string, lineId: string) =>
    it.owner.post(pathOf('estimateLineBegin', { buildId, lineId })).send({});

  test('without agreement is refused, with the way out; inside the discretion limit it is logged for the customer', async () => {
    // Each line comes to 120.00; the limit covers one of them.
    const { buildId, ids } = await buildWith([{}, {}], { discretionMinor: 15_000 });
    const { body } = await begin(buildId, ids[0]!).expect(200);
    expect(body).toMatchObject({ discretionUsedMinor: 12_000, lines: [{ discretionMinor: 12_000 }, {}] });
    await begin(buildId, ids[0]!).expect(200);
    const refused = await begin(buildId, ids[1]!).expect(403);
    expect(refused.body.detail).toMatch(
      /has not agreed to “Line 1”.*£30\.00 of the discretion limit is left/,
    );
    const { entries } = (await it.owner.get(pathOf('entriesList', { buildId }))).body;
    expect(entries).toEqual([
      expect.objectContaining({
        kind: 'decided',
        audience: 'customer',
        text: expect.stringContaining('£120.00'),
      }),
    ]);
  });

  test('twice at once uses the limit once', async () => {
    const { buildId, ids } = await buildWith([{}], { discretionMinor: 99_999 });
    await Promise.all([begin(buildId, ids[0]!), begin(buildId, ids[0]!), begin(buildId, ids[0]!)]);
    expect((await read(buildId)).discretionUsedMinor).toBe(12_000);
  });

  test('what is agreed may be begun and uses none of it', async () => {
    const { buildId, ids } = await buildWith([{}]);
    await send(buildId).expect(200);
    await answer(buildId, (await read(buildId)).revisions[0]!.id, { [ids[0]!]: 'approve' }).expect(200);
    expect((await begin(buildId, ids[0]!).expect(200)).body.discretionUsedMinor).toBe(0);
  });
});

test('proposals are set all at once, and never for a safety line', async () => {
  const { buildId, ids } = await buildWith([{}, {}, { class: 'safety' }]);
  const propose = (wait: string[]) => it.owner.put(pathOf('estimatePropose', { buildId })).send({ wait });
  const proposals = (view: EstimateView) => view.lines.map((l) => l.proposal);
  expect(proposals((await propose([ids[1]!]).expect(200)).body)).toEqual(['do', 'wait', 'do']);
  expect(proposals((await propose([]).expect(200)).body)).toEqual(['do', 'do', 'do']);
  expect((await propose([ids[2]!]).expect(400)).body.detail).toMatch(/safety line/);
});

describe('the shop’s terms', () => {
  test('two who change them: the second is told; the office reads but does not set them', async () => {
    const now = (await it.owner.get(pathOf('termsRead')).expect(200)).body;
    await it.owner
      .put(pathOf('termsSave'))
      .send({ ...now, taxBp: 1900 })
      .expect(200);
    await it.owner
      .put(pathOf('termsSave'))
      .send({ ...now, taxBp: 700 })
      .expect(409);
    await it.office
      .put(pathOf('termsSave'))
      .send({ ...now, version: 2, taxBp: 700 })
      .expect(403);
    await it.owner
      .put(pathOf('termsSave'))
      .send({ ...now, version: now.version + 1, taxBp: 12_000 })
      .expect(400);
    await it.owner
      .put(pathOf('termsSave'))
      .send({ ...now, version: now.version + 1 })
      .expect(200);
  });
});

test('openings: hours to take something apart, kept by name however it is written, forgotten with none', async () => {
  const buildId = await makeBuild(it.owner);
  const set = (body: object) => it.owner.put(pathOf('openingSet', { buildId })).send(body);
  await set({ name: ' Engine Out ', work: 'mechanical', minutes: 600 }).expect(200);
  const { body } = await set({ name: 'engine out', work: 'metalwork', minutes: 720 }).expect(200);
  expect(body.openings).toEqual([{ name: 'engine out', work: 'metalwork', minutes: 720 }]);
  const bad = await set({ name: '  ', work: 'magic', minutes: -1 }).expect(400);
  expect(bad.body.fields.map((f: { field: string }) => f.field).sort()).toEqual(['minutes', 'name', 'work']);
  expect((await set({ name: 'ENGINE OUT', work: 'trim', minutes: 0 }).expect(200)).body.openings).toEqual([]);
  await set({ name: 'x', work: 'trim', minutes: 1 }).expect(200);
});

describe('tables', () => {
  const bring = (buildId: string, more: object) =>
    it.owner.post(pathOf('estimateImport', { buildId })).send({ id: nextId(), keep: false, ...more });
  const TABLE = [
    'Description;Class;Hrs;Price;Colour',
    '"Sills, both sides";must;18;"190,50";red',
    'Rear bumper "chrome";nice;2;1.240,00;',
    ';;;;',
  ].join('\r\n');

  test('looked at first: columns guessed, rows counted, nothing kept', async () => {
    const buildId = await makeBuild(it.owner);
    const { body } = await bring(buildId, { text: `\ufeff${TABLE}` }).expect(400);
    expect(body.detail).toContain('quote');
    const good = TABLE.replace('Rear bumper "chrome"', 'Rear bumper');
    const seen = await bring(buildId, { text: `\ufeff${good}` }).expect(200);
    expect(seen.body).toMatchObject({
      header: ['Description', 'Class', 'Hrs', 'Price', 'Colour'],
      columns: ['title', 'class', 'hours', 'parts', null],
      lines: 2,
      faults: [],
      kept: false,
    });
    expect(seen.body.sample[0][0]).toBe('Sills, both sides');
    const { lines } = (await it.owner.get(pathOf('estimateRead', { buildId }))).body;
    expect(lines).toEqual([]);
  });

  test('one row that does not read keeps all of them out; the same import twice is one', async () => {
    const buildId = await makeBuild(it.owner);
    const text = 'title,hours,parts\nSills,18,190.50\nBumper,two,5\n,1,1\n';
    const bad = await bring(buildId, { text, keep: true }).expect(400);
    expect(bad.body.fields.map((f: { field: string }) => f.field)).toEqual(['row 3, hours', 'row 4, title']);
    const id = nextId();
    const good = { id, text: 'title,hours,parts\nSills,18,190.50\nBumper,2,5\n', keep: true };
    const sent = await Promise.all([1, 2, 3].map(() => bring(buildId, good)));
    expect(sent.map((r) => r.status)).toEqual([200, 200, 200]);
    const { lines } = (await it.owner.get(pathOf('estimateRead', { buildId }))).body;
    expect(lines.map((l: { title: string; parts: object }) => [l.title, l.parts])).toEqual([
      ['Sills', { low: 19_050, likely: 19_050, high: 19_050 }],
      ['Bumper', { low: 500, likely: 500, high: 500 }],
    ]);
    await bring(buildId, { text: 'a,b\n1,2', columns: ['title', 'title'] }).expect(400);
    await bring(buildId, { text: 'a,b\n1,2', columns: ['title', 'colour'] }).expect(400);
    const many = `title\n${'x\n'.repeat(399)}`;
    expect((await bring(buildId, { text: many, keep: true }).expect(400)).body.detail).toContain(
      'at most 400',
    );
  });

  test('out as CSV and in again elsewhere it is the same; formulas are guarded; JSON tells the rest', async () => {
    const [from, to] = [await makeBuild(it.owner), await makeBuild(it.owner)];
    const body = estimateLine({
      title: '=HYPERLINK("x")',
      why: 'rot; "bad", really',
      access: ['engine out'],
    });
    await it.owner
      .put(pathOf('estimateLinePut', { buildId: from, lineId: nextId() }))
      .send(body)
      .expect(200);
    const csv = await it.owner.get(pathOf('estimateCsv', { buildId: from })).expect(200);
    expect(csv.headers['content-disposition']).toMatch(
      /attachment; filename="?B-\d+-microcar-\d+-estimate\.csv"?$/,
    );
    expect(csv.text).toContain(`"'=HYPERLINK(""x"")"`);
    await bring(to, { text: csv.text, keep: true }).expect(200);
    const read = async (buildId: string) =>
      (await it.owner.get(pathOf('estimateRead', { buildId }))).body.lines[0] as Record<string, unknown>;
    const [a, b] = [await read(from), await read(to)];
    for (const field of [
      'title',
      'why',
      'class',
      'work',
      'minutes',
      'parts',
      'outwork',
      'sundriesMinor',
      'access',
    ])
      expect(b[field]).toEqual(a[field]);
    const json = await it.owner.get(pathOf('estimateJson', { buildId: from })).expect(200);
    expect(JSON.parse(json.text)).toMatchObject({
      build: { nickname: expect.stringMatching(/^microcar /) },
      currency: 'GBP',
      lines: [{ title: '=HYPERLINK("x")' }],
    });
    await it.technician.get(pathOf('estimateCsv', { buildId: from })).expect(403);
  });
});

describe('on paper', () => {
  const pages = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b/g)?.length ?? 0;
  const paper = async (path: string): Promise<Buffer> => {
    const { body, headers } = await it.owner.get(path).expect(200);
    expect(headers['content-type']).toBe('application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    return body as Buffer;
  };

  test('one page for one line; four hundred lines on many, and none torn in two; letters of other alphabets', async () => {
    const buildId = await makeBuild(it.owner, { vehicleName: 'Łódka Ærø', customerName: 'Ğü Şőrin 山' });
    const body = estimateLine({ title: 'Żebro “nośne” – 山', why: '' });
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId: nextId() }))
      .send(body)
      .expect(200);
    expect(pages(await paper(pathOf('estimatePdf', { buildId })))).toBe(1);
    const text = `title,why\n${`Line,${'a long why '.repeat(40)}\n`.repeat(399)}`;
    await it.owner
      .post(pathOf('estimateImport', { buildId }))
      .send({ id: nextId(), text, keep: true })
      .expect(200);
    const many = pages(await paper(pathOf('estimatePdf', { buildId })));
    expect(many).toBeGreaterThan(40);
    expect(many).toBeLessThan(120);
  });

  test('a revision stays as it was sent; another build’s is not there', async () => {
    const [buildId, elsewhere] = [await makeBuild(it.owner), await makeBuild(it.owner)];
    await it.owner
      .put(pathOf('estimateLinePut', { buildId, lineId: nextId() }))
      .send(estimateLine())
      .expect(200);
    const revisionId = nextId();
    await it.owner
      .post(pathOf('revisionSend', { buildId }))
      .send({ id: revisionId, note: 'As spoken.', after: 0 })
      .expect(200);
    await paper(pathOf('revisionPdf', { buildId, revisionId }));
    await it.owner.get(pathOf('revisionPdf', { buildId: elsewhere, revisionId })).expect(404);
    await it.technician.get(pathOf('revisionPdf', { buildId, revisionId })).expect(403);
  });
});
