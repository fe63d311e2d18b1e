/** Sign-in sessions: an httpOnly cookie that names a row in PostgreSQL. */
import connectPgSimple from 'connect-pg-simple';
import session from 'express-session';
import pg from 'pg';
import type { RequestHandler } from 'express';
import type { Role } from '#contract/access.ts';

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
  }
}

const WEEK_S = 7 * 24 * 3600;

export interface Sessions {
  middleware: RequestHandler;
  close: () => Promise<void>;
}

export function openSessions(databaseUrl: string, secret: string, secure: boolean): Sessions {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 4 });
  const Store = connectPgSimple(session);
  // Not touched on every request (that would be a write each); a session lasts a week from sign-in.
  const store = new Store({
    pool,
    tableName: 'sessions',
    disableTouch: true,
    ttl: WEEK_S,
    pruneSessionInterval: 3600,
  });
  const middleware = session({
    name: 'avrik',
    secret,
    store,
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: 'lax', secure, maxAge: WEEK_S * 1000, path: '/' },
  });
  return {
    middleware,
    close: async () => {
      await store.close();
      await pool.end();
    },
  };
}
