import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { DonorPutDto, PartActDto, PartPutDto, PartsImportDto, PartsView } from '#contract/parts.ts';
import type { TableBody } from '#contract/table.ts';
import type { PartColumn } from '#core/parts/exchange.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const partsQuery = (buildId: string) => readOf('partsRead', { params: { buildId } });

export const deskQuery = (q: string) => readOf('partsDesk', { query: { q } });

/** A change of a build's parts; the server answers with all of them as they are then. */
function useChange<T>(buildId: string, change: (given: T) => Promise<PartsView>) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: change,
    onSuccess: (view) => {
      client.setQueryData(partsQuery(buildId).queryKey, view);
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('partsRead', buildId) }),
  });
}

export const usePutPart = (buildId: string) =>
  useChange(buildId, ({ partId, body }: { partId: string; body: PartPutDto }) =>
    call('partPut', { params: { buildId, partId }, body }),
  );

export const useActOnPart = (buildId: string) =>
  useChange(buildId, ({ partId, body }: { partId: string; body: PartActDto }) =>
    call('partAct', { params: { buildId, partId }, body }),
  );

/** Looks at a table of parts, or keeps it. */
export function useImportParts(buildId: string) {
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: TableBody<PartColumn>) =>
      call('partsImport', {
        params: { buildId },
        body: body satisfies PartsImportDto,
      }),
    onSuccess: (view) => {
      if (view.kept) changed(buildId);
    },
  });
}

export const donorsQuery = readOf('donorsRead');

export function usePutDonor() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ donorId, body }: { donorId: string; body: DonorPutDto }) =>
      call('donorPut', { params: { donorId }, body }),
    onSuccess: (view) => {
      client.setQueryData(donorsQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('partsRead') });
      void client.invalidateQueries({ queryKey: keyOf('partsDesk') });
    },
    onError: () => client.invalidateQueries({ queryKey: donorsQuery.queryKey }),
  });
}
