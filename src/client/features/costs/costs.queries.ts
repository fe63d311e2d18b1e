import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { RouteName } from '#contract/access.ts';
import type {
  CostsDeskView,
  CostsView,
  InstalmentDropDto,
  InstalmentPaidDto,
  InstalmentPutDto,
  InvoicePutDto,
  InvoicesView,
} from '#contract/costs.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const costsQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['costs', buildId],
    queryFn: ({ signal }) => call<CostsView>('costsRead', { params: { buildId }, signal }),
  });

export const costsDeskQuery = queryOptions({
  queryKey: ['costs-desk'],
  queryFn: ({ signal }) => call<CostsDeskView>('costsDesk', { signal }),
});

export const invoicesQuery = queryOptions({
  queryKey: ['invoices'],
  queryFn: ({ signal }) => call<InvoicesView>('invoicesRead', { signal }),
});

interface Bodies {
  instalmentPut: InstalmentPutDto;
  instalmentPaid: InstalmentPaidDto;
  instalmentDrop: InstalmentDropDto;
}

/** A change of a build's instalments; the server answers with its costs as they are then. */
export function useInstalmentChange<R extends keyof Bodies & RouteName>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ instalmentId, body }: { instalmentId: string; body: Bodies[R] }) =>
      call<CostsView>(route, { params: { buildId, instalmentId }, body }),
    onSuccess: (view) => {
      client.setQueryData(costsQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: ['costs', buildId] }),
  });
}

export function usePutInvoice() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ invoiceId, body }: { invoiceId: string; body: InvoicePutDto }) =>
      call<InvoicesView>('invoicePut', { params: { invoiceId }, body }),
    onSuccess: (view) => {
      client.setQueryData(invoicesQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: ['costs'] });
    },
  });
}
