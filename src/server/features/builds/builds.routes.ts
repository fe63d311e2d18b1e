import { AgreedPutDto, BuildCreateDto, BuildNextDto } from '#contract/builds.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { putAgreed } from './agreed.service.ts';
import { createBuild, listCustomers, readBuild, readFloor, setNext } from './builds.service.ts';

export function buildsRoutes(deps: Deps): Feature {
  return {
    floor: handler({ run: ({ who }) => readFloor(deps, who) }),
    customersList: handler({ run: ({ who }) => listCustomers(deps, who) }),
    buildCreate: handler({ body: BuildCreateDto, run: ({ who, body }) => createBuild(deps, who, body) }),
    buildRead: handler({ run: ({ who, params }) => readBuild(deps, who, params.buildId!) }),
    agreedPut: handler({
      body: AgreedPutDto,
      run: ({ who, params, body }) => putAgreed(deps, who, params.buildId!, body),
    }),
    buildNext: handler({
      body: BuildNextDto,
      run: ({ who, params, body }) => setNext(deps, who, params.buildId!, body),
    }),
  };
}
