import { EntryAddDto, EntryCorrectDto, SaidManyDto } from '#contract/entries.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { addEntry, correctEntry, keepSaid } from './line.service.ts';
import { readOpenThings } from './openThings.service.ts';

export function actsRoutes(deps: Deps): Feature {
  return {
    openThings: { run: ({ who, params }) => readOpenThings(deps, who, params.buildId) },
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
