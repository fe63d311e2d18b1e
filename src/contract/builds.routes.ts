/** Routes of builds. */
import type {
  AgreedPutDto,
  BuildCreateDto,
  BuildNextDto,
  BuildView,
  SearchQuery,
  ClosedView,
  CustomerPutDto,
  CustomersView,
  FloorView,
  PauseDto,
  StageDto,
} from './builds.ts';
import { DESK, EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const buildRead = get('/api/builds/:buildId', EVERYBODY).answers<BuildView>().about('terms');

export const buildsRoutes = {
  floor: get('/api/floor', EVERYBODY).of('every build').answers<FloorView>(),
  customersList: get('/api/customers', DESK).asks<SearchQuery>().answers<CustomersView>().about('customers'),
  buildCreate: post('/api/builds', DESK)
    .takes<BuildCreateDto>()
    .answersAs(buildRead, (build) => ({ buildId: build.id }))
    .of('every build')
    .about('customers'),
  buildStage: post('/api/builds/:buildId/stage', DESK)
    .takes<StageDto>()
    .answersAs(buildRead)
    .about('customers'),
  customerPut: put('/api/builds/:buildId/customer', DESK)
    .takes<CustomerPutDto>()
    .answersAs(buildRead)
    .about('customers'),
  closedList: get('/api/closed', EVERYBODY).asks<SearchQuery>().answers<ClosedView>().about('customers'),
  buildRead,
  agreedPut: put('/api/builds/:buildId/agreed', DESK).takes<AgreedPutDto>().answersAs(buildRead),
  pausePut: put('/api/builds/:buildId/pauses/:pauseId', DESK).takes<PauseDto>().answersAs(buildRead),
  pauseEnd: post('/api/builds/:buildId/pauses/:pauseId/end', DESK).answersAs(buildRead),
  buildNext: put('/api/builds/:buildId/next', DESK).takes<BuildNextDto>().answersAs(buildRead),
} as const;
