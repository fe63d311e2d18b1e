/**
 * Which names this server answers to. Without it, a page of somebody else’s could give its own name this machine’s address
 * and read what is shown here to whoever is near (DNS rebinding). An address in digits cannot be given so.
 */
import { isIP } from 'node:net';
import type { RequestHandler } from 'express';
import { Refusal } from './refusal.ts';

const LOOPBACK = new Set(['localhost', '127.0.0.1', '::1']);

const bare = (host: string): string =>
  host
    .toLowerCase()
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .replace(/\.$/, '');

export const isLoopback = (host: string): boolean => {
  const name = bare(host);
  return LOOPBACK.has(name) || /^127\.\d+\.\d+\.\d+$/.test(name);
};

/** @param names further names, as a setting gives them */
export function refuseStrangeHosts(publicUrl: string, names: readonly string[]): RequestHandler {
  const known = new Set([bare(new URL(publicUrl).host), ...names.map(bare)]);
  return (req, _res, next) => {
    const host = req.get('host') ?? '';
    const name = bare(host);
    if (!known.has(name) && !isLoopback(host) && isIP(name) === 0)
      throw new Refusal('misdirected', `This server does not answer to the name ${name.slice(0, 80)}.`);
    next();
  };
}
