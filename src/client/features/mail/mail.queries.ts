import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { MailServerDto, MailServerView } from '#contract/mail.ts';
import { call } from '../../shared/api.ts';
import { readAgain, readOf, reading } from '../../shared/reading.ts';

const LOOK_AGAIN_MS = 5000;

export const outboxQuery = queryOptions({
  ...reading('outboxList'),
  refetchInterval: LOOK_AGAIN_MS,
});

/** What the stand-in does in a customer’s place: answers a mail, or brings it back. */
export function useInTheirPlace(mail: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (text: string | null) =>
      text === null
        ? call('outboxReturn', { params: { mail } })
        : call('outboxAnswer', { params: { mail }, body: { text } }),
    // It does not say whose mail it was: whatever shows a question or a letter reads it again.
    onSuccess: () => {
      readAgain(client, 'floor', 'buildRead', 'entriesList', 'questionsRead', 'letterRead', 'lettersList');
    },
  });
}

export const mailServerQuery = readOf('mailServerRead');

export function useMailServer() {
  const client = useQueryClient();
  const onSuccess = (view: MailServerView): void => {
    client.setQueryData(mailServerQuery.queryKey, view);
    readAgain(client, 'upkeepRead', 'letterRead', 'lettersList');
  };
  return {
    put: useMutation({
      mutationFn: (body: MailServerDto) => call('mailServerPut', { body }),
      onSuccess,
    }),
    drop: useMutation({ mutationFn: () => call('mailServerDrop'), onSuccess }),
    tryIt: useMutation({
      mutationFn: () => call('mailServerTry'),
      onSuccess: () => client.invalidateQueries({ queryKey: mailServerQuery.queryKey }),
    }),
    decide: useMutation({
      mutationFn: ({ mail, what }: { mail: string; what: 'mailAgain' | 'mailArrived' }) =>
        call(what, { params: { mail } }),
      onSuccess,
    }),
  };
}
