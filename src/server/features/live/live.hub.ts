/**
 * Live news: PostgreSQL says which build of which shop has a new entry, and every open screen of that shop is told, some builds at
 * once where much happens. Nothing is read for it. A screen that comes, or comes back, reads everything anew, and is told to do so
 * when this process did not hear for a while: so a lost notice loses nothing, and it holds with several server processes.
 */
import pg from 'pg';
import type { Deps } from '../../deps.ts';

export interface Listener {
  shopId: string;
  personId: string;
  /** These builds have something new. */
  send: (buildIds: readonly string[]) => void;
  /** Anything may be new. */
  ready: () => void;
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
/** What comes within this time of the last news is told together. */
const TOGETHER_MS = 100;

export class LiveHub {
  private readonly listeners = new Set<Listener>();
  /** Builds with news that were not told yet, by shop. */
  private readonly untold = new Map<string, Set<string>>();
  private client: pg.Client | null = null;
  private closed = false;
  private retry: NodeJS.Timeout | undefined;

  constructor(private readonly deps: Deps) {}

  /** Connects and keeps connecting; after each new connection all screens read anew. */
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
      channel === SESSIONS ? this.sessionsChanged(payload) : this.hear(payload),
    );
    this.client = client;
    try {
      await client.connect();
      await client.query(`listen avrik_entries; listen ${SESSIONS}`);
    } catch (err) {
      this.deps.log.warn({ err }, 'live news: no connection, trying again');
      return this.reconnect(client);
    }
    for (const listener of this.listeners) {
      listener.ready();
      void this.check(listener);
    }
  }

  private reconnect(client: pg.Client): void {
    if (this.closed || this.client !== client) return;
    this.client = null;
    void client.end().catch(() => undefined);
    this.retry = setTimeout(() => void this.start(), RETRY_MS);
  }

  /** `news`: a shop and one of its builds. The first goes on its way; what follows at its heels goes with it. */
  private hear(news: string): void {
    const [shopId, buildId] = news.split(' ') as [string, string];
    const untold = this.untold.get(shopId);
    if (untold) return void untold.add(buildId);
    this.tell(shopId, [buildId]);
  }

  private tell(shopId: string, buildIds: readonly string[]): void {
    for (const listener of this.listeners) if (listener.shopId === shopId) listener.send(buildIds);
    const untold = new Set<string>();
    this.untold.set(shopId, untold);
    setTimeout(() => {
      this.untold.delete(shopId);
      if (untold.size > 0) this.tell(shopId, [...untold]);
    }, TOGETHER_MS).unref();
  }

  /** Somebody signed out, was signed out, or left: what is still open of theirs ends. */
  private sessionsChanged(personId: string): void {
    for (const listener of this.listeners) if (listener.personId === personId) void this.check(listener);
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
    for (const listener of this.listeners) if (listener.personId === personId) open += 1;
    return open < MOST_STREAMS;
  }

  /** Adds a screen, which reads everything now; the returned function removes it. */
  add(listener: Listener): () => void {
    this.listeners.add(listener);
    listener.ready();
    return () => this.listeners.delete(listener);
  }

  async stop(): Promise<void> {
    this.closed = true;
    clearTimeout(this.retry);
    this.listeners.clear();
    await this.client?.end().catch(() => undefined);
  }
}
