/**
 * What a screen reads again once something was logged or changed is told by the contract: a route whose answer is another afterwards
 * says that it reads that. Every route that is asked by nothing or by a build is asked before and after lines of every kind, and changes
 * by other routes, on one of two builds. Nasty: a line that acts on a thing of another screen, a move, the other build's own pages, what
 * belongs to no build.
 */
import { expect, test } from '@jest/globals';
import type { BuildView } from '#contract/builds.ts';
import type { EntryAddDto } from '#contract/entries.ts';
import { changedIn, isTouched, newsBy, paramNames, type Changed, type RouteSpec } from '#contract/route.ts';
import { addressOf, pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
import { estimateLine, line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('reads');
const AT_A_TIME = 4;

/** Asked by nothing, or by a build; not the stream of news. */
const NAMES = (Object.keys(ROUTES) as RouteName[]).filter((name) => {
  const { method, path, allow } = ROUTES[name] as RouteSpec;
  const isAsked = paramNames(path).every((param) => param === 'buildId');
  return method === 'get' && isAsked && allow !== 'anyone' && name !== 'live';
});

/** Answers by route and build. */
async function answers(buildIds: readonly string[]): Promise<Map<string, string>> {
  const all = new Map<string, string>();
  const ask = async (name: RouteName): Promise<void> => {
    const { path } = ROUTES[name] as RouteSpec;
    for (const buildId of path.includes(':buildId') ? buildIds : ['']) {
      const { text, type, headers } = await it.owner.get(path.replace(':buildId', buildId));
      // Files are asked for by a press, and read anew with each.
      if (/json/.test(type) && headers['content-disposition'] === undefined)
        all.set(`${name} ${buildId}`, text);
    }
  };
  const left = [...NAMES];
  const askOn = async (): Promise<void> => {
    for (let name = left.pop(); name !== undefined; name = left.pop()) await ask(name);
  };
  await Promise.all([1, 2, 3, 4].map(askOn));
  return all;
}

/** Asks everything; `touched` gathers what was another, `untold` what the contract does not say of it. */
async function watched(buildId: string, other: string) {
  let before = await answers([buildId, other]);
  const again = await answers([buildId, other]);
  /** What is another each time that it is asked says nothing here. */
  const restless = new Set([...again].filter(([key, text]) => before.get(key) !== text).map(([key]) => key));
  expect(restless.size).toBeLessThan(4);
  const touched = new Set<string>();
  const untold = new Set<string>();
  const look = async (changed: Changed, by: string, shown?: RouteSpec): Promise<void> => {
    // That a change of one build is none of another is asked of lines; of changes it would take too long.
    const isOneBuild = shown !== undefined && changed.builds !== 'every build' && changed.builds.has(buildId);
    const after = await answers(isOneBuild ? [buildId] : [buildId, other]);
    for (const [key, text] of after) {
      if (before.get(key) === text || restless.has(key)) continue;
      const [name = '', of] = key.split(' ');
      touched.add(name);
      const spec = ROUTES[name as RouteName];
      if (!isTouched(spec, of, changed) && !(spec === shown && of !== other))
        untold.add(`${name}${of === other ? ' of the other build' : ''} by ${by}`);
    }
    before = new Map([...before, ...after]);
  };
  return { touched, untold, look };
}

test('what is another after a line of the log says that it reads that logbook', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'fire pump' });
  const other = await makeBuild(it.owner, { nickname: 'hearse' });
  const [taskId, lineId, snagId, partId, placeId] = [nextId(), nextId(), nextId(), nextId(), nextId()];
  await it.owner
    .put(pathOf('placePut', { placeId }))
    .send({ version: 0, name: 'Lift 1', kind: 'lift', position: 0, closed: false })
    .expect(200);
  await it.owner
    .put(pathOf('taskPut', { buildId, taskId }))
    .send({ version: 0, title: 'Pump casing', work: 'mechanical', minutes: 90, cautions: [], needs: [] })
    .expect(200);
  await it.owner.put(pathOf('estimateLinePut', { buildId, lineId })).send(estimateLine()).expect(200);
  await it.owner
    .put(pathOf('snagPut', { buildId, snagId }))
    .send({ entryId: nextId(), station: 'rear', what: 'hose reel stiff' })
    .expect(200);

  const lines: Partial<EntryAddDto>[] = [
    { kind: 'note', text: 'note the bell is off' },
    { kind: 'found', text: 'found magneto weak, 2h', facts: { subject: 'magneto', minutes: 120 } },
    { kind: 'did', text: 'did brackets, 1h', facts: { subject: 'brackets', minutes: 60 } },
    {
      kind: 'did',
      text: 'casing closed, 1h',
      facts: { subject: 'pump casing', minutes: 60 },
      does: [{ act: 'work', type: 'task', id: taskId, isDone: true }],
    },
    {
      kind: 'ordered',
      text: 'ordered hose from Tern & Sons, 28',
      facts: { subject: 'hose', vendor: 'Tern & Sons', moneyMinor: 2800 },
      does: [{ act: 'order', type: 'part', id: partId }],
    },
    {
      kind: 'arrived',
      text: 'hose arrived',
      facts: { subject: 'hose' },
      does: [{ act: 'receive', type: 'part', id: partId }],
    },
    { kind: 'waiting', text: 'waiting on the customer', facts: { subject: 'the customer' } },
    { kind: 'spent', text: 'spent 12 on clips', facts: { subject: 'clips', moneyMinor: 1200 } },
    { kind: 'moved', text: 'moved to Lift 1', facts: { place: 'Lift 1' } },
    { kind: 'did', text: 'reel freed', does: [{ act: 'put right', type: 'snag', id: snagId }] },
    { kind: 'asked', text: 'asked about the bell', facts: { subject: 'the bell' }, audience: 'customer' },
  ];
  const { touched, untold, look } = await watched(buildId, other);
  // Asking everything takes a while: it is done after a few lines at a time.
  for (let at = 0; at < lines.length; at += AT_A_TIME) {
    const said = lines.slice(at, at + AT_A_TIME);
    for (const of of said) await it.owner.post(pathOf('entryAdd', { buildId })).send(line(of)).expect(200);
    await look(changedIn([buildId]), `“${said.map((of) => of.text).join('”, “')}”`);
  }
  expect([...untold]).toEqual([]);
  // It was looked: these are other after some of the lines.
  for (const name of [
    'floor',
    'buildRead',
    'entriesList',
    'workRead',
    'partsRead',
    'jobsRead',
    'costsRead',
    'planRead',
  ])
    expect([...touched]).toContain(name);
}, 120_000);

