/** The job queue in PostgreSQL: jobs are added inside the transaction that needs them. */
import type { Tx } from '../db/pool.ts';

export interface MailLetter {
  shopId: string;
  letterId: string;
}

/** The same letter to somebody else who is told. */
export interface MailReader extends MailLetter {
  readerId: string;
}

export interface MailRevision {
  shopId: string;
  revisionId: string;
}

export interface MailAnswer {
  shopId: string;
  questionId: string;
}

export interface MailCode {
  shopId: string;
  codeId: string;
}

/** A link by which somebody sets a password. */
export interface PasswordMail {
  shopId: string;
  personId: string;
  why: 'reset' | 'invitation';
}

/** A book to be bound, or an archive to be read. */
export interface BookJob {
  shopId: string;
  bookId: string;
}

/** Tries of a mail before it is given up: graphile-worker backs off exponentially, so eight take about 80 minutes. */
const TRIES = 8;

/** To make a book anew helps only where the machine was at fault. */
const BOOK_TRIES = 2;

const add = (tx: Tx, task: string, payload: object, key: string, tries = TRIES): Promise<unknown> =>
  tx.run(
    `select id from graphile_worker.add_job(:task, payload => :payload::json, job_key => :key, max_attempts => :tries)`,
    { task, payload: JSON.stringify(payload), key, tries },
  );

export const queueLetter = (tx: Tx, job: MailLetter): Promise<unknown> =>
  add(tx, 'mail-letter', job, `letter-${job.letterId}`);
export const queueReader = (tx: Tx, job: MailReader): Promise<unknown> =>
  add(tx, 'mail-reader', job, `letter-${job.letterId}-${job.readerId}`);
export const queueText = (tx: Tx, job: MailLetter): Promise<unknown> =>
  add(tx, 'text-letter', job, `text-${job.letterId}`);
export const queueRevision = (tx: Tx, job: MailRevision): Promise<unknown> =>
  add(tx, 'mail-revision', job, `revision-${job.revisionId}`);
export const queueCode = (tx: Tx, job: MailCode): Promise<unknown> =>
  add(tx, 'mail-code', job, `code-${job.codeId}`);
export const queueAnswer = (tx: Tx, job: MailAnswer): Promise<unknown> =>
  add(tx, 'mail-answer', job, `answer-${job.questionId}`);
/** Few tries: the link is old soon. */
export const queuePasswordMail = (tx: Tx, job: PasswordMail): Promise<unknown> =>
  add(tx, 'mail-password', job, `password-${job.personId}`, 3);
export const queueBook = (tx: Tx, task: 'bind-book' | 'read-book', job: BookJob): Promise<unknown> =>
  add(tx, task, job, `book-${job.bookId}`, BOOK_TRIES);
/** The job of a mail once more; its key is the mail's, so that two presses make one. */
export const queueAgain = (tx: Tx, task: string, payload: object, mailId: string): Promise<unknown> =>
  add(tx, task, payload, `again-${mailId}`);
