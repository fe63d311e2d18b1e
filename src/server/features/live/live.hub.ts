/**
 * Live news: PostgreSQL says that a shop has a new entry, and every open screen of that shop is told which build.
 * A notice is only a nudge: what is sent is read from the logbook by number, so a lost notice or connection loses
 * nothing, and it holds with several server processes.
 */
import pg from 'pg';
import { inShop } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';

export interface News {
  seq: number;
  buildId: string;
}

export interface Listener {
  shopId: string;
  personId: string;
  /** Number of the last entry this screen knows of. */
  after: number;
  send: (news: News) => void;
  /** Whether the session that it was opened with still holds. */
  stillSignedIn: () => Promise<boolean>;
  /** Ends the stream. */
  end: () => void;
}

/** Streams of one person: more than anybody has screens. */
const MOST_STREAMS = 20;

const RETRY_MS = 1000;
/** Where PostgreSQL says whose sessions changed. */
const SESSIONS = 'avrik_sessions';
const BATCH = 500;

export class LiveHub {
  private readonly listeners = new Map<Listener, { busy: boolean; again: boolean }>();
  private client: pg.Client | null = null;
  private closed = false;
  private retry: NodeJS.Timeout | undefined;

  constructor(private readonly deps: Deps) {}

  /** Connects and keeps connecting; every new connection is followed by a catch-up for all. */
  async start(): Promise<void> {
    if (this.closed) return;
    const client = new pg.Client({
      connectionString: this.deps.databaseUrl,
      application_name: 'avrik-live',
      keepAlive: true,
    });
    client.on('error', () => undefined); // 'end' follows
    client.on('end', () => this.reconnect(client));
    client.on('notification', ({ channel, payload = '' }) =>
      channel === SESSIONS ? this.sessionsChanged(payload) : this.nudge(payload),
    );
    this.client = client;
    try {
      await client.connect();
      await client.query(`listen avrik_entries; listen ${SESSIONS}`);
    } catch (err) {
      this.deps.log.warn({ err }, 'live news: no connection, trying again');
      return this.reconnect(client);
    }
    for (const listener of this.listeners.keys()) {
      void this.catchUp(listener);
      void this.check(listener);
    }
  }

  private reconnect(client: pg.Client): void {
    if (this.closed || this.client !== client) return;
    this.client = null;
    void client.end().catch(() => undefined);
    this.retry = setTimeout(() => void this.start(), RETRY_MS);
  }

  private nudge(shopId: string): void {
    for (const listener of this.listeners.keys()) if (listener.shopId === shopId) void this.catchUp(listener);
  }

  /** Somebody signed out, was signed out, or left: what is still open of theirs ends. */
  private sessionsChanged(personId: string): void {
    for (const listener of this.listeners.keys())
      if (listener.personId === personId) void this.check(listener);
  }

  /** Ends a stream whose session is gone. A database that does not answer ends none: the next look will tell. */
  async check(listener: Listener): Promise<void> {
    if (await listener.stillSignedIn().catch(() => true)) return;
    this.listeners.delete(listener);
    listener.end();
  }

  /** Whether one more may be opened. */
  hasRoomFor(personId: string): boolean {
    let open = 0;
    for (const listener of this.listeners.keys()) if (listener.personId === personId) open += 1;
    return open < MOST_STREAMS;
  }

  /** Adds a screen; it is caught up at once, and the returned function removes it. */
  add(listener: Listener): () => void {
    this.listeners.set(listener, { busy: false, again: false });
    void this.catchUp(listener);
    return () => this.listeners.delete(listener);
  }

  /** Sends what a screen has not heard, in order, one run at a time; a nudge during a run makes one more. */
  private async catchUp(listener: Listener): Promise<void> {
    const state = this.listeners.get(listener);
    if (!state) return;
    if (state.busy) {
      state.again = true;
      return;
    }
    state.busy = true;
    try {
      do {
        state.again = false;
        const news = await this.newsFor(listener);
        for (const n of news) {
          listener.after = n.seq;
          listener.send(n);
        }
        if (news.length === BATCH) state.again = true;
      } while (state.again && this.listeners.has(listener));
    } catch (err) {
      this.deps.log.warn({ err }, 'live news: could not read');
      if (!this.closed) setTimeout(() => void this.catchUp(listener), RETRY_MS).unref();
    } finally {
      state.busy = false;
    }
  }

  private newsFor({ shopId, after }: Listener): Promise<News[]> {
    return inShop(this.deps.db, shopId, (tx) =>
      tx.rows<News>(
        `select seq, build_id as "buildId" from entries where shop_id = :shopId and seq > :after order by seq limit ${BATCH}`,
        { after },
      ),
    );
  }

  async stop(): Promise<void> {
    this.closed = true;
    clearTimeout(this.retry);
    this.listeners.clear();
    await this.client?.end().catch(() => undefined);
  }
}
