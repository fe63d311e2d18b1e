import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { SymptomEntryDto, SymptomPutDto, SymptomsView } from '#contract/symptoms.ts';
import { call } from '../../shared/api.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const symptomsQuery = (buildId: string) => readOf('symptomsRead', { params: { buildId } });

/** A change of a build's symptoms; the server answers with all of them as they are then. */
function useChange<T>(buildId: string, change: (given: T) => Promise<SymptomsView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (view) => client.setQueryData(symptomsQuery(buildId).queryKey, view),
    onError: () => client.invalidateQueries({ queryKey: keyOf('symptomsRead', buildId) }),
  });
}

export const usePutSymptom = (buildId: string) =>
  useChange(buildId, ({ symptomId, body }: { symptomId: string; body: SymptomPutDto }) =>
    call('symptomPut', { params: { buildId, symptomId }, body }),
  );

export const useLinkEntry = (buildId: string) =>
  useChange(
    buildId,
    ({ symptomId, entryId, body }: { symptomId: string; entryId: string; body: SymptomEntryDto }) =>
      call('symptomEntryPut', { params: { buildId, symptomId, entryId }, body }),
  );
