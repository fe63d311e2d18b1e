import { useMutation } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type {
  AgreedPutDto,
  BuildCreateDto,
  BuildNextDto,
  BuildView,
  CustomerPutDto,
  PauseDto,
  StageDto,
} from '#contract/builds.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';
import { sendAct } from '../outgoing/index.ts';

export const buildQuery = (buildId: string) => readOf('buildRead', { params: { buildId } });

export const customersQuery = (q: string) => readOf('customersList', { query: { q } });

export const goneQuery = (q: string) => readOf('closedList', { query: { q } });

export const useCreateBuild = () => useChange('buildCreate', (body: BuildCreateDto) => ({ body }));

export const useSetNext = (buildId: string) =>
  useChange('buildNext', (body: BuildNextDto) => ({ params: { buildId }, body }));

export const usePause = (buildId: string) =>
  useChange('pausePut', ({ pauseId, body }: { pauseId: string; body: PauseDto }) => ({
    params: { buildId, pauseId },
    body,
  }));

export const useEndPause = (buildId: string) =>
  useChange('pauseEnd', (pauseId: string) => ({ params: { buildId, pauseId } }));

export const usePutAgreed = (buildId: string) =>
  useChange('agreedPut', (body: AgreedPutDto) => ({ params: { buildId }, body }));

export const useRenewLink = (buildId: string) => useChange('linkRenew', () => ({ params: { buildId } }));
export const useRevokeLink = (buildId: string) => useChange('linkRevoke', () => ({ params: { buildId } }));

export const useSetStage = (buildId: string) =>
  useChange('buildStage', (dto: Omit<StageDto, 'id'>) => ({
    params: { buildId },
    body: { id: uuidv7(), ...dto },
  }));

export const usePutCustomer = (buildId: string) =>
  useChange('customerPut', (body: CustomerPutDto) => ({ params: { buildId }, body }));

/** Ends one wait by its entry, whatever it is called. */
export function useEndWait(build: BuildView) {
  return useMutation({
    mutationFn: async ({ entryId, subject }: BuildView['waits'][number]) => {
      const id = uuidv7();
      const text = `No longer waiting for ${subject}`;
      return sendAct({
        id,
        route: 'entryAdd',
        params: { buildId: build.id },
        body: {
          ...{ id, kind: 'resumed', text, facts: { subject }, audience: 'shop' },
          does: [{ act: 'release', type: 'hold', id: entryId }],
        },
        words: `${build.nickname}: ${text}`,
      });
    },
  });
}
