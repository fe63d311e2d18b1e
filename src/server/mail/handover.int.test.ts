/**
 * Mail is handed over once. Nasty cases: a server that takes a mail and never says so, a process that died while it handed one
 * over, a server that is away and comes back, two decisions at once, a shop without a server, links that lead to this machine
 * only, a job that a dead process held.
 */
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import { pathOf } from '#contract/routes.ts';
import type { LetterView } from '#contract/letters.ts';
import type { MailServerView } from '#contract/mail.ts';
import { figuresTold } from '#core/update/letter.ts';
import { startWorker } from '#server/jobs/worker.ts';
import { MailServerOfFewWords } from '#tests/support/mailServer.ts';
import { line, makeBuild, nextId, openShop } from '#tests/support/server.ts';

const it = openShop('handover');

const server = new MailServerOfFewWords();
let port: number;
let stopWorker: (() => Promise<void>) | null = null;

beforeAll(async () => {
  port = await server.open();
  it.server.deps.publicUrl = 'http://shop.example';
  const own = {
    version: 0,
    host: '127.0.0.1',
    port,
    secure: 'none',
    userName: '',
    fromAddress: 'shop@saltmarsh.example',
  };
  await it.owner.put(pathOf('mailServerPut')).send(own).expect(200);
});
afterAll(() => server.close());
afterEach(() => stopWorker?.());
beforeEach(() => {
  server.taken.length = 0;
  server.says = 'taken';
});

async function sentLetter(): Promise<{ letterId: string; mailId: string }> {
  const buildId = await makeBuild(it.owner, {
    customerEmail: 'ilse@example.org',
    nickname: `car ${nextId()}`,
  });
  await it.owner.post(pathOf('entryAdd', { buildId })).send(line()).expect(200);
  const letter = (await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200))
    .body as LetterView;
  await it.owner
    .post(pathOf('letterSend', { letterId: letter.id }))
    .send({ version: letter.version, figures: figuresTold(letter.content) })
    .expect(200);
  return { letterId: letter.id, mailId: `letter-${letter.id}` };
}
const letterOf = async (letterId: string): Promise<LetterView> =>
  (await it.owner.get(pathOf('letterRead', { letterId })).expect(200)).body;
const openMails = async (): Promise<MailServerView['open']> =>
  ((await it.owner.get(pathOf('mailServerRead')).expect(200)).body as MailServerView).open;

