import { EntriesQueryDto, EntryAddDto, EntryCorrectDto, SaidManyDto } from '#contract/entries.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { addEntry, correctEntry, keepSaid, listEntries } from './entries.service.ts';

export function entriesRoutes(deps: Deps): Feature {
  return {
    entriesList: handler({
      query: EntriesQueryDto,
      run: ({ who, params, query }) => listEntries(deps, who, params.buildId!, query),
    }),
    entryAdd: handler({
      body: EntryAddDto,
      run: ({ who, params, body }) => addEntry(deps, who, params.buildId!, body),
    }),
    saidKeep: handler({ body: SaidManyDto, run: ({ who, body }) => keepSaid(deps, who, body) }),
    entryCorrect: handler({
      body: EntryCorrectDto,
      run: ({ who, params, body }) => correctEntry(deps, who, params.buildId!, body),
    }),
  };
}
