/** Sign-in sessions: an httpOnly cookie that names a row in PostgreSQL. */
import connectPgSimple from 'connect-pg-simple';
import session, { type SessionData } from 'express-session';
import pg from 'pg';
import type { RequestHandler } from 'express';
import type { Role } from '#contract/access.ts';
import type { Deps } from '../deps.ts';

/** Who is signed in: kept in the session, so that a request needs no look-up of its own. */
export interface SignedIn {
  personId: string;
  shopId: string;
  name: string;
  role: Role;
}

declare module 'express-session' {
  interface SessionData {
    who?: SignedIn;
    /** When it began, UTC ISO instant. */
    since?: string;
    /** What the browser said of itself. */
    device?: string;
  }
}

const WEEK_S = 7 * 24 * 3600;

export interface Sessions {
  middleware: RequestHandler;
  close: () => Promise<void>;
}

/** How long a process believes what it last read of a session. */
const BELIEVE_MS = 5000;
const MOST_REMEMBERED = 2000;

/**
 * The store in PostgreSQL, asked at most every five seconds about the same session: otherwise every request would pay
 * for one more query than it needs. What this process changes it knows at once; a sign-out in another process holds
 * here within those five seconds.
 */
function rememberingStore(pool: pg.Pool, log: Deps['log']): session.Store & { close: () => void } {
  const PgStore = connectPgSimple(session);
  // Not touched on every request (that would be a write each); a session lasts a week from sign-in.
  const settings = {
    pool,
    tableName: 'sessions',
    disableTouch: true,
    ttl: WEEK_S,
    pruneSessionInterval: 3600,
    errorLog: (error: unknown) => log.warn({ err: error }, 'sessions'),
  };
  const remembered = new Map<string, { json: string; until: number }>();

  class RememberingStore extends PgStore {
    override get(sid: string, done: (error: unknown, data?: SessionData | null) => void): void {
      const known = remembered.get(sid);
      if (known && known.until > performance.now()) return done(null, JSON.parse(known.json) as SessionData);
      super.get(sid, (error: unknown, data?: SessionData | null) => {
        if (!error && data) remember(sid, data);
        done(error, data);
      });
    }

    override set(sid: string, data: SessionData, done?: (error?: unknown) => void): void {
      remembered.delete(sid);
      super.set(sid, data, done);
    }

    override destroy(sid: string, done?: (error?: unknown) => void): void {
      remembered.delete(sid);
      super.destroy(sid, done);
    }
  }

  function remember(sid: string, data: SessionData): void {
    if (remembered.size >= MOST_REMEMBERED) remembered.clear();
    remembered.set(sid, { json: JSON.stringify(data), until: performance.now() + BELIEVE_MS });
  }
  return new RememberingStore(settings);
}

export function openSessions({
  databaseUrl,
  secret,
  secure,
  log,
}: Pick<Deps, 'databaseUrl' | 'secret' | 'secure' | 'log'>): Sessions {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 4, connectionTimeoutMillis: 5000 });
  // A connection that the database ends while nobody uses it: the pool makes another. Unheard, it would end the process.
  pool.on('error', (err) => log.warn({ err }, 'a session connection was lost'));
  const store = rememberingStore(pool, log);
  const middleware = session({
    name: 'avrik',
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    // Avrik never speaks TLS itself: with an https address a proxy does, and says so in X-Forwarded-Proto.
    proxy: secure,
    cookie: { httpOnly: true, sameSite: 'lax', secure, maxAge: WEEK_S * 1000, path: '/' },
  });
  return {
    middleware,
    close: async () => {
      store.close();
      await pool.end();
    },
  };
}
