/** Works the queue off, in this process; several processes share the work. */
import { EventEmitter } from 'node:events';
import { setTimeout as sleep } from 'node:timers/promises';
import { Logger, run, type JobHelpers, type Runner, type TaskList, type WorkerEvents } from 'graphile-worker';
import type pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { PatientPool } from '../db/patientPool.ts';
import type { Deps } from '../deps.ts';
import { bindBook, readBook } from '../features/book/index.ts';
import { mailCode, mailRevision } from '../features/estimate/index.ts';
import { mailLetter, mailReader, textLetter } from '../features/letters/index.ts';
import { mailPassword } from '../features/session/index.ts';
import { mailAnswer } from '../features/questions/index.ts';
import { openPost, type Post, type Sender } from '../mail/post.ts';
import type { BookJob, MailLetter, PasswordMail } from './queue.ts';

/** No further try follows this one. */
const isLast = ({ job }: JobHelpers): boolean => job.attempts >= job.max_attempts;

type MailTask = (deps: Deps, post: Sender, payload: never, last: boolean) => Promise<void>;

function tasksFor(deps: Deps, post: Post): TaskList {
  const mailing = (task: MailTask) => (payload: unknown, helpers: JobHelpers) =>
    task(
      deps,
      post.of({ task: helpers.job.task_identifier, payload: payload as object }),
      payload as never,
      isLast(helpers),
    );
  return {
    'mail-letter': mailing(mailLetter),
    'mail-reader': mailing(mailReader),
    'text-letter': (payload) => textLetter(deps, payload as MailLetter),
    'mail-revision': mailing(mailRevision),
    'mail-answer': mailing(mailAnswer),
    'bind-book': (payload, helpers) => bindBook(deps, payload as BookJob, isLast(helpers)),
    'read-book': (payload, helpers) => readBook(deps, payload as BookJob, isLast(helpers)),
    'mail-code': mailing(mailCode),
    'mail-password': (payload) => mailPassword(deps, post, payload as PasswordMail),
  };
}

/** Connections of a process's queue are named so: while one lives, so does the process. */
const NAME = 'avrik-queue-';

/** A queue that has just begun may not have been noted yet. */
const OLD_ENOUGH = "interval '10 seconds'";

/**
 * Gives back the jobs of queues that are gone, with their process or without; the queue's own rule would hold them for four
 * hours. A mail that was being handed over is not sent again by that: its hand-over says so.
 */
async function freeJobsOfTheDead(pool: pg.Pool): Promise<void> {
  const { rows } = await pool.query<{ worker: string }>(`
    select distinct j.locked_by as worker from graphile_worker._private_jobs j
    left join queue_workers w on w.worker_id = j.locked_by
    where j.locked_by is not null and j.locked_at < now() - ${OLD_ENOUGH}
      and not exists (select from pg_stat_activity a where a.application_name = '${NAME}' || w.process_id::text)`);
  if (rows.length > 0)
    await pool.query('select graphile_worker.force_unlock_workers($1)', [rows.map((r) => r.worker)]);
  await pool.query(`delete from queue_workers w where not exists
    (select from pg_stat_activity a where a.application_name = '${NAME}' || w.process_id::text)`);
}

const LOOK_EVERY_MS = 15_000;
const AGAIN_AFTER_MS = 1000;

export interface Worker {
  stop: () => Promise<void>;
}

/**
 * Runs until it is stopped. A queue that cannot note how a job ended (the database was away at that moment) ends; another
 * begins after it, and that job is done again.
 */
export async function startWorker(deps: Deps): Promise<Worker> {
  const post = openPost(deps);
  const processId = uuidv7();
  const pgPool = new PatientPool({
    connectionString: deps.databaseUrl,
    max: 4,
    application_name: `${NAME}${processId}`,
  });
  const lost = (err: unknown): void => deps.log.warn({ err }, 'job queue connection lost');
  pgPool.on('error', lost);
  pgPool.on('connect', (client) => client.on('error', lost));
  const logger = new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning') deps.log.warn({ queue: message }, 'job queue');
  });
  const noted = (work: Promise<unknown>): void =>
    void work.catch((err: unknown) => deps.log.warn({ err }, 'job queue: workers'));
  // What holds a job's lock is the queue (graphile-worker's pool of workers), not one worker of it.
  const events = new EventEmitter() as WorkerEvents;
  const queues: string[] = [];
  events.on('pool:create', ({ workerPool }) => {
    queues.push(workerPool.id);
    noted(pgPool.query('insert into queue_workers values ($1, $2)', [workerPool.id, processId]));
  });
  await freeJobsOfTheDead(pgPool);
  const looking = setInterval(() => noted(freeJobsOfTheDead(pgPool)), LOOK_EVERY_MS);

  let isOver = false;
  const begin = (): Promise<Runner> =>
    run({
      pgPool,
      logger,
      events,
      taskList: tasksFor(deps, post),
      noHandleSignals: true,
      concurrency: 2,
      pollInterval: 5000,
      // Without a delay, an end that cannot be noted rejects a promise that nobody holds, and Node ends the process.
      preset: { worker: { completeJobBatchDelay: 0, failJobBatchDelay: 0 } },
    });
  let runner = await begin();
  const keepGoing = async (): Promise<void> => {
    while (!isOver) {
      await runner.promise.catch(lost);
      if (isOver) return;
      await sleep(AGAIN_AFTER_MS);
      try {
        await pgPool.query('delete from queue_workers where worker_id = any($1)', [queues.splice(0)]);
        if (!isOver) runner = await begin();
      } catch (error) {
        lost(error);
      }
    }
  };
  const going = keepGoing();
  return {
    stop: async () => {
      isOver = true;
      clearInterval(looking);
      await runner.stop().catch(() => undefined);
      await going;
      await pgPool.end();
    },
  };
}
