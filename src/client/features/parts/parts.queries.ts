import type { DonorPutDto, PartActDto, PartPutDto, PartsImportDto } from '#contract/parts.ts';
import type { TableBody } from '#contract/table.ts';
import type { PartColumn } from '#core/parts/exchange.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const partsQuery = (buildId: string) => readOf('partsRead', { params: { buildId } });

export const deskQuery = (q: string) => readOf('partsDesk', { query: { q } });

export const usePutPart = (buildId: string) =>
  useChange('partPut', ({ partId, body }: { partId: string; body: PartPutDto }) => ({
    params: { buildId, partId },
    body,
  }));

export const useActOnPart = (buildId: string) =>
  useChange('partAct', ({ partId, body }: { partId: string; body: PartActDto }) => ({
    params: { buildId, partId },
    body,
  }));

/** Looks at a table of parts, or keeps it. */
export const useImportParts = (buildId: string) =>
  useChange('partsImport', (body: TableBody<PartColumn>) => ({
    params: { buildId },
    body: body satisfies PartsImportDto,
  }));

export const donorsQuery = readOf('donorsRead');

export const usePutDonor = () =>
  useChange('donorPut', ({ donorId, body }: { donorId: string; body: DonorPutDto }) => ({
    params: { donorId },
    body,
  }));
