import type { SymptomEntryDto, SymptomPutDto } from '#contract/symptoms.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const symptomsQuery = (buildId: string) => readOf('symptomsRead', { params: { buildId } });

export const usePutSymptom = (buildId: string) =>
  useChange('symptomPut', ({ symptomId, body }: { symptomId: string; body: SymptomPutDto }) => ({
    params: { buildId, symptomId },
    body,
  }));

interface Linked {
  symptomId: string;
  entryId: string;
  body: SymptomEntryDto;
}

export const useLinkEntry = (buildId: string) =>
  useChange('symptomEntryPut', ({ symptomId, entryId, body }: Linked) => ({
    params: { buildId, symptomId, entryId },
    body,
  }));
