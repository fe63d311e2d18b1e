import type { InvoicePutDto } from '#contract/costs.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const costsQuery = (buildId: string) => readOf('costsRead', { params: { buildId } });

export const costsDeskQuery = readOf('costsDesk');

export const invoicesQuery = readOf('invoicesRead');

export const usePutInvoice = () =>
  useChange('invoicePut', ({ invoiceId, body }: { invoiceId: string; body: InvoicePutDto }) => ({
    params: { invoiceId },
    body,
  }));
