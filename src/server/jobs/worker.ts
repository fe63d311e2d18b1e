/** Works the queue off, in this process; several processes share the work. */
import { Logger, run, type JobHelpers, type Runner, type TaskList } from 'graphile-worker';
import pg from 'pg';
import type { Deps } from '../deps.ts';
import { bindBook, readBook } from '../features/book/index.ts';
import { mailCode, mailRevision } from '../features/estimate/index.ts';
import { mailLetter, mailReader, textLetter } from '../features/letters/index.ts';
import { mailAnswer } from '../features/questions/index.ts';
import { openPost, type Post } from '../mail/post.ts';
import type { BookJob, MailAnswer, MailCode, MailLetter, MailReader, MailRevision } from './queue.ts';

/** No further try follows this one. */
const isLast = ({ job }: JobHelpers): boolean => job.attempts >= job.max_attempts;

function tasksFor(deps: Deps, post: Post): TaskList {
  return {
    'mail-letter': (payload, helpers) => mailLetter(deps, post, payload as MailLetter, isLast(helpers)),
    'mail-reader': (payload, helpers) => mailReader(deps, post, payload as MailReader, isLast(helpers)),
    'text-letter': (payload) => textLetter(deps, payload as MailLetter),
    'mail-revision': (payload, helpers) => mailRevision(deps, post, payload as MailRevision, isLast(helpers)),
    'mail-answer': (payload, helpers) => mailAnswer(deps, post, payload as MailAnswer, isLast(helpers)),
    'bind-book': (payload, helpers) => bindBook(deps, payload as BookJob, isLast(helpers)),
    'read-book': (payload, helpers) => readBook(deps, payload as BookJob, isLast(helpers)),
    'mail-code': (payload, helpers) => mailCode(deps, post, payload as MailCode, isLast(helpers)),
  };
}

export interface Worker {
  stop: () => Promise<void>;
}

export async function startWorker(deps: Deps): Promise<Worker> {
  const post = openPost(deps);
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
    taskList: tasksFor(deps, post),
    noHandleSignals: true,
    concurrency: 2,
    pollInterval: 5000,
  });
  return {
    stop: async () => {
      await runner.stop();
      await pgPool.end();
      post.close();
    },
  };
}
