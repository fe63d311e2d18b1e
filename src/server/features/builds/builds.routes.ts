import {
  AgreedPutDto,
  BuildCreateDto,
  BuildNextDto,
  SearchQuery,
  CustomerPutDto,
  PauseDto,
  StageDto,
} from '#contract/builds.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { putAgreed } from './agreed.service.ts';
import { listClosed, putCustomer, setStage } from './stages.service.ts';
import { pauseBuild, resumeBuild } from './pauses.service.ts';
import { createBuild, listCustomers, readBuild, readFloor, setNext } from './builds.service.ts';

export function buildsRoutes(deps: Deps): Feature {
  return {
    floor: { run: ({ who }) => readFloor(deps, who) },
    customersList: {
      query: SearchQuery,
      run: ({ who, query }) => listCustomers(deps, who, query.q ?? ''),
    },
    buildCreate: { body: BuildCreateDto, run: ({ who, body }) => createBuild(deps, who, body) },
    buildRead: { run: ({ who, params }) => readBuild(deps, who, params.buildId) },
    buildStage: {
      body: StageDto,
      run: ({ who, params, body }) => setStage(deps, who, params.buildId, body),
    },
    customerPut: {
      body: CustomerPutDto,
      run: ({ who, params, body }) => putCustomer(deps, who, params.buildId, body),
    },
    closedList: {
      query: SearchQuery,
      run: ({ who, query }) => listClosed(deps, who, query.q ?? ''),
    },
    agreedPut: {
      body: AgreedPutDto,
      run: ({ who, params, body }) => putAgreed(deps, who, params.buildId, body),
    },
    pausePut: {
      body: PauseDto,
      run: ({ who, params, body }) => pauseBuild(deps, who, params.buildId, params.pauseId, body),
    },
    pauseEnd: {
      run: ({ who, params }) => resumeBuild(deps, who, params.buildId, params.pauseId),
    },
    buildNext: {
      body: BuildNextDto,
      run: ({ who, params, body }) => setNext(deps, who, params.buildId, body),
    },
  };
}
