/** Routes of costs. */
import type {
  CostsDeskView,
  CostsView,
  InstalmentDropDto,
  InstalmentPaidDto,
  InstalmentPutDto,
  InvoicePutDto,
  InvoicesView,
} from './costs.ts';
import { DESK } from './access.ts';
import { del, get, post, put } from './route.ts';

const costsRead = get('/api/builds/:buildId/costs', DESK).answers<CostsView>().about('rates');

const invoicesRead = get('/api/invoices', DESK).of('every build').answers<InvoicesView>();

export const costsRoutes = {
  costsDesk: get('/api/costs', DESK).of('every build').answers<CostsDeskView>().about('rates'),
  costsRead,
  instalmentPut: put('/api/builds/:buildId/instalments/:instalmentId', DESK)
    .takes<InstalmentPutDto>()
    .answersAs(costsRead),
  instalmentPaid: post('/api/builds/:buildId/instalments/:instalmentId/received', DESK)
    .takes<InstalmentPaidDto>()
    .answersAs(costsRead),
  instalmentDrop: del('/api/builds/:buildId/instalments/:instalmentId', DESK)
    .takes<InstalmentDropDto>()
    .answersAs(costsRead),
  invoicesRead,
  invoicePut: put('/api/invoices/:invoiceId', DESK)
    .takes<InvoicePutDto>()
    .answersAs(invoicesRead)
    .of('every build'),
} as const;
