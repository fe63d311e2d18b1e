/** The reader's weights come when they are first needed, and with no network from this device. */
import { useQuery } from '@tanstack/react-query';
import { areLoaded, loadWeights } from '#core/reader/index.ts';

/** Whether speech can be read yet. */
export function useReader(): { isReady: boolean; isMissing: boolean } {
  const { isSuccess, isError } = useQuery({
    queryKey: ['reader'],
    queryFn: async () => {
      await loadWeights();
      return true;
    },
    initialData: areLoaded() ? true : undefined,
    staleTime: Infinity,
    gcTime: Infinity,
    networkMode: 'always',
  });
  return { isReady: isSuccess, isMissing: isError };
}
