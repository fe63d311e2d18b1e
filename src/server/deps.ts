/** Everything the server's parts need from outside, in one object. */
import type { Logger } from 'pino';
import type { Database } from './db/pool.ts';
import type { Transcriber } from './media/transcriber.ts';
import type { PhotoStore } from './media/store.ts';
import type { Outbox, Texts } from './mail/outbox.ts';

/** The time, passed in: UTC ISO instant. */
export interface Clock {
  now(): string;
}

export interface Deps {
  db: Database;
  databaseUrl: string;
  /** Where photographs are kept. */
  photos: PhotoStore;
  clock: Clock;
  log: Logger;
  /** Signs session cookies and derives customers' links. */
  secret: string;
  /** Where people reach this server: `http://localhost:4100`. */
  publicUrl: string;
  /** Behind TLS: cookies are Secure and browsers are told to stay with https. */
  secure: boolean;
  /** smtp://… of the mail server. */
  smtpUrl: string;
  /** The stand-in mail server's box; null when a real mail server is set. */
  outbox: Outbox | null;
  /** Sends text messages; a stand-in where no service is set, null where there is neither. */
  texts: Texts | null;
  /** Writes down what voice notes say; null where nobody does. */
  transcriber: Transcriber | null;
}
