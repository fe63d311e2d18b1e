/** What the database and the disk say when they cannot, as refusals that people understand. */
import { Refusal } from './refusal.ts';

/** Errors of the network that mean nobody answers there. */
const NOBODY_THERE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND', 'EAI_AGAIN']);

/** SQLSTATE (PostgreSQL 15, appendix A): shutting down, crashed, starting up, dropped, too many connections. */
const NOT_NOW = new Set(['57P01', '57P02', '57P03', '57P04', '53300']);

/** Words of the drivers for a connection that broke, which have no code. */
const BROKEN =
  /^(?:Connection terminated|Client has encountered a connection error|timeout exceeded when trying to connect|Knex: Timeout acquiring a connection)/;

interface Fault {
  code?: unknown;
  message?: unknown;
}

export function isDatabaseAway({ code, message }: Fault): boolean {
  if (typeof code === 'string' && (NOBODY_THERE.has(code) || NOT_NOW.has(code) || /^08/.test(code)))
    return true;
  return typeof message === 'string' && BROKEN.test(message);
}

/** The disk of the server or of the database is full, or the quota used up. */
const isDiskFull = ({ code }: Fault): boolean => code === 'ENOSPC' || code === 'EDQUOT' || code === '53100';

/** Null where it is no fault that is known. */
export function refusalOfStorage(error: Fault): Refusal | null {
  const { code } = error;
  if (isDatabaseAway(error))
    return new Refusal(
      'unavailable',
      'The database does not answer just now. Nothing was lost; it is tried again in a moment.',
    );
  if (isDiskFull(error))
    return new Refusal(
      'disk-full',
      'The disk of the shop’s server is full. This was not kept there; what you log stays on this device and goes by itself when there is room.',
    );
  if (typeof code !== 'string') return null;
  // Class 22, "data exception": a value beyond what its column takes.
  if (/^22[0-9A-Z]{3}$/.test(code))
    return new Refusal('invalid', 'A value in it is beyond what can be kept. Nothing was kept.');
  if (code === '23505')
    return new Refusal(
      'conflict',
      'That id was used already, for something else. Nothing was kept; read it again and try once more.',
    );
  // Took too long, or waited too long for what somebody else held: it was given up whole.
  if (code === '57014' || code === '55P03')
    return new Refusal('unavailable', 'That took too long just now, and nothing was kept. Try once more.');
  // Two that waited for each other, or for the same rows: the same again succeeds.
  if (code === '40001' || code === '40P01')
    return new Refusal(
      'unavailable',
      'Two changed the same at once, and this one was put off. Try once more.',
    );
  return null;
}
