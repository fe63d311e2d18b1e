import { ReaderDto } from '#contract/readers.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './links.service.ts';

export function linksRoutes(deps: Deps): Feature {
  const at = (params: { buildId: string; readerId: string }) => ({
    buildId: params.buildId,
    id: params.readerId,
  });
  return {
    linkRenew: { run: ({ who, params }) => s.renewLink(deps, who, params.buildId) },
    linkRevoke: { run: ({ who, params }) => s.revokeLink(deps, who, params.buildId) },
    readersList: { run: ({ who, params }) => s.readReaders(deps, who, params.buildId) },
    readerPut: {
      body: ReaderDto,
      run: ({ who, params, body }) => s.addReader(deps, who, at(params), body),
    },
    readerDrop: { run: ({ who, params }) => s.dropReader(deps, who, at(params)) },
  };
}
