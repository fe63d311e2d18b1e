import type { IdentityDto, RowDtoOf } from '#contract/vehicle.ts';
import type { Register } from '#core/vehicle/registers.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const vehicleQuery = (buildId: string) => readOf('vehicleRead', { params: { buildId } });

export const useSaveIdentity = (buildId: string) =>
  useChange('identitySave', (body: IdentityDto) => ({ params: { buildId }, body }));

export const usePutRow = <R extends Register>(buildId: string, register: R) =>
  useChange('registerRowPut', ({ id, body }: { id: string; body: RowDtoOf<R> }) => ({
    params: { buildId, register, rowId: id },
    body,
  }));

export const useDropRow = (buildId: string, register: Register) =>
  useChange('registerRowDrop', (id: string) => ({ params: { buildId, register, rowId: id } }));
