import { EntriesQueryDto, EntryAddDto, EntryCorrectDto, SaidManyDto } from '#contract/entries.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { addEntry, correctEntry, keepSaid, listEntries } from './entries.service.ts';

export function entriesRoutes(deps: Deps): Feature {
  return {
    entriesList: {
      query: EntriesQueryDto,
      run: ({ who, params, query }) => listEntries(deps, who, params.buildId, query),
    },
    entryAdd: {
      body: EntryAddDto,
      run: ({ who, params, body }) => addEntry(deps, who, params.buildId, body),
    },
    saidKeep: { body: SaidManyDto, run: ({ who, body }) => keepSaid(deps, who, body) },
    entryCorrect: {
      body: EntryCorrectDto,
      run: ({ who, params, body }) => correctEntry(deps, who, params.buildId, body),
    },
  };
}
