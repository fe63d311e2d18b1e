import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { InvoicePutDto } from '#contract/costs.ts';
import { call, callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const costsQuery = (buildId: string) => readOf('costsRead', { params: { buildId } });

export const costsDeskQuery = readOf('costsDesk');

export const invoicesQuery = readOf('invoicesRead');

/** A change of a build's instalments; the server answers with its costs as they are then. */
export function useInstalmentChange<R extends 'instalmentPut' | 'instalmentPaid' | 'instalmentDrop'>(
  buildId: string,
  route: R,
) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (given: OfCar<R>) => callOfCar(route, buildId, given),
    onSuccess: (view) => {
      client.setQueryData(costsQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('costsRead', buildId) }),
  });
}

export function usePutInvoice() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ invoiceId, body }: { invoiceId: string; body: InvoicePutDto }) =>
      call('invoicePut', { params: { invoiceId }, body }),
    onSuccess: (view) => {
      client.setQueryData(invoicesQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('costsRead') });
    },
  });
}
