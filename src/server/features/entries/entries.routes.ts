import { EntriesQueryDto } from '#contract/entries.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { listEntries } from './entries.service.ts';

export function entriesRoutes(deps: Deps): Feature {
  return {
    entriesList: {
      query: EntriesQueryDto,
      run: ({ who, params, query }) => listEntries(deps, who, params.buildId, query),
    },
  };
}
