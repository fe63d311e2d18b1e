import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { RouteName } from '#contract/access.ts';
import type {
  BelongsDto,
  FollowUpDoneDto,
  HoursView,
  PlaybookPutDto,
  PlaybooksView,
  PlaybookUseDto,
  PlaybookView,
  RunningView,
  ShopHoursPutDto,
  SpellStopDto,
  TaskActDto,
  TaskCountDto,
  TaskHoursDto,
  TaskPutDto,
  TaskStartDto,
  WorkView,
} from '#contract/work.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const workQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['work', buildId],
    queryFn: ({ signal }) => call<WorkView>('workRead', { params: { buildId }, signal }),
  });

/** Clocks that run, everybody's; a start on another screen shows within half a minute. */
export const runningQuery = queryOptions({
  queryKey: ['running'],
  queryFn: ({ signal }) => call<RunningView>('workRunning', { signal }),
  refetchInterval: 30_000,
});

export const playbooksQuery = queryOptions({
  queryKey: ['playbooks'],
  queryFn: ({ signal }) => call<PlaybooksView>('playbooksRead', { signal }),
});

export const hoursQuery = (personId: string | undefined, from: string | undefined) =>
  queryOptions({
    queryKey: ['hours', personId ?? null, from ?? null],
    queryFn: ({ signal }) => call<HoursView>('hoursRead', { query: { personId, from }, signal }),
  });

export function usePutShopHours() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ hoursId, body }: { hoursId: string; body: ShopHoursPutDto }) =>
      call<HoursView>('shopHoursPut', { params: { hoursId }, body }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['hours'] }),
  });
}

export const playbookQuery = (playbook: string) =>
  queryOptions({
    queryKey: ['playbook', playbook],
    queryFn: ({ signal }) => call<PlaybookView>('playbookRead', { params: { playbook }, signal }),
  });

/** What is sent to change a build's work, by route. */
interface Bodies {
  taskPut: TaskPutDto;
  taskStart: TaskStartDto;
  taskHours: TaskHoursDto;
  taskAct: TaskActDto;
  taskCount: TaskCountDto;
  spellStop: SpellStopDto;
  entryBelongs: BelongsDto;
  followUpDone: FollowUpDoneDto;
  playbookUse: PlaybookUseDto;
}

/** A change of a build's work; the server answers with the whole of it as it is then. */
export function useWorkChange<R extends keyof Bodies & RouteName>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: ({ params = {}, body }: { params?: Record<string, string>; body: Bodies[R] }) =>
      call<WorkView>(route, { params: { buildId, ...params }, body }),
    onSuccess: (view) => {
      client.setQueryData(workQuery(buildId).queryKey, view);
      void client.invalidateQueries({ queryKey: ['running'] });
      changed(buildId);
    },
    onError: () => client.invalidateQueries({ queryKey: ['work', buildId] }),
  });
}

export function usePutPlaybook() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ playbook, body }: { playbook: string; body: PlaybookPutDto }) =>
      call<PlaybooksView>('playbookPut', { params: { playbook }, body }),
    onSuccess: (view, { playbook }) => {
      client.setQueryData(playbooksQuery.queryKey, view);
      void client.invalidateQueries({ queryKey: ['playbook', playbook] });
    },
  });
}
