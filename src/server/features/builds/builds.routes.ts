import {
  AgreedPutDto,
  BuildCreateDto,
  BuildNextDto,
  ClosedQuery,
  CustomerPutDto,
  PauseDto,
  StageDto,
} from '#contract/builds.ts';
import type { Deps } from '../../deps.ts';
import { handler, type Feature } from '../../http/routes.ts';
import { putAgreed } from './agreed.service.ts';
import { listClosed, putCustomer, setStage } from './stages.service.ts';
import { pauseBuild, resumeBuild } from './pauses.service.ts';
import { createBuild, listCustomers, readBuild, readFloor, setNext } from './builds.service.ts';

export function buildsRoutes(deps: Deps): Feature {
  return {
    floor: handler({ run: ({ who }) => readFloor(deps, who) }),
    customersList: handler({ run: ({ who }) => listCustomers(deps, who) }),
    buildCreate: handler({ body: BuildCreateDto, run: ({ who, body }) => createBuild(deps, who, body) }),
    buildRead: handler({ run: ({ who, params }) => readBuild(deps, who, params.buildId!) }),
    buildStage: handler({
      body: StageDto,
      run: ({ who, params, body }) => setStage(deps, who, params.buildId!, body),
    }),
    customerPut: handler({
      body: CustomerPutDto,
      run: ({ who, params, body }) => putCustomer(deps, who, params.buildId!, body),
    }),
    closedList: handler({
      query: ClosedQuery,
      run: ({ who, query }) => listClosed(deps, who, query.q ?? ''),
    }),
    agreedPut: handler({
      body: AgreedPutDto,
      run: ({ who, params, body }) => putAgreed(deps, who, params.buildId!, body),
    }),
    pausePut: handler({
      body: PauseDto,
      run: ({ who, params, body }) => pauseBuild(deps, who, params.buildId!, params.pauseId!, body),
    }),
    pauseEnd: handler({
      run: ({ who, params }) => resumeBuild(deps, who, params.buildId!, params.pauseId!),
    }),
    buildNext: handler({
      body: BuildNextDto,
      run: ({ who, params, body }) => setNext(deps, who, params.buildId!, body),
    }),
  };
}