/** A change by a route: its parameters beside the build, and its body. */
type Change = [route: RouteName, params: Record<string, string>, body: object];

test('what is another after a change by a route is told by that route', async () => {
  const buildId = await makeBuild(it.owner, { nickname: 'tow truck' });
  const other = await makeBuild(it.owner, { nickname: 'side-car' });
  const ids = Array.from({ length: 24 }, nextId);
  const [taskId, lineId, partId, instalmentId, pieceId, batchId, symptomId, snagId, jobLine] = ids as [
    string,
    ...string[],
  ];
  const personId = it.shop.people.technician.id;
  const estimateTerms = (await it.owner.get(pathOf('termsRead')).expect(200)).body as object;
  const build = (await it.owner.get(pathOf('buildRead', { buildId })).expect(200)).body as BuildView;
  const { version, complaint, standard, tellEveryDays, tellBy, customerEmail } = build;
  const agreed = {
    version,
    complaint,
    standard,
    tellEveryDays,
    tellBy,
    customerEmail,
    discretionMinor: 25_000,
    promised: '2026-05-20',
  };
  const mail = {
    version: 0,
    host: '127.0.0.1',
    port: 2525,
    secure: 'none',
    userName: '',
    fromAddress: 'shop@example.org',
  };
  const part = {
    ...{
      version: 0,
      what: 'hose',
      quantity: 2,
      number: '',
      catalogue: '',
      instead: '',
      source: 'supplier',
      sourceNote: '',
      vendor: 'Oldgate',
    },
  };
  const CHANGES: Change[] = [
    [
      'placePut',
      { placeId: ids[10]! },
      { version: 0, name: 'Bay 2', kind: 'bay', position: 1, closed: false },
    ],
    ['vendorPut', { vendorId: ids[11]! }, { version: 0, name: 'Halcyon Platers' }],
    [
      'absencePut',
      { absenceId: ids[12]! },
      { version: 0, personId, from: '2026-03-10', to: '2026-03-13', reason: 'ill', isOff: false },
    ],
    ['ratePut', { rateId: ids[13]! }, { from: '2026-03-11', chargeMinor: 5500, costMinor: 2200 }],
    ['termsSave', {}, { ...estimateTerms, storagePerDayMinor: 450 }],
    ['letterWordsSave', {}, { greeting: 'Hello {name},', closing: '{shop}' }],
    ['mailServerPut', {}, mail],
    [
      'loanPut',
      { loanId: ids[14]! },
      { version: 0, what: 'torque wrench', lentTo: 'Ruan Teague', lentOn: '2026-03-02', due: '2026-03-09' },
    ],
    [
      'donorPut',
      { donorId: ids[15]! },
      { version: 0, name: 'grey hearse', place: 'yard', note: '', isGone: false },
    ],
    [
      'shopHoursPut',
      { hoursId: ids[16]! },
      { day: '2026-03-10', minutes: 90, what: 'swept the booth', isOff: false },
    ],
    ['benchLimitsPut', { calculator: 'boreSurvey' }, { form: { taperLimit_in: '0.004', nominal_in: '4' } }],
    ['agreedPut', {}, agreed],
    ['mannerPut', {}, { version: 1, detail: 'full', greeting: 'Dear', closing: '', textTo: '' }],
    [
      'readerPut',
      { readerId: ids[17]! },
      { name: 'Wilma Brandt', email: 'wilma@example.org', scope: 'money' },
    ],
    ['fittedSave', {}, { body: 'van', gas: true, highVoltage: false }],
    ['inspectionMark', {}, { checkpoint: 'gas/hose', mark: 'fine' }],
    ['pastSave', {}, { stoodSince: 2009, tyreCode: '', ownCar: false }],
    ['symptomPut', { symptomId: symptomId! }, { version: 0, words: 'The carpet is wet', removed: false }],
    ['pinnedSet', {}, { by: 'front axle off', freedBy: 'the dolly' }],
    [
      'taskPut',
      { taskId },
      { version: 0, title: 'Pump casing', work: 'mechanical', minutes: 90, cautions: [], needs: [] },
    ],
    ['taskStart', { taskId }, { spellId: ids[18]! }],
    ['spellStop', { spellId: ids[18]! }, { toGoMinutes: 30, done: false }],
    ['taskHours', { taskId }, { id: ids[19]!, minutes: 45, toGoMinutes: 10, done: false }],
    ['estimateLinePut', { lineId: lineId! }, estimateLine()],
    ['openingSet', {}, { name: 'engine out', work: 'mechanical', minutes: 600 }],
    ['revisionSend', {}, { id: ids[20]!, note: '', after: 0 }],
    [
      'instalmentPut',
      { instalmentId: instalmentId! },
      { version: 0, what: 'before the metalwork', askedMinor: 250_000, holds: true },
    ],
    [
      'instalmentPaid',
      { instalmentId: instalmentId! },
      { actId: ids[21]!, amountMinor: 250_000, on: '2026-03-11' },
    ],
    ['partPut', { partId: partId! }, part],
    [
      'piecePut',
      { pieceId: pieceId! },
      { version: 0, entryId: nextId(), what: 'grille', count: 1, bag: '', note: '', treatment: 'plate' },
    ],
    [
      'batchPut',
      { batchId: batchId! },
      { version: 0, vendor: 'Halcyon Platers', treatment: 'plate', note: '', pieceIds: [pieceId!] },
    ],
    ['batchSend', { batchId: batchId! }, { version: 1, actId: nextId(), pieceIds: [pieceId!] }],
    [
      'batchBack',
      { batchId: batchId! },
      { version: 2, actId: nextId(), came: [{ pieceId: pieceId!, count: 1, check: 'right' }], isAll: true },
    ],
    ['snagPut', { snagId: snagId! }, { entryId: nextId(), station: 'rear', what: 'hose reel stiff' }],
    ['snagEnd', { snagId: snagId! }, { entryId: nextId(), state: 'right', said: '' }],
    ['pausePut', { pauseId: ids[22]! }, { reason: 'at sea', side: 'customer' }],
    ['pauseEnd', { pauseId: ids[22]! }, {}],
    ['letterDraft', {}, { id: jobLine! }],
    ['linkRevoke', {}, {}],
    ['buildStage', {}, { id: nextId(), from: build.stage, to: 'closed' }],
  ];
  const { touched, untold, look } = await watched(buildId, other);
  for (const [route, params, body] of CHANGES) {
    const spec: RouteSpec = ROUTES[route];
    const { status, body: said } = await it.owner[spec.method](addressOf(route, { buildId, ...params })).send(
      body,
    );
    expect([route, status, status === 200 ? '' : said]).toEqual([route, 200, '']);
    await look(changedIn(newsBy(spec, buildId)), route, spec.shown?.by);
  }
  await makeBuild(it.owner, { nickname: 'fire engine' });
  await look(changedIn(newsBy(ROUTES.buildCreate, '')), 'buildCreate');
  expect([...untold]).toEqual([]);
  for (const name of [
    'shopLists',
    'known',
    'termsRead',
    'donorsRead',
    'closedList',
    'readersList',
    'workRunning',
  ])
    expect([...touched]).toContain(name);
}, 240_000);
