/**
 * What a screen reads again once something was logged is told by the contract: a route whose answer is another afterwards says that
 * it reads that logbook. Every route that is asked by nothing or by a build is asked before and after lines of every kind on one of
 * two builds. Nasty: a line that acts on a thing of another screen, a move, a correction, the other build's own pages.
 */
import { expect, test } from '@jest/globals';
import type { EntryAddDto } from '#contract/entries.ts';
import { paramNames, type RouteSpec } from '#contract/route.ts';
import { pathOf, ROUTES, type RouteName } from '#contract/routes.ts';
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
  for (const name of NAMES) {
    const { path } = ROUTES[name] as RouteSpec;
    for (const buildId of path.includes(':buildId') ? buildIds : ['']) {
      const { text, type } = await it.owner.get(path.replace(':buildId', buildId));
      // Files are asked for by a press, and read anew with each.
      if (/json/.test(type)) all.set(`${name} ${buildId}`, text);
    }
  }
  return all;
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
  let before = await answers([buildId, other]);
  const again = await answers([buildId, other]);
  /** What is another each time that it is asked says nothing here. */
  const restless = new Set([...again].filter(([key, text]) => before.get(key) !== text).map(([key]) => key));
  const touched = new Set<string>();
  const untold = new Set<string>();
  // Asking everything takes a while: it is done after a few lines at a time.
  for (let at = 0; at < lines.length; at += AT_A_TIME) {
    const said = lines.slice(at, at + AT_A_TIME);
    for (const of of said) await it.owner.post(pathOf('entryAdd', { buildId })).send(line(of)).expect(200);
    const after = await answers([buildId, other]);
    for (const [key, text] of after) {
      if (before.get(key) === text || restless.has(key)) continue;
      const [name = '', of] = key.split(' ');
      touched.add(name);
      const { builds } = ROUTES[name as RouteName] as RouteSpec;
      if (builds !== 'every build' && (builds === 'none' || of !== buildId))
        untold.add(
          `${name}${of === other ? ' of the other build' : ''} by “${said.map((of) => of.text).join('”, “')}”`,
        );
    }
    before = after;
  }
  expect([...untold]).toEqual([]);
  expect(restless.size).toBeLessThan(4);
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
