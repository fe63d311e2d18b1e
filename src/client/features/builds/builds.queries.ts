import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
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

export const buildQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['build', buildId],
    queryFn: ({ signal }) => call('buildRead', { params: { buildId }, signal }),
  });

export const customersQuery = (q: string) =>
  queryOptions({
    queryKey: ['customers', q],
    queryFn: ({ signal }) => call('customersList', { query: { q }, signal }),
  });

export function useCreateBuild() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BuildCreateDto) => call('buildCreate', { body }),
    onSuccess: (build) => {
      client.setQueryData(buildQuery(build.id).queryKey, build);
      void client.invalidateQueries({ queryKey: ['floor'] });
      void client.invalidateQueries({ queryKey: ['known'] });
      void client.invalidateQueries({ queryKey: ['customers'] });
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
    onError: () => client.invalidateQueries({ queryKey: ['build', buildId] }),
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
      void client.invalidateQueries({ queryKey: ['estimate', buildId] });
      void client.invalidateQueries({ queryKey: ['proposals', buildId] });
    },
    onError: () => client.invalidateQueries({ queryKey: ['build', buildId] }),
  });
}

export function useLink(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (act: 'renew' | 'revoke') =>
      call(act === 'renew' ? 'linkRenew' : 'linkRevoke', { params: { buildId } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['build', buildId] }),
  });
}

export const goneQuery = (q: string) =>
  queryOptions({
    queryKey: ['gone', q],
    queryFn: ({ signal }) => call('closedList', { query: { q }, signal }),
  });

/** What changes with a build's stage or name: wherever it is listed. */
function useEverywhere(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return (build: BuildView): void => {
    client.setQueryData(buildQuery(buildId).queryKey, build);
    changed(buildId);
    for (const key of ['floor', 'known', 'waits', 'gone', 'customers', 'plan', 'due'])
      void client.invalidateQueries({ queryKey: [key] });
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
