/** Everything the server's parts need from outside, in one object. */
import type { Logger } from 'pino';
import type { Computer } from './compute/computer.ts';
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
  /** Works out what may take long, in threads of its own. */
  compute: Computer;
  /** Where everything is kept that is not in the database. */
  dataFolder: string;
  /** The room on the disk that it lies on. */
  disk: () => Promise<{ freeBytes: number; totalBytes: number }>;
  /** How copies of everything are made. */
  copies: 'daily' | 'off' | 'elsewhere';
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
  /** Further names that the server answers to. */
  hosts: readonly string[];
  /** Proxies before this server whose word about the caller's address is believed: how many, or which. */
  proxies: number | false | string[];
  /** Anybody who reaches the server may enter the demo shop with one press. */
  openDemo: boolean;
  /** smtp://… of the mail server. */
  smtpUrl: string;
  /** Where mail comes from that goes through `smtpUrl`; null where that is the stand-in. */
  mailFrom: string | null;
  /** The stand-in mail server's box; null when a real mail server is set. */
  outbox: Outbox | null;
  /** Sends text messages; a stand-in where no service is set, null where there is neither. */
  texts: Texts | null;
  /** Writes down what voice notes say; null where nobody does. */
  transcriber: Transcriber | null;
}
