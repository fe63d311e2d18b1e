/**
 * Histories that nobody thought of: lines in any order that order, receive, fit, wait, end waits, begin, stop, book hours, spend,
 * are put right and are taken back, and what pages do besides: rest, go on, hours typed, tasks dropped and taken up. After each of them all pages that show a fact agree on it, a start does what the work page said
 * it would, and the same request twice is once. What is refused leaves everything as it was. At the end
 * the letter and the customer’s page say what the costs and the waits say.
 */
import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { EntriesView, EntryAddDto, EntryView } from '#contract/entries.ts';
import type { BuildView } from '#contract/builds.ts';
import type { OutworkView, PiecesView } from '#contract/outwork.ts';
import type { PartsView } from '#contract/parts.ts';
import { pathOf } from '#contract/routes.ts';
import type { WorkView } from '#contract/work.ts';
import type { ActOn, OpenThing, ThingType } from '#core/acts/acts.ts';
import { agree, letterAgrees, pages, reader, things } from '#tests/support/agreeing.ts';
import { estimateLine, line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('histories');
const read = reader(it);

/** Of an entry that was kept, what putting it right needs. */
type Kept = Pick<EntryView, 'id' | 'kind' | 'text' | 'facts' | 'audience'>;

/** What a step picks from: `pick` chooses among the things that there are. */
interface Step {
  what: (typeof STEPS)[number];
  pick: number;
  amount: number;
}
const STEPS = [
  'order',
  'receive',
  'receive as wrong',
  'expect',
  'fit',
  'wait',
  'release',
  'start',
  'stop',
  'work',
  'finish',
  'spend',
  'find',
  'find more',
  'join',
  'rest',
  'go on',
  'type hours',
  'drop',
  'take up again',
  'need',
  'plan',
  'write part',
  'change part',
  'change task',
  'begin',
  'take off',
  'fill',
  'send out',
  'check in',
  'put right',
  'take back',
] as const;

const step: fc.Arbitrary<Step> = fc.record({
  what: fc.constantFrom(...STEPS),
  pick: fc.nat(99),
  amount: fc.integer({ min: 1, max: 400 }),
});

/** One of each, in an order in which each can be done. */
const ALL: Step[] = (
  [
    ...([
      'order',
      'receive',
      'fit',
      'order',
      'receive as wrong',
      'order',
      'expect',
      'start',
      'stop',
    ] as const),
    ...(['work', 'wait', 'start', 'release', 'stop', 'finish', 'spend'] as const),
    ...(['find', 'find more', 'join', 'rest', 'go on', 'type hours', 'drop', 'take up again'] as const),
    ...(['need', 'write part', 'change part', 'plan', 'change task'] as const),
    ...(['begin', 'take off', 'fill', 'send out', 'check in', 'put right', 'take back'] as const),
  ] as const
).map((what, i) => ({ what, pick: 2 * i, amount: 30 * i + 5 }));

/** The line that a step comes to; null where there is nothing to do it to. */
function said(
  { what, pick, amount }: Step,
  open: readonly OpenThing[],
): { does: ActOn[]; dto: Partial<EntryAddDto> } | null {
  const one = (type: ThingType, ...states: string[]): OpenThing | undefined => {
    const all = open.filter((t) => t.type === type && (states.length === 0 || states.includes(t.state)));
    return all[pick % Math.max(1, all.length)];
  };
  const on = (act: ActOn['act'], thing: OpenThing | undefined, dto: Partial<EntryAddDto>, more = {}) =>
    thing ? { does: [{ act, type: thing.type, id: thing.id, ...more }], dto } : null;
  const plain = (dto: Partial<EntryAddDto>) => ({ does: [], dto });
  const subject = `thing ${pick % 7}`;
  switch (what) {
    case 'order': {
      const facts = { subject, vendor: 'Tern & Sons', moneyMinor: amount * 100 };
      const id = nextId();
      return {
        does: [{ act: 'order', type: 'part', id }],
        dto: { kind: 'ordered', text: `ordered ${subject}`, facts },
      };
    }
    case 'need':
      return {
        does: [{ act: 'need', type: 'part', id: nextId() }],
        dto: { kind: 'needs', text: `needs ${subject}`, facts: { subject, quantity: (pick % 4) + 1 } },
      };
    case 'plan':
      return {
        does: [{ act: 'plan', type: 'task', id: nextId() }],
        dto: { kind: 'planned', text: `planned ${subject}`, facts: { subject, minutes: amount } },
      };
    case 'receive':
      return on('receive', one('part', 'ordered'), { kind: 'arrived', text: 'it came', facts: { subject } });
    case 'receive as wrong':
      return on(
        'receive',
        one('part', 'ordered'),
        { kind: 'arrived', text: 'the wrong one' },
        { check: 'wrong' },
      );
    case 'expect': {
      const due = `2026-04-${String((amount % 28) + 1).padStart(2, '0')}`;
      const facts = { subject, due };
      return on('expect', one('part', 'ordered'), { kind: 'waiting', text: `waiting on it, ${due}`, facts });
    }
    case 'fit':
      return on('fit', one('part', 'arrived'), { kind: 'fitted', text: 'fitted it', facts: { subject } });
    case 'wait':
      return plain({ kind: 'waiting', text: `waiting on ${subject}`, facts: { subject } });
    case 'release':
      return on('release', one('hold'), { kind: 'resumed', text: 'it goes on', facts: { subject } });
    case 'start':
      return on('start', one('task', 'to do'), { kind: 'note', text: 'begun' });
    case 'stop':
      return on('stop', one('task', 'going'), { kind: 'note', text: 'stopped' });
    case 'work': {
      const facts = { subject, minutes: amount };
      const dto = { kind: 'did', text: `did ${subject}, ${amount} min`, facts } as const;
      return pick % 3 === 0 ? plain(dto) : on('work', one(pick % 3 === 1 ? 'task' : 'line'), dto);
    }
    case 'finish':
      return on('finish', one('task', 'to do', 'going'), { kind: 'did', text: 'all of it done', facts: {} });
    case 'spend':
      return plain({
        kind: 'spent',
        text: `spent on ${subject}`,
        facts: { subject, moneyMinor: amount * 10 },
      });
    case 'find':
      return plain({ kind: 'found', text: `${subject} cracked`, facts: { subject, minutes: amount } });
    case 'find more':
      return on('add', one('job'), { kind: 'found', text: `${subject} bent`, facts: { subject } });
    default:
      return null;
  }
}

type Did = { status: number; again: () => Promise<number> };

/** What is done on a page and not by a line; undefined for all else. */
async function takeOnPage(
  buildId: string,
  { what, pick, amount }: Step,
  send: (path: string, body: object, method?: 'post' | 'put') => Promise<Did>,
  kept: Kept[],
): Promise<Did | null | undefined> {
  if (what === 'rest' || what === 'go on') {
    const { pauses } = await read<BuildView>(pathOf('buildRead', { buildId }));
    const open = pauses.find((p) => p.to === null);
    if (what === 'go on') return open ? send(pathOf('pauseEnd', { buildId, pauseId: open.id }), {}) : null;
    const reason = `away ${pick % 3}`;
    const pauseId = nextId();
    const did = await send(pathOf('pausePut', { buildId, pauseId }), { reason, side: 'customer' }, 'put');
    const rests = (await read<BuildView>(pathOf('buildRead', { buildId }))).pauses;
    const { entryId: id } = rests.find((p) => p.id === pauseId) ?? {};
    const said = { kind: 'waiting', text: `rests: ${reason}`, facts: { subject: reason } } as const;
    if (id !== undefined) kept.push({ id, ...said, audience: 'customer' });
    return did;
  }
  if (what === 'begin') {
    const { tasks } = await read<WorkView>(pathOf('workRead', { buildId }));
    const begun = tasks.filter((t) => t.state === 'to do')[pick % 2];
    return begun ? send(pathOf('taskStart', { buildId, taskId: begun.id }), { spellId: nextId() }) : null;
  }
  if (what !== 'type hours' && what !== 'drop' && what !== 'take up again') return undefined;
  const { tasks } = await read<WorkView>(pathOf('workRead', { buildId }));
  const fits = tasks.filter((t) => what !== 'take up again' || t.state === 'dropped' || t.state === 'done');
  const task = fits[pick % Math.max(1, fits.length)];
  if (!task) return null;
  const at = { buildId, taskId: task.id };
  if (what !== 'type hours') return send(pathOf('taskAct', at), { act: what, version: task.version });
  const id = nextId();
  const done = pick % 4 === 0;
  const hours = { id, minutes: amount, toGoMinutes: done ? 0 : 30, done };
  const did = await send(pathOf('taskHours', at), hours);
  const facts = { subject: task.title, minutes: amount };
  if (did.status === 200)
    kept.push({ id, kind: done ? 'did' : 'hours', text: 'typed', facts, audience: 'shop' });
  return did;
}

/** What is written about parts and tasks on their pages. */
async function takeWriting(
  buildId: string,
  { what, pick, amount }: Step,
  send: (path: string, body: object, method?: 'post' | 'put') => Promise<Did>,
): Promise<Did | null | undefined> {
  if (what === 'write part' || what === 'change part') {
    const { parts } = await read<PartsView>(pathOf('partsRead', { buildId }));
    const known = what === 'write part' ? undefined : parts[pick % Math.max(1, parts.length)];
    if (what === 'change part' && !known) return null;
    const { what: name = `thing ${pick % 7}`, number = '', catalogue = '', instead = '' } = known ?? {};
    const { source = 'supplier', sourceNote = '', vendor = '', version = 0, costMinor } = known ?? {};
    const written = {
      what: name,
      number,
      catalogue,
      instead,
      source,
      sourceNote,
      vendor,
      version,
      costMinor,
    };
    const path = pathOf('partPut', { buildId, partId: known?.id ?? nextId() });
    return send(path, { ...written, quantity: (amount % 9) + 1, priceMinor: amount * 3 }, 'put');
  }
  if (what !== 'change task') return undefined;
  const { tasks } = await read<WorkView>(pathOf('workRead', { buildId }));
  const task = tasks[pick % Math.max(1, tasks.length)];
  if (!task) return null;
  const { version, title, work, cautions, needs, lineId } = task;
  const path = pathOf('taskPut', { buildId, taskId: task.id });
  return send(
    path,
    { version, title, work, cautions, needs, lineId: lineId ?? undefined, minutes: amount },
    'put',
  );
}

/** What comes off the car, goes to a vendor and comes back. */
async function takeOutwork(
  buildId: string,
  { what, pick, amount }: Step,
  send: (path: string, body: object, method?: 'post' | 'put') => Promise<Did>,
): Promise<Did | null | undefined> {
  if (what === 'take off') {
    const pieceId = nextId();
    const piece = { version: 0, entryId: nextId(), what: `piece ${pick % 5}`, count: (pick % 3) + 1 };
    const path = pathOf('piecePut', { buildId, pieceId });
    return send(path, { ...piece, bag: '', note: '', treatment: 'plate' }, 'put');
  }
  const { pieces } = await read<PiecesView>(pathOf('piecesRead', { buildId }));
  const pickFrom = <T>(all: readonly T[]): T | undefined => all[pick % Math.max(1, all.length)];
  if (what === 'fill') {
    const piece = pickFrom(pieces.filter((p) => p.state === 'off' && p.batchId === null));
    const batch = { version: 0, vendor: 'Halcyon Platers', treatment: 'plate', note: '' };
    const path = pathOf('batchPut', { batchId: nextId() });
    return piece ? send(path, { ...batch, priceMinor: amount * 10, pieceIds: [piece.id] }, 'put') : null;
  }
  if (what === 'send out') {
    const piece = pickFrom(pieces.filter((p) => p.state === 'off' && p.batchId !== null));
    if (!piece) return null;
    const { batches } = await read<OutworkView>(pathOf('outworkRead'));
    const { id: batchId, version } = batches.find((b) => b.id === piece.batchId)!;
    return send(pathOf('batchSend', { batchId }), { version, actId: nextId(), pieceIds: [piece.id] });
  }
  if (what !== 'check in') return undefined;
  const piece = pickFrom(pieces.filter((p) => p.state === 'out'));
  if (!piece) return null;
  const { batches } = await read<OutworkView>(pathOf('outworkRead'));
  const { id: batchId, version } = batches.find((b) => b.id === piece.batchId)!;
  const came = pick % 4 === 0 ? [] : [{ pieceId: piece.id, count: 1, check: 'right' }];
  return send(pathOf('batchBack', { batchId }), { version, actId: nextId(), came, isAll: pick % 2 === 0 });
}

/** Does a step and answers what was asked and came of it; null where there was nothing to do. */
async function take(buildId: string, next: Step, kept: Kept[]): Promise<Did | null> {
  const send = async (path: string, body: object, method: 'post' | 'put' = 'post'): Promise<Did> => {
    const post = async () => it.owner[method](path).send(body);
    const first = await post();
    if (first.status === 200 && 'kind' in body) kept.push(first.body as EntryView);
    return { status: first.status, again: async () => (await post()).status };
  };
  if (next.what === 'put right' || next.what === 'take back') {
    const entry = kept[next.pick % Math.max(1, kept.length)];
    if (!entry) return null;
    const id = nextId();
    const { kind, text, facts, audience } = entry;
    const now = { kind, text: `${text}, put right`, facts: { ...facts }, audience };
    if (facts.moneyMinor !== undefined) now.facts.moneyMinor = next.amount * 7;
    const holds = next.what === 'take back' ? { withdraw: true } : { now };
    return send(pathOf('entryCorrect', { buildId }), { id, correctsId: entry.id, ...holds });
  }
  const onPage = await takeOnPage(buildId, next, send, kept);
  if (onPage !== undefined) return onPage;
  const written = await takeWriting(buildId, next, send);
  if (written !== undefined) return written;
  const out = await takeOutwork(buildId, next, send);
  if (out !== undefined) return out;
  const open = await things(it, buildId);
  if (next.what === 'join') {
    const [from, to] = open.filter((t) => t.type === 'job').toSpliced(0, next.pick % 2);
    if (!from || !to) return null;
    const id = nextId();
    const did = await send(pathOf('jobJoin', { buildId, jobId: from.id }), { entryId: id, toId: to.id });
    const text = `${from.name} is of ${to.name}`;
    if (did.status === 200) kept.push({ id, kind: 'note', text, facts: {}, audience: 'shop' });
    return did;
  }
  const line_ = said(next, open);
  return line_ && send(pathOf('entryAdd', { buildId }), { ...line(line_.dto), does: line_.does });
}

const newestEntry = async (buildId: string): Promise<string | undefined> =>
  (await read<EntriesView>(pathOf('entriesList', { buildId }))).entries[0]?.id;

/** Takes back the entry that a step has just kept, if it kept one; answers whether it did. */
async function undo(buildId: string, { what }: Step, newestBefore: string | undefined): Promise<boolean> {
  const id = await newestEntry(buildId);
  if (what === 'put right' || what === 'take back' || id === newestBefore) return false;
  const gone = await it.owner
    .post(pathOf('entryCorrect', { buildId }))
    .send({ id: nextId(), correctsId: id, withdraw: true });
  // Work on a line that was not agreed says first that it goes ahead: what is agreed is not taken back.
  if (gone.status === 403) return false;
  expect([gone.status, gone.body.detail]).toEqual([200, undefined]);
  return true;
}

/** Without what counts changes, and the time at which it was asked. */
const withoutVersions = <T>(value: T): T =>
  JSON.parse(JSON.stringify(value), (key, v: unknown) =>
    key === 'version' || key === 'now' ? undefined : v,
  ) as T;

test('whatever is done, all pages agree, a start does what was said of it, and twice is once', async () => {
  const done = new Map<string, number>();
  let undone = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 16, maxLength: 24 }), async (steps) => {
      it.server.clock.set('2026-03-11T08:00:00.000Z');
      const buildId = await makeBuild(it.owner, { discretionMinor: 1_000_000 });
      const [first, second, lineId] = [nextId(), nextId(), nextId()];
      const task = { version: 0, work: 'metalwork', minutes: 600, cautions: [] };
      const put = (taskId: string, more: object) =>
        it.owner
          .put(pathOf('taskPut', { buildId, taskId }))
          .send({ ...task, ...more })
          .expect(200);
      await put(first, { title: 'Filler', needs: [] });
      await put(second, { title: 'Primer', needs: [{ taskId: first, reason: 'it is flat' }] });
      await it.owner
        .put(pathOf('estimateLinePut', { buildId, lineId }))
        .send(estimateLine({ title: 'Brakes' }))
        .expect(200);
      const kept: Kept[] = [];
      let before = await pages(it, buildId);
      for (const [i, next] of steps.entries()) {
        it.server.clock.set(new Date(Date.UTC(2026, 2, 11, 8, 5 * (i + 1))).toISOString());
        const mostKept = kept.length;
        const newest = await newestEntry(buildId);
        const did = await take(buildId, next, kept);
        if (did === null) continue;
        const key = `${next.what} ${did.status}`;
        done.set(key, (done.get(key) ?? 0) + 1);
        const after = await pages(it, buildId);
        await agree(it, buildId, after);
        if (next.what === 'start') {
          const begun = after.work.tasks.find(
            (t) => t.state === 'going' && before.work.tasks.find((b) => b.id === t.id)!.state === 'to do',
          );
          if (did.status === 200)
            expect(before.work.tasks.find((t) => t.id === begun!.id)!.holds).toEqual([]);
        }
        if (did.status === 200) expect(await did.again()).toBe(200);
        else expect([400, 403, 409]).toContain(did.status);
        if (did.status === 200 && next.amount % 3 === 0 && (await undo(buildId, next, newest))) {
          undone += 1;
          expect({ after: next.what, ...withoutVersions(await pages(it, buildId)) }).toEqual({
            after: next.what,
            ...withoutVersions(before),
          });
          kept.splice(mostKept);
          continue;
        }
        const now = did.status === 200 && i % 3 > 0 ? after : await pages(it, buildId);
        expect(withoutVersions(now)).toEqual(withoutVersions(did.status === 200 ? after : before));
        before = now;
      }
      await letterAgrees(it, buildId);
      // Nobody is still at it when the next car comes.
      for (const { id: spellId } of before.work.spells)
        await it.owner
          .post(pathOf('spellStop', { buildId, spellId }))
          .send({ toGoMinutes: 30, done: false })
          .expect(200);
    }),
    { seed: 17, numRuns: 5, endOnFailure: true, examples: [[ALL]] },
  );
  // Each kind of step was done.
  expect(undone).toBeGreaterThan(10);
  for (const what of STEPS) expect([...done.keys()]).toContain(`${what} 200`);
}, 240_000);
