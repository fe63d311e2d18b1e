import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { BenchFormDto, BenchView, ReadingPutDto } from '#contract/bench.ts';
import { call, callOfCar, type OfCar } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { sendAct } from '../outgoing/index.ts';
import { reading, readOf } from '../../shared/reading.ts';

export const benchQuery = (buildId: string) => readOf('benchRead', { params: { buildId } });

export const limitsQuery = readOf('benchLimits');

/** What the shop's finished work was estimated at, and what it took. */
export const doneJobsQuery = queryOptions({
  ...reading('benchJobs'),
  enabled: false,
});

/** A change of what is known of a car on the bench; the server answers with all of it as it is then. */
export function useBenchChange<R extends 'readingFinding' | 'benchSpecPut'>(buildId: string, route: R) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: (given: OfCar<R>) => callOfCar(route, buildId, given),
    onSuccess: (view) => {
      client.setQueryData(benchQuery(buildId).queryKey, view);
      changed(buildId);
    },
  });
}

/** Keeps a reading; without a network it is kept on the device, and goes when there is one. */
export function useKeepReading(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    // It is kept on the device first, so it may be tried without a network.
    networkMode: 'always',
    mutationFn: ({ id, body, words }: { id: string; body: ReadingPutDto; words: string }) =>
      sendAct({ id, route: 'readingPut', params: { buildId, readingId: id }, body, words }),
    onSuccess: (sent) => {
      if (sent === 'later') return;
      client.setQueryData(benchQuery(buildId).queryKey, sent as BenchView);
      changed(buildId);
    },
  });
}

export function useLimitsPut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ calculator, body }: { calculator: string; body: BenchFormDto }) =>
      call('benchLimitsPut', { params: { calculator }, body }),
    onSuccess: (view) => client.setQueryData(limitsQuery.queryKey, view),
  });
}
