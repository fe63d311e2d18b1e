/** What others change appears here: server-sent events, followed by reading again what they touch. */
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { pathOf } from '#contract/routes.ts';
import { Pace } from '../shared/pace.ts';
import { readAllAnew, readChanged, readTold } from '../shared/reading.ts';
import { onActArrived } from '../features/outgoing/index.ts';

const RETRY_MS = 3000;
/** What others log is read at once while it is seldom; however much it is, once a second in the long run. */
const BURST = 3;
const APART_MS = 1000;

/**
 * Every connection begins with reading anew, so what happened while there was none is missed nowhere. Where the browser gives up
 * (an error answer instead of silence), we begin again.
 */
export function useLive(): void {
  const client = useQueryClient();
  // What was kept on this device, now that the server has it.
  useEffect(() => onActArrived(({ route, params }) => readChanged(client, route, params)), [client]);
  useEffect(() => {
    let source: EventSource | null = null;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let next: ReturnType<typeof setTimeout> | undefined;
    const waiting = new Set<string>();
    const pace = new Pace(BURST, APART_MS);
    const readAgain = (): void => {
      const wait = pace.take(performance.now());
      next = wait === 0 ? undefined : setTimeout(readAgain, wait);
      if (next !== undefined) return;
      readTold(client, waiting);
      waiting.clear();
    };
    const connect = (): void => {
      source = new EventSource(pathOf('live'));
      // What was read before the connection stood may be old already.
      source.addEventListener('ready', () => readAllAnew(client, 'sessionRead', 'letterRead'));
      source.addEventListener('changed', (e) => {
        const { what } = JSON.parse(e.data as string) as { what: string[] };
        for (const one of what) waiting.add(one);
        if (next === undefined) readAgain();
      });
      source.addEventListener('error', () => {
        if (source?.readyState !== EventSource.CLOSED) return;
        retry = setTimeout(connect, RETRY_MS);
      });
    };
    connect();
    return () => {
      clearTimeout(retry);
      clearTimeout(next);
      source?.close();
    };
  }, [client]);
}
