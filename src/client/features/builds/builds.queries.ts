import { useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AgreedPutDto,
  BuildCreateDto,
  BuildNextDto,
  BuildView,
  CustomerPutDto,
  PauseDto,
  StageDto,
} from '#contract/builds.ts';
import { useBuildChanged } from '../entries/index.ts';
import { sendAct } from '../outgoing/index.ts';
import { v7 as uuidv7 } from 'uuid';
import { call } from '../../shared/api.ts';
import { keyOf, readAgain, readOf } from '../../shared/reading.ts';

export const buildQuery = (buildId: string) => readOf('buildRead', { params: { buildId } });

export const customersQuery = (q: string) => readOf('customersList', { query: { q } });

export function useCreateBuild() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BuildCreateDto) => call('buildCreate', { body }),
    onSuccess: (build) => {
      client.setQueryData(buildQuery(build.id).queryKey, build);
      void client.invalidateQueries({ queryKey: keyOf('floor') });
      void client.invalidateQueries({ queryKey: keyOf('known') });
      void client.invalidateQueries({ queryKey: keyOf('customersList') });
    },
  });
}

export function useSetNext(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BuildNextDto) => call('buildNext', { params: { buildId }, body }),
    onSuccess: (build) => client.setQueryData(buildQuery(buildId).queryKey, build),
  });
}

/** A build rests, or goes on again. */
export function usePause(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ pauseId, body }: { pauseId: string; body?: PauseDto }) =>
      body
        ? call('pausePut', { params: { buildId, pauseId }, body })
        : call('pauseEnd', { params: { buildId, pauseId } }),
    onSuccess: (build) => {
      client.setQueryData(buildQuery(buildId).queryKey, build);
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('buildRead', buildId) }),
  });
}

export function usePutAgreed(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (body: AgreedPutDto) => call('agreedPut', { params: { buildId }, body }),
    onSuccess: (build) => {
      client.setQueryData(buildQuery(buildId).queryKey, build);
      changed(buildId);
      void client.invalidateQueries({ queryKey: keyOf('estimateRead', buildId) });
      void client.invalidateQueries({ queryKey: keyOf('proposalsRead', buildId) });
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('buildRead', buildId) }),
  });
}

export function useLink(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (act: 'renew' | 'revoke') =>
      call(act === 'renew' ? 'linkRenew' : 'linkRevoke', { params: { buildId } }),
    onSuccess: () => client.invalidateQueries({ queryKey: keyOf('buildRead', buildId) }),
  });
}

export const goneQuery = (q: string) => readOf('closedList', { query: { q } });

/** What changes with a build's stage or name: wherever it is listed. */
function useEverywhere(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return (build: BuildView): void => {
    client.setQueryData(buildQuery(buildId).queryKey, build);
    changed(buildId);
    readAgain(client, 'closedList', 'customersList', 'lettersDue');
  };
}

export function useSetStage(buildId: string) {
  const everywhere = useEverywhere(buildId);
  return useMutation({
    mutationFn: (dto: Omit<StageDto, 'id'>) =>
      call('buildStage', { params: { buildId }, body: { id: uuidv7(), ...dto } }),
    onSuccess: everywhere,
  });
}

export function usePutCustomer(buildId: string) {
  const everywhere = useEverywhere(buildId);
  return useMutation({
    mutationFn: (body: CustomerPutDto) => call('customerPut', { params: { buildId }, body }),
    onSuccess: everywhere,
  });
}

/** Ends one wait by its entry, whatever it is called. */
export function useEndWait(build: BuildView) {
  const changed = useBuildChanged();
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
    onSuccess: () => changed(build.id),
  });
}
