/** Routes of parts. */
import type {
  DonorPutDto,
  DonorsView,
  PartActDto,
  PartPutDto,
  PartsDeskView,
  PartsImportDto,
  PartsQueryDto,
  PartsView,
} from './parts.ts';
import type { TableView } from './table.ts';
import type { PartColumn } from '#core/parts/exchange.ts';
import { DESK, EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const partsRoutes = {
  partsDesk: get('/api/parts', EVERYBODY).of('every build').asks<PartsQueryDto>().answers<PartsDeskView>(),
  partsRead: get('/api/builds/:buildId/parts', EVERYBODY).answers<PartsView>(),
  partPut: put('/api/builds/:buildId/parts/:partId', EVERYBODY).takes<PartPutDto>().answers<PartsView>(),
  partsCsv: get('/api/parts/csv', DESK),
  partsImport: post('/api/builds/:buildId/parts/import', DESK)
    .takes<PartsImportDto>()
    .answers<TableView<PartColumn>>(),
  donorsRead: get('/api/donors', EVERYBODY).answers<DonorsView>(),
  donorPut: put('/api/donors/:donorId', EVERYBODY).takes<DonorPutDto>().answers<DonorsView>(),
  partAct: post('/api/builds/:buildId/parts/:partId/act', EVERYBODY).takes<PartActDto>().answers<PartsView>(),
} as const;
