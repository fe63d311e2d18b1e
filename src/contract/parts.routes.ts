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

const partsRead = get('/api/builds/:buildId/parts', EVERYBODY).answers<PartsView>().about('donors');

const donorsRead = get('/api/donors', EVERYBODY).answers<DonorsView>().about('donors');

export const partsRoutes = {
  partsDesk: get('/api/parts', EVERYBODY)
    .of('every build')
    .asks<PartsQueryDto>()
    .answers<PartsDeskView>()
    .about('donors'),
  partsRead,
  partPut: put('/api/builds/:buildId/parts/:partId', EVERYBODY).takes<PartPutDto>().answersAs(partsRead),
  partsCsv: get('/api/parts/csv', DESK),
  partsImport: post('/api/builds/:buildId/parts/import', DESK)
    .takes<PartsImportDto>()
    .answers<TableView<PartColumn>>(),
  donorsRead,
  donorPut: put('/api/donors/:donorId', EVERYBODY).takes<DonorPutDto>().answersAs(donorsRead).about('donors'),
  partAct: post('/api/builds/:buildId/parts/:partId/act', EVERYBODY).takes<PartActDto>().answersAs(partsRead),
} as const;
