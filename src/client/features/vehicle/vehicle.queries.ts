import { useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { IdentityDto, RowDtoOf, VehicleView } from '#contract/vehicle.ts';
import type { Register } from '#core/vehicle/registers.ts';
import { call } from '../../shared/api.ts';
import { keyOf, readOf } from '../../shared/reading.ts';

export const vehicleQuery = (buildId: string) => readOf('vehicleRead', { params: { buildId } });

const took = (client: QueryClient, buildId: string) => (view: VehicleView) => {
  client.setQueryData(vehicleQuery(buildId).queryKey, view);
  void client.invalidateQueries({ queryKey: keyOf('buildRead', buildId) });
};

export function useSaveIdentity(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: IdentityDto) => call('identitySave', { params: { buildId }, body }),
    onSuccess: took(client, buildId),
  });
}

export function usePutRow<R extends Register>(buildId: string, register: R) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: RowDtoOf<R> }) =>
      call('registerRowPut', { params: { buildId, register, rowId: id }, body }),
    onSuccess: took(client, buildId),
  });
}

export function useDropRow(buildId: string, register: Register) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: string) => call('registerRowDrop', { params: { buildId, register, rowId: id } }),
    onSuccess: took(client, buildId),
  });
}
