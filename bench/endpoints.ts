/**
 * Requests per second and 95th-percentile latency of the Floor and the logbook, against bare handlers with the same SQL.
 * The two take turns, after a warm-up; medians of the rounds are compared, since the machine is noisy.
 */
import autocannon from 'autocannon';
import type { BenchServers } from './servers.ts';
import type { Line } from './line.ts';

const WARM_UP_S = 6;
const ROUND_S = 3;
const ROUNDS = 7;
const CONNECTIONS = 8;

const median = (values: number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

interface Round {
  perSecond: number;
  p95: number;
}

function shoot(url: string, cookie: string, seconds: number): Promise<Round> {
  const times: number[] = [];
  return new Promise((resolve, reject) => {
    const settings = { url, connections: CONNECTIONS, duration: seconds, headers: { cookie } };
    const cannon = autocannon(settings, (error, result) => {
      if (error) return reject(error as Error);
      if (result.non2xx > 0 || result.errors > 0)
        return reject(new Error(`${url}: ${result.non2xx} refused, ${result.errors} failed`));
      const sorted = times.sort((a, b) => a - b);
      resolve({ perSecond: result.requests.average, p95: sorted[Math.floor(sorted.length * 0.95)]! });
    });
    cannon.on('response', (_client, _status, _bytes, ms) => times.push(ms));
  });
}

/** Requests a second and latency of the application against the bare handler, in turns. */
export async function compare(
  name: string,
  appUrl: string,
  bareUrl: string,
  cookie: string,
): Promise<Line[]> {
  for (const url of [appUrl, bareUrl]) await shoot(url, cookie, WARM_UP_S);
  const app: Round[] = [];
  const bare: Round[] = [];
  for (let i = 0; i < ROUNDS; i += 1) {
    app.push(await shoot(appUrl, cookie, ROUND_S));
    bare.push(await shoot(bareUrl, cookie, ROUND_S));
  }
  const speed = (rounds: Round[]): number => median(rounds.map((r) => r.perSecond));
  const slow = (rounds: Round[]): number => median(rounds.map((r) => r.p95));
  return [
    { what: `${name}: requests a second`, value: speed(app), unit: '/s' },
    { what: `${name}: requests a second, bare handler with the same SQL`, value: speed(bare), unit: '/s' },
    {
      what: `${name}: requests a second, against the bare handler`,
      value: speed(app) / speed(bare),
      unit: 'times',
      goal: { atLeast: 0.7 },
    },
    {
      what: `${name}: 95th percentile of latency, against the bare handler`,
      value: slow(app) / slow(bare),
      unit: 'times',
    },
  ];
}

export async function benchEndpoints({ app, bare, cookie, buildId }: BenchServers): Promise<Line[]> {
  return [
    ...(await compare('Floor', `${app}/api/floor`, `${bare}/floor`, cookie)),
    ...(await compare(
      'Logbook (200 entries)',
      `${app}/api/builds/${buildId}/entries`,
      `${bare}/logbook`,
      cookie,
    )),
  ];
}
