/**
 * Live news: a transaction that changes something leaves rows that name its shop and what changed: a build, or what the shop keeps
 * beside them. Each process looks for those that it has
 * not seen, and tells every open screen of that shop, some builds at once where much happens. It looks after each change that it made
 * itself, and a few times a second for those of other processes. A screen that comes, or comes back, reads everything anew, and is
 * told to do so when this process could not look for a while: so what it missed is not lost.
 */
import pg from 'pg';
import { onCommit } from '../../db/pool.ts';
import type { Deps } from '../../deps.ts';

export interface Listener {
  shopId: string;
  personId: string;
  /** These are another: builds by their ids, and topics. */
  send: (what: readonly string[]) => void;
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
/** How often it is looked for what other processes changed, as long as a screen is open. */
const LOOK_MS = 250;
const IDLE_TICKS = 20;
/** Rows are kept so long: a process that could not look for half of it has its screens read everything anew. */
const KEPT_MS = 600_000;

/** What became visible since the snapshot `$1`, each once, whatever was begun before it and committed after; and the snapshot of now. */
const NEWS = `
  select s.now::text as now, n.shop_id as "shopId", array_agg(distinct n.what) as what
  from (select pg_current_snapshot() as now) s
  left join news n on n.xid >= pg_snapshot_xmin($1::pg_snapshot) and not pg_visible_in_snapshot(n.xid, $1::pg_snapshot)
  group by 1, 2`;

/** Rows that every process has looked at, and those of another cluster, brought here with a copy of it. */
const FORGET = `
  delete from news
  where at < now() - interval '${KEPT_MS} milliseconds' or xid >= pg_snapshot_xmax(pg_current_snapshot())`;

interface News {
  now: string;
  shopId: string | null;
  what: string[];
}

export class LiveHub {
  private readonly listeners = new Set<Listener>();
  /** What was not told yet, by shop. */
  private readonly untold = new Map<string, Set<string>>();
  private client: pg.Client | null = null;
  private closed = false;
  private retry: NodeJS.Timeout | undefined;

  /** What was visible when it was looked last. */
  private seen: { snapshot: string; at: number } | null = null;
  private isLooking = false;
  /** Looked a moment ago after a change of this process, and whether another came since. */
  private rests = false;
  private isDue = false;
  private ticks = 0;
  private readonly timers: NodeJS.Timeout[] = [];
  private readonly forgetCommits: () => void;

  constructor(private readonly deps: Deps) {
    this.forgetCommits = onCommit(deps.db, () => this.soon());
  }

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
    client.on('notification', ({ payload = '' }) => this.sessionsChanged(payload));
    this.client = client;
    try {
      await client.connect();
      await client.query(`listen ${SESSIONS}`);
      await client.query(FORGET);
      await this.readAllAnew(client);
    } catch (err) {
      this.deps.log.warn({ err }, 'live news: no connection, trying again');
      return this.reconnect(client);
    }
    if (this.timers.length === 0)
      this.timers.push(
        setInterval(() => this.tick(), LOOK_MS).unref(),
        setInterval(() => void this.client?.query(FORGET).catch(() => undefined), KEPT_MS / 10).unref(),
      );
    for (const listener of this.listeners) void this.check(listener);
  }

  /** Everything that is visible now is read by the screens themselves; what comes after is news. */
  private async readAllAnew(client: pg.Client): Promise<void> {
    const { rows } = await client.query<{ now: string }>('select pg_current_snapshot()::text as now');
    this.seen = { snapshot: rows[0]!.now, at: Date.now() };
    for (const listener of this.listeners) listener.ready();
  }

  /** With no screen open it is looked now and then, so that the first is not told what it reads anyway. */
  private tick(): void {
    this.ticks += 1;
    if (this.listeners.size > 0 || this.ticks % IDLE_TICKS === 0) void this.look();
  }

  /** Looks after a change of this process: at once, and what follows at its heels together. */
  private soon(): void {
    if (this.listeners.size === 0) return;
    if (this.rests) return void (this.isDue = true);
    this.rests = true;
    // What was begun before the change may not see it.
    this.isDue = this.isLooking;
    void this.look();
    setTimeout(() => {
      this.rests = false;
      if (this.isDue) this.soon();
    }, TOGETHER_MS).unref();
  }

  private async look(): Promise<void> {
    const { client, seen } = this;
    if (this.isLooking || !client || !seen) return;
    this.isLooking = true;
    try {
      if (Date.now() - seen.at > KEPT_MS / 2) await this.readAllAnew(client);
      else {
        const { rows } = await client.query<News>({ name: 'news', text: NEWS, values: [seen.snapshot] });
        this.seen = { snapshot: rows[0]!.now, at: Date.now() };
        for (const { shopId, what } of rows) if (shopId !== null) this.hear(shopId, what);
      }
    } catch (err) {
      this.deps.log.warn({ err }, 'live news: could not look, connecting anew');
      this.reconnect(client);
    }
    this.isLooking = false;
  }

  private reconnect(client: pg.Client): void {
    if (this.closed || this.client !== client) return;
    this.client = null;
    this.seen = null;
    void client.end().catch(() => undefined);
    this.retry = setTimeout(() => void this.start(), RETRY_MS);
  }

  /** The first goes on its way; what follows at its heels goes with it. */
  private hear(shopId: string, what: readonly string[]): void {
    const untold = this.untold.get(shopId);
    if (untold) for (const one of what) untold.add(one);
    else this.tell(shopId, what);
  }

  private tell(shopId: string, what: readonly string[]): void {
    for (const listener of this.listeners) if (listener.shopId === shopId) listener.send(what);
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
    for (const timer of this.timers) clearInterval(timer);
    this.forgetCommits();
    this.seen = null;
    this.listeners.clear();
    await this.client?.end().catch(() => undefined);
  }
}
