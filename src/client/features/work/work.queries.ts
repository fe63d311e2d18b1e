import { queryOptions } from '@tanstack/react-query';
import type { PlaybookPutDto, ShopHoursPutDto } from '#contract/work.ts';
import { useChange } from '../../shared/changing.ts';
import { reading, readOf } from '../../shared/reading.ts';

export const workQuery = (buildId: string) => readOf('workRead', { params: { buildId } });

/** Clocks that run, everybody's; a start on another screen shows within half a minute. */
export const runningQuery = queryOptions({
  ...reading('workRunning'),
  refetchInterval: 30_000,
});

export const playbooksQuery = readOf('playbooksRead');

export const hoursQuery = (personId: string | undefined, from: string | undefined) =>
  readOf('hoursRead', { query: { personId, from } });

export const usePutShopHours = () =>
  useChange('shopHoursPut', ({ hoursId, body }: { hoursId: string; body: ShopHoursPutDto }) => ({
    params: { hoursId },
    body,
  }));

export const playbookQuery = (playbook: string) => readOf('playbookRead', { params: { playbook } });

export const usePutPlaybook = () =>
  useChange('playbookPut', ({ playbook, body }: { playbook: string; body: PlaybookPutDto }) => ({
    params: { playbook },
    body,
  }));
