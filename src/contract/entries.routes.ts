/** Routes of entries. */
import type {
  EntriesQueryDto,
  EntriesView,
  EntryAddDto,
  EntryCorrectDto,
  EntryView,
  OpenThingsView,
  SaidManyDto,
} from './entries.ts';
import { EVERYBODY } from './access.ts';
import { get, post } from './route.ts';

export const entriesRoutes = {
  entriesList: get('/api/builds/:buildId/entries', EVERYBODY).asks<EntriesQueryDto>().answers<EntriesView>(),
  /** What is open on a car, as a line may name it. */
  openThings: get('/api/builds/:buildId/open', EVERYBODY).answers<OpenThingsView>(),
  entryAdd: post('/api/builds/:buildId/entries', EVERYBODY).takes<EntryAddDto>().answers<EntryView>(),
  /** A run of speech about several cars: all of it, or none. */
  saidKeep: post('/api/said', EVERYBODY).takes<SaidManyDto>().answers<{ kept: number }>().of('every build'),
  entryCorrect: post('/api/builds/:buildId/corrections', EVERYBODY)
    .takes<EntryCorrectDto>()
    .answers<EntryView>(),
} as const;
