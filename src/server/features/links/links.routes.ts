import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import * as s from './links.service.ts';

export function linksRoutes(deps: Deps): Feature {
  return {
    linkRenew: handler({ run: ({ who, params }) => s.renewLink(deps, who, params.buildId!) }),
    linkRevoke: handler({ run: ({ who, params }) => s.revokeLink(deps, who, params.buildId!) }),
  };
}
