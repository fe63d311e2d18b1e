import { InstalmentDropDto, InstalmentPaidDto, InstalmentPutDto, InvoicePutDto } from '#contract/costs.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import { readCosts, readCostsDesk } from './costs.service.ts';
import { dropInstalment, payInstalment, putInstalment } from './instalments.service.ts';
import { putInvoice, readInvoices } from './invoices.service.ts';

export function costsRoutes(deps: Deps): Feature {
  return {
    costsDesk: { run: ({ who }) => readCostsDesk(deps, who) },
    costsRead: { run: ({ who, params }) => readCosts(deps, who, params.buildId) },
    instalmentPut: {
      body: InstalmentPutDto,
      run: ({ who, params, body }) => putInstalment(deps, who, params.buildId, params.instalmentId, body),
    },
    instalmentPaid: {
      body: InstalmentPaidDto,
      run: ({ who, params, body }) => payInstalment(deps, who, params.buildId, params.instalmentId, body),
    },
    instalmentDrop: {
      body: InstalmentDropDto,
      run: ({ who, params, body }) => dropInstalment(deps, who, params.buildId, params.instalmentId, body),
    },
    invoicesRead: { run: ({ who }) => readInvoices(deps, who) },
    invoicePut: {
      body: InvoicePutDto,
      run: ({ who, params, body }) => putInvoice(deps, who, params.invoiceId, body),
    },
  };
}
