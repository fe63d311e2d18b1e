import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { BenchFormDto, BenchView, ReadingPutDto } from '#contract/bench.ts';
import { useChange } from '../../shared/changing.ts';
import { sendAct } from '../outgoing/index.ts';
import { reading, readOf, showAnswer } from '../../shared/reading.ts';

export const benchQuery = (buildId: string) => readOf('benchRead', { params: { buildId } });

export const limitsQuery = readOf('benchLimits');

/** What the shop's finished work was estimated at, and what it took. */
export const doneJobsQuery = queryOptions({
  ...reading('benchJobs'),
  enabled: false,
});

/** Keeps a reading; without a network it is kept on the device, and goes when there is one. */
export function useKeepReading(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    // It is kept on the device first, so it may be tried without a network.
    networkMode: 'always',
    mutationFn: ({ id, body, words }: { id: string; body: ReadingPutDto; words: string }) =>
      sendAct({ id, route: 'readingPut', params: { buildId, readingId: id }, body, words }),
    onSuccess: (sent) =>
      sent === 'later' ? undefined : showAnswer(client, 'readingPut', { buildId }, sent as BenchView),
  });
}

export const useLimitsPut = () =>
  useChange('benchLimitsPut', ({ calculator, body }: { calculator: string; body: BenchFormDto }) => ({
    params: { calculator },
    body,
  }));
