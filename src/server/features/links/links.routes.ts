import { ReaderDto } from '#contract/readers.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './links.service.ts';

export function linksRoutes(deps: Deps): Feature {
  const at = (params: Record<string, string>) => ({ buildId: params.buildId!, id: params.readerId! });
  return {
    linkRenew: handler({ run: ({ who, params }) => s.renewLink(deps, who, params.buildId!) }),
    linkRevoke: handler({ run: ({ who, params }) => s.revokeLink(deps, who, params.buildId!) }),
    readersList: handler({ run: ({ who, params }) => s.readReaders(deps, who, params.buildId!) }),
    readerPut: handler({
      body: ReaderDto,
      run: ({ who, params, body }) => s.addReader(deps, who, at(params), body),
    }),
    readerDrop: handler({ run: ({ who, params }) => s.dropReader(deps, who, at(params)) }),
  };
}
