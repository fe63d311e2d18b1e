/** Routes of symptoms. */
import type { SymptomEntryDto, SymptomPutDto, SymptomsView } from './symptoms.ts';
import { EVERYBODY } from './access.ts';
import { get, put } from './route.ts';

const symptomsRead = get('/api/builds/:buildId/symptoms', EVERYBODY).answers<SymptomsView>();

export const symptomsRoutes = {
  symptomsRead,
  symptomPut: put('/api/builds/:buildId/symptoms/:symptomId', EVERYBODY)
    .takes<SymptomPutDto>()
    .answersAs(symptomsRead),
  symptomEntryPut: put('/api/builds/:buildId/symptoms/:symptomId/entries/:entryId', EVERYBODY)
    .takes<SymptomEntryDto>()
    .answersAs(symptomsRead),
} as const;
