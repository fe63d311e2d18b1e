/** Routes of symptoms. */
import type { SymptomEntryDto, SymptomPutDto, SymptomsView } from './symptoms.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

export const symptomsRoutes = {
  symptomsRead: get('/api/builds/:buildId/symptoms', EVERYBODY).answers<SymptomsView>(),
  symptomPut: put('/api/builds/:buildId/symptoms/:symptomId', EVERYBODY)
    .takes<SymptomPutDto>()
    .answers<SymptomsView>(),
  symptomEntryPut: put('/api/builds/:buildId/symptoms/:symptomId/entries/:entryId', EVERYBODY)
    .takes<SymptomEntryDto>()
    .answers<SymptomsView>(),
} as const;
