/** What others log appears here: server-sent events, followed by reading again what they touch. */
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { pathOf } from '#contract/routes.ts';
import { useBuildChanged } from '../features/entries/entries.queries.ts';

const RETRY_MS = 3000;
/** However much others log, a screen reads again at most this often. */
const APART_MS = 1000;

/**
 * Every connection begins with reading anew, so what happened while there was none is missed nowhere. Where the browser gives up
 * (an error answer instead of silence), we begin again.
 */
export function useLive(): void {
  const client = useQueryClient();
  const changed = useBuildChanged();
  useEffect(() => {
    let source: EventSource | null = null;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let next: ReturnType<typeof setTimeout> | undefined;
    const waiting = new Set<string>();
    const readAgain = (): void => {
      next = undefined;
      if (waiting.size === 0) return;
      changed(...waiting);
      waiting.clear();
      next = setTimeout(readAgain, APART_MS);
    };
    const connect = (): void => {
      source = new EventSource(pathOf('live'));
      // What was read before the connection stood may be old already.
      source.addEventListener('ready', () => {
        void client.invalidateQueries({
          predicate: (q) => q.queryKey[0] !== 'session' && q.queryKey[0] !== 'letter',
        });
      });
      source.addEventListener('entries', (e) => {
        const { buildIds } = JSON.parse(e.data as string) as { buildIds: string[] };
        for (const id of buildIds) waiting.add(id);
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
  }, [client, changed]);
}
