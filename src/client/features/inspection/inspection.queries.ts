import type { CheckpointMarkDto, FittedDto } from '#contract/inspection.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const inspectionQuery = (buildId: string) => readOf('inspectionRead', { params: { buildId } });

export const useMarkCheckpoint = (buildId: string) =>
  useChange('inspectionMark', (body: CheckpointMarkDto) => ({ params: { buildId }, body }));

export const useSetFitted = (buildId: string) =>
  useChange('fittedSave', (body: FittedDto) => ({ params: { buildId }, body }));
