/** The reader and its weights come when they are first needed, and with no network from this device. */
import { useQuery, type QueryClient } from '@tanstack/react-query';
import type { readLine } from '#core/reader/line.ts';

export interface Reader {
  readLine: typeof readLine;
}

let loaded: Reader | undefined;

export async function loadReader(): Promise<Reader> {
  const line = await import('#core/reader/line.ts');
  await line.loadWeights();
  loaded = { readLine: line.readLine };
  return loaded;
}

const readerQuery = {
  queryKey: ['reader'],
  queryFn: loadReader,
  staleTime: Infinity,
  gcTime: Infinity,
  networkMode: 'always',
} as const;

/** The reader, null until it is here; and whether it cannot come. */
export function useReader(isNeeded = true): { reader: Reader | null; isMissing: boolean } {
  const { data, isError } = useQuery({ ...readerQuery, enabled: isNeeded, initialData: () => loaded });
  return { reader: data ?? null, isMissing: isError };
}

/** The reader once it is here; null where it cannot come. */
export const readerSoon = (client: QueryClient): Promise<Reader | null> =>
  client.ensureQueryData(readerQuery).catch(() => null);
