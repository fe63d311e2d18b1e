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

export const costsRoutes = {
  costsDesk: get('/api/costs', DESK).of('every build').answers<CostsDeskView>(),
  costsRead: get('/api/builds/:buildId/costs', DESK).answers<CostsView>(),
  instalmentPut: put('/api/builds/:buildId/instalments/:instalmentId', DESK)
    .takes<InstalmentPutDto>()
    .answers<CostsView>(),
  instalmentPaid: post('/api/builds/:buildId/instalments/:instalmentId/received', DESK)
    .takes<InstalmentPaidDto>()
    .answers<CostsView>(),
  instalmentDrop: del('/api/builds/:buildId/instalments/:instalmentId', DESK)
    .takes<InstalmentDropDto>()
    .answers<CostsView>(),
  invoicesRead: get('/api/invoices', DESK).of('every build').answers<InvoicesView>(),
  invoicePut: put('/api/invoices/:invoiceId', DESK).takes<InvoicePutDto>().answers<InvoicesView>(),
} as const;
