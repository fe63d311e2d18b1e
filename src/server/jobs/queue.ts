/** The job queue in PostgreSQL: jobs are added inside the transaction that needs them. */
import type { Tx } from '../db/pool.ts';

export interface MailLetter {
  shopId: string;
  letterId: string;
}

/** Tries of a mail before it is given up: graphile-worker backs off exponentially, so eight take about 80 minutes. */
const TRIES = 8;

export const queueLetter = (tx: Tx, job: MailLetter): Promise<unknown> =>
  tx.one(
    `select id from graphile_worker.add_job('mail-letter', payload => :payload::json, job_key => :key, max_attempts => :tries)`,
    { payload: JSON.stringify(job), key: `letter-${job.letterId}`, tries: TRIES },
  );
