import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { PlaybookPutDto, ShopHoursPutDto } from '#contract/work.ts';
import { call, callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, reading, readOf } from '../../shared/reading.ts';

export const workQuery = (buildId: string) => readOf('workRead', { params: { buildId } });

/** Clocks that run, everybody's; a start on another screen shows within half a minute. */
export const runningQuery = queryOptions({
  ...reading('workRunning'),
  refetchInterval: 30_000,
});

export const playbooksQuery = readOf('playbooksRead');

export const hoursQuery = (personId: string | undefined, from: string | undefined) =>
  readOf('hoursRead', { query: { personId, from } });

export function usePutShopHours() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ hoursId, body }: { hoursId: string; body: ShopHoursPutDto }) =>
      call('shopHoursPut', { params: { hoursId }, body }),
    onSuccess: () => client.invalidateQueries({ queryKey: keyOf('hoursRead') }),
  });
}

export const playbookQuery = (playbook: string) => readOf('playbookRead', { params: { playbook } });

/** A change of a build's work; the server answers with the whole of it as it is then. */
export function useWorkChange<
  R extends
    | 'taskPut'
    | 'taskStart'
    | 'taskHours'
    | 'taskAct'
    | 'taskCount'
    | 'spellStop'
    | 'entryBelongs'
    | 'followUpDone'
    | 'playbookUse',
>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (given: OfCar<R>) => callOfCar(route, buildId, given),
    onSuccess: (view) => {
      client.setQueryData(workQuery(buildId).queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('workRunning') });
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: keyOf('workRead', buildId) }),
  });
}

export function usePutPlaybook() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ playbook, body }: { playbook: string; body: PlaybookPutDto }) =>
      call('playbookPut', { params: { playbook }, body }),
    onSuccess: (view, { playbook }) => {
      client.setQueryData(playbooksQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: keyOf('playbookRead', playbook) });
    },
  });
}
