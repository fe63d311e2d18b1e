/** A pool that waits for the database while it is away, for work that nobody is waiting for: the job queue. */
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { isDatabaseAway } from '../http/storageFaults.ts';

const FIRST_WAIT_MS = 100;
const LONGEST_WAIT_MS = 5000;

/**
 * The job queue takes a connection that it cannot get for a fault of its own, which ends the process; here it gets one late.
 * `end` ends the waiting.
 */
export class PatientPool extends pg.Pool {
  private isOver = false;

  override connect(): Promise<pg.PoolClient>;
  override connect(done: Parameters<pg.Pool['connect']>[0]): void;
  override connect(done?: Parameters<pg.Pool['connect']>[0]): Promise<pg.PoolClient> | void {
    return done ? super.connect(done) : this.connectPatiently();
  }

  private async connectPatiently(): Promise<pg.PoolClient> {
    for (let wait = FIRST_WAIT_MS; ; wait = Math.min(LONGEST_WAIT_MS, wait * 2)) {
      try {
        return await super.connect();
      } catch (error) {
        if (this.isOver || !isDatabaseAway(error as Error)) throw error;
        await sleep(wait);
      }
    }
  }

  override end(): Promise<void>;
  override end(done: () => void): void;
  override end(done?: () => void): Promise<void> | void {
    this.isOver = true;
    return done ? super.end(done) : super.end();
  }
}
