/** Works the queue off, in this process; several processes share the work. */
import { Logger, run, type Runner, type TaskList } from 'graphile-worker';
import nodemailer, { type Transporter } from 'nodemailer';
import pg from 'pg';
import type { Deps } from '../deps.ts';
import { bindBook, readBook } from '../features/book/index.ts';
import { mailCode, mailRevision } from '../features/estimate/index.ts';
import { mailLetter } from '../features/letters/index.ts';
import { mailAnswer } from '../features/questions/index.ts';
import type { BookJob, MailAnswer, MailCode, MailLetter, MailRevision } from './queue.ts';

function tasksFor(deps: Deps, transport: Transporter): TaskList {
  return {
    'mail-letter': async (payload, { job }) => {
      await mailLetter(deps, transport, payload as MailLetter, job.attempts >= job.max_attempts);
    },
    'mail-revision': (payload) => mailRevision(deps, transport, payload as MailRevision),
    'mail-answer': (payload) => mailAnswer(deps, transport, payload as MailAnswer),
    'bind-book': (payload, { job }) => bindBook(deps, payload as BookJob, job.attempts >= job.max_attempts),
    'read-book': (payload, { job }) => readBook(deps, payload as BookJob, job.attempts >= job.max_attempts),
    'mail-code': (payload) => mailCode(deps, transport, payload as MailCode),
  };
}

export interface Worker {
  stop: () => Promise<void>;
}

export async function startWorker(deps: Deps): Promise<Worker> {
  const transport = nodemailer.createTransport({
    url: deps.smtpUrl,
    connectionTimeout: 10_000,
    socketTimeout: 20_000,
  });
  const pgPool = new pg.Pool({ connectionString: deps.databaseUrl, max: 4 });
  const lost = (err: Error): void => deps.log.warn({ err }, 'job queue connection lost');
  pgPool.on('error', lost);
  pgPool.on('connect', (client) => client.on('error', lost));
  const logger = new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning') deps.log.warn({ queue: message }, 'job queue');
  });
  const runner: Runner = await run({
    pgPool,
    logger,
    taskList: tasksFor(deps, transport),
    noHandleSignals: true,
    concurrency: 2,
    pollInterval: 5000,
  });
  return {
    stop: async () => {
      await runner.stop();
      await pgPool.end();
      transport.close();
    },
  };
}
