import { SymptomEntryDto, SymptomPutDto } from '#contract/symptoms.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './symptoms.service.ts';

export function symptomsRoutes(deps: Deps): Feature {
  return {
    symptomsRead: { run: ({ who, params }) => s.readSymptoms(deps, who, params.buildId) },
    symptomPut: {
      body: SymptomPutDto,
      run: ({ who, params, body }) => s.putSymptom(deps, who, params.buildId, params.symptomId, body),
    },
    symptomEntryPut: {
      body: SymptomEntryDto,
      run: ({ who, params: { buildId, symptomId, entryId }, body }) =>
        s.linkEntry(deps, who, buildId!, { symptomId: symptomId!, entryId: entryId! }, body),
    },
  };
}
