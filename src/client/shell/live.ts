/** What others log appears here: server-sent events, followed by reading again what they touch. */
import { useEffect } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { pathOf } from '#contract/routes.ts';
import { useBuildChanged } from '../features/entries/entries.queries.ts';

const RETRY_MS = 3000;

/**
 * The browser reconnects by itself and says what it last heard, so nothing is missed. Where it gives up (an error
 * answer instead of silence), we begin anew from the same place.
 */
export function useLive(): void {
  const client = useQueryClient();
  const changed = useBuildChanged();
  useEffect(() => {
    let source: EventSource | null = null;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let last = '';
    const connect = (): void => {
      source = new EventSource(pathOf('live') + (last === '' ? '' : `?after=${last}`));
      // What was read before the connection stood may be old already.
      source.addEventListener('ready', (e) => {
        last = e.lastEventId;
        void client.invalidateQueries({
          predicate: (q) => q.queryKey[0] !== 'session' && q.queryKey[0] !== 'letter',
        });
      });
      source.addEventListener('entry', (e) => {
        last = e.lastEventId;
        changed((JSON.parse(e.data as string) as { buildId: string }).buildId);
      });
      source.addEventListener('error', () => {
        if (source?.readyState !== EventSource.CLOSED) return;
        retry = setTimeout(connect, RETRY_MS);
      });
    };
    connect();
    return () => {
      clearTimeout(retry);
      source?.close();
    };
  }, [client, changed]);
}