async function until(holds: () => Promise<boolean> | boolean): Promise<void> {
  const end = Date.now() + 20_000;
  while (!(await holds())) {
    if (Date.now() > end) throw new Error('it did not come about in twenty seconds');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

/** The queue is worked by one process at a time here, which can be ended. */
async function work(): Promise<void> {
  const worker = await startWorker(it.server.deps);
  stopWorker = async () => {
    stopWorker = null;
    await worker.stop();
  };
}

describe('a mail is handed over once', () => {
  test('a server that has the mail and never answers: perhaps sent, not tried again, until the owner says so', async () => {
    server.says = 'nothing';
    const { letterId, mailId } = await sentLetter();
    await work();
    await until(async () => (await letterOf(letterId)).mail === 'perhaps');
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(server.taken).toHaveLength(1);
    expect(await openMails()).toMatchObject([{ id: mailId, state: 'perhaps', canAgain: true }]);
    expect((await it.owner.get(pathOf('upkeepRead')).expect(200)).body.alarms).toContain('mail-perhaps');
    server.says = 'taken';
    const again = () => it.owner.post(pathOf('mailAgain', { mail: mailId })).send({});
    const both = await Promise.all([again(), again()]);
    expect(both.map((b) => b.status).sort()).toEqual([200, 409]);
    await until(async () => (await letterOf(letterId)).mail === 'accepted');
    expect(server.taken).toHaveLength(2);
    expect(await openMails()).toEqual([]);
  });

  test('the process dies while it hands over: the next one does not send, and the owner can say that it arrived', async () => {
    const { letterId, mailId } = await sentLetter();
    // As a killed process leaves it: the hand-over noted, the job locked by a worker that nobody is any more.
    await it.server.admin.query(
      `insert into mails (shop_id, id, message_id, to_name, to_address, subject, state, task, payload, begun_at)
       values ($1, $2, '<x@y>', 'Ilse', 'ilse@example.org', 'News', 'handing over', 'mail-letter', $3, now())`,
      [it.shop.id, mailId, JSON.stringify({ shopId: it.shop.id, letterId })],
    );
    const locked = await it.server.admin.query(
      `update graphile_worker._private_jobs set locked_by = 'worker-dead', locked_at = now() - interval '1 minute', attempts = 1
       where key = $1`,
      [mailId],
    );
    expect(locked.rowCount).toBe(1);
    await work();
    await until(async () => (await letterOf(letterId)).mail === 'perhaps');
    expect(server.taken).toEqual([]);
    await it.owner
      .post(pathOf('mailArrived', { mail: mailId }))
      .send({})
      .expect(200);
    expect((await letterOf(letterId)).mail).toBe('accepted');
    expect(await openMails()).toEqual([]);
  });

  test('a job of a process that lives is left to it, however long it takes', async () => {
    server.says = 'later';
    const { letterId, mailId } = await sentLetter();
    await work();
    await until(() => server.taken.length === 1);
    const held = async () =>
      (
        await it.server.admin.query<{ locked_by: string }>(
          'select locked_by from graphile_worker._private_jobs where key = $1',
          [mailId],
        )
      ).rows[0]?.locked_by;
    const holder = await held();
    expect(holder).toBeTruthy();
    await it.server.admin.query(
      `update graphile_worker._private_jobs set locked_at = now() - interval '1 minute' where key = $1`,
      [mailId],
    );
    const second = await startWorker(it.server.deps);
    expect(await held()).toBe(holder);
    server.letGo();
    await until(async () => (await letterOf(letterId)).mail === 'accepted');
    await second.stop();
    expect(server.taken).toHaveLength(1);
  });

  test('an end that the database would not note ends the queue’s turn only: the letter went once, and the next one goes', async () => {
    const { admin } = it.server;
    await admin.query(`create function graphile_worker.not_now() returns trigger language plpgsql as
      $$ begin raise exception 'terminating connection' using errcode = '57P01'; end $$`);
    await admin.query(`create trigger not_now before delete on graphile_worker._private_jobs
      for each row execute function graphile_worker.not_now()`);
    const first = await sentLetter();
    await work();
    await until(async () => (await letterOf(first.letterId)).mail === 'accepted');
    await admin.query('drop function graphile_worker.not_now cascade');
    const next = await sentLetter();
    await until(async () => (await letterOf(next.letterId)).mail === 'accepted');
    await admin.query(`update graphile_worker._private_jobs set locked_at = now() - interval '1 minute'`);
    await until(
      async () => (await admin.query('select 1 from graphile_worker._private_jobs')).rowCount === 0,
    );
    expect(server.taken).toHaveLength(2);
  });
});

describe('a real shop without a way for its mail', () => {
  const asReal = (real: boolean): Promise<unknown> =>
    it.server.admin.query('update shops set is_demo = $2 where id = $1', [it.shop.id, !real]);

  test('its letter is not sent, says why, and goes when a test mail has gone', async () => {
    await asReal(true);
    await it.owner.delete(pathOf('mailServerDrop')).expect(200);
    const { letterId } = await sentLetter();
    await work();
    await until(async () => (await letterOf(letterId)).mail === 'waiting');
    expect((await letterOf(letterId)).mailNote).toBe('no mail server is set');
    expect((await it.owner.get(pathOf('upkeepRead')).expect(200)).body.alarms).toContain('mail-off');
    expect((await it.owner.post(pathOf('mailServerTry')).expect(200)).body.why).toBe('no mail server is set');
    expect((await it.owner.get(pathOf('outboxList'))).body.mails).toEqual([]);
    const own = {
      version: 0,
      host: '127.0.0.1',
      port,
      secure: 'none',
      userName: '',
      fromAddress: 'shop@saltmarsh.example',
    };
    await it.owner
      .put(pathOf('mailServerPut'))
      .send({ ...own, fromName: 'Wren at the shop' })
      .expect(200);
    expect((await it.owner.get(pathOf('upkeepRead')).expect(200)).body.alarms).toContain('mail-untried');
    const tried = (await it.owner.post(pathOf('mailServerTry')).expect(200)).body;
    // The letter, and the tries of the test mail are not kept as waiting.
    expect(tried).toMatchObject({ why: null, released: 1 });
    await until(async () => (await letterOf(letterId)).mail === 'accepted');
    expect(server.taken.some((m) => m.includes('From: Wren at the shop <shop@saltmarsh.example>'))).toBe(
      true,
    );
    expect((await it.owner.get(pathOf('upkeepRead')).expect(200)).body.alarms).toEqual([]);
  });

  test('a text message that nobody would get is not said to have gone', async () => {
    const buildId = await makeBuild(it.owner, {
      customerEmail: 'ilse@example.org',
      nickname: `car ${nextId()}`,
    });
    const manner = { version: 1, detail: 'full', greeting: '', closing: '', textTo: '+44 1632 960 123' };
    await it.owner.put(pathOf('mannerPut', { buildId })).send(manner).expect(200);
    expect((await it.owner.get(pathOf('mannerRead', { buildId })).expect(200)).body.textsGo).toBe(false);
    await it.owner.post(pathOf('entryAdd', { buildId })).send(line()).expect(200);
    const letter = (
      await it.owner.post(pathOf('letterDraft', { buildId })).send({ id: nextId() }).expect(200)
    ).body as LetterView;
    await it.owner
      .post(pathOf('letterSend', { letterId: letter.id }))
      .send({ version: letter.version, figures: figuresTold(letter.content) })
      .expect(200);
    await work();
    const logbook = async (): Promise<string> =>
      (await it.owner.get(pathOf('entriesList', { buildId })).expect(200)).text;
    await until(async () => (await logbook()).includes('No text message went to'));
    expect((await it.owner.get(pathOf('outboxList')).expect(200)).text).not.toContain('960 123');
  });

  test('with links that only this machine can open, nothing goes', async () => {
    it.server.deps.publicUrl = 'http://localhost:4100';
    expect((await it.owner.post(pathOf('mailServerTry')).expect(200)).body.why).toContain('is not set');
    expect(server.taken).toEqual([]);
    await asReal(false);
  });
});
