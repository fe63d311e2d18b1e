import { useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { PieceStandDto } from '#contract/outwork.ts';
import type { PinnedDto, PlanCarView, PlanPieceView, PlanPlaceView } from '#contract/plan.ts';
import type { EntryAddDto } from '#contract/entries.ts';
import type { Spot } from '#core/plan/floorPlan.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { readChanged, readOf } from '../../shared/reading.ts';

export const planQuery = readOf('planRead');

/** Moves a car: an entry of its logbook, as if it had been written in the log line. */
export function useMoveCar() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ car, place }: { car: PlanCarView; place: PlanPlaceView }) => {
      const body: EntryAddDto = {
        id: uuidv7(),
        kind: 'moved',
        text: `moved to ${place.name}`,
        facts: { place: place.name },
        audience: 'shop',
      };
      return call('entryAdd', { params: { buildId: car.buildId }, body });
    },
    // The car stands where it was dropped at once; a refusal puts it back.
    onMutate: ({ car, place }) => {
      const before = client.getQueryData(planQuery.queryKey);
      client.setQueryData(
        planQuery.queryKey,
        (plan) =>
          plan && {
            ...plan,
            cars: plan.cars.map((c) => (c.buildId === car.buildId ? { ...c, placeId: place.id } : c)),
          },
      );
      return { before };
    },
    onError: (_error, _given, context) => client.setQueryData(planQuery.queryKey, context?.before),
    onSettled: (_data, _error, { car }) => readChanged(client, 'entryAdd', { buildId: car.buildId }),
  });
}

interface Stood {
  piece: Pick<PlanPieceView, 'id' | 'version' | 'buildId'>;
  body: Omit<PieceStandDto, 'version'>;
}

/** Puts a piece at a place, or back on its shelf. */
export const useStandPiece = () =>
  useChange('pieceStand', ({ piece, body }: Stood) => ({
    params: { buildId: piece.buildId, pieceId: piece.id },
    body: { version: piece.version, ...body },
  }));

export const useDrawPlace = () =>
  useChange('placePut', ({ place, spot }: { place: PlanPlaceView; spot: Spot }) => {
    const { id, version, name, kind, position, closed } = place;
    return { params: { placeId: id }, body: { version, name, kind, position, closed, spot } };
  });

export const useSetPinned = () =>
  useChange('pinnedSet', ({ buildId, body }: { buildId: string; body: PinnedDto }) => ({
    params: { buildId },
    body,
  }));
