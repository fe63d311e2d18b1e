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

export const buildsRoutes = {
  floor: get('/api/floor', EVERYBODY).of('every build').answers<FloorView>(),
  customersList: get('/api/customers', DESK).asks<SearchQuery>().answers<CustomersView>(),
  buildCreate: post('/api/builds', DESK).takes<BuildCreateDto>().answers<BuildView>(),
  buildStage: post('/api/builds/:buildId/stage', DESK).takes<StageDto>().answers<BuildView>(),
  customerPut: put('/api/builds/:buildId/customer', DESK).takes<CustomerPutDto>().answers<BuildView>(),
  closedList: get('/api/closed', EVERYBODY).asks<SearchQuery>().answers<ClosedView>(),
  buildRead: get('/api/builds/:buildId', EVERYBODY).answers<BuildView>(),
  agreedPut: put('/api/builds/:buildId/agreed', DESK).takes<AgreedPutDto>().answers<BuildView>(),
  pausePut: put('/api/builds/:buildId/pauses/:pauseId', DESK).takes<PauseDto>().answers<BuildView>(),
  pauseEnd: post('/api/builds/:buildId/pauses/:pauseId/end', DESK).answers<BuildView>(),
  buildNext: put('/api/builds/:buildId/next', DESK).takes<BuildNextDto>().answers<BuildView>(),
} as const;
