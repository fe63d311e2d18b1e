import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { LetterView, LetterWordsDto, MannerPutDto } from '#contract/letters.ts';
import type { Letter } from '#core/update/letter.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';
import { keyOf, reading, readOf } from '../../shared/reading.ts';

export const lettersQuery = (buildId: string) => readOf('lettersList', { params: { buildId } });

const POLL_MS = 1500;

export const letterQuery = (letterId: string) =>
  queryOptions({
    ...reading('letterRead', { params: { letterId } }),
    // Until the mail server has taken it, ask again.
    refetchInterval: (query) => (query.state.data?.mail === 'queued' ? POLL_MS : false),
  });

export function useDraftLetter(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: () => call('letterDraft', { params: { buildId }, body: { id: uuidv7() } }),
    onSuccess: (letter) => {
      client.setQueryData(letterQuery(letter.id).queryKey, letter);
      changed(buildId);
    },
  });
}

function useLetterChange<V>(letterId: string, change: (value: V) => Promise<LetterView>) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: change,
    onSuccess: (letter) => {
      client.setQueryData(letterQuery(letterId).queryKey, letter);
      if (letter.state === 'sent') changed(letter.buildId);
    },
  });
}

const params = (letterId: string) => ({ params: { letterId } });

export const useSaveLetter = (letterId: string) =>
  useLetterChange(letterId, (body: { version: number; content: Letter }) =>
    call('letterSave', { ...params(letterId), body }),
  );
export const useRedraft = (letterId: string) =>
  useLetterChange(letterId, (version: number) =>
    call('letterRedraft', { ...params(letterId), body: { version } }),
  );
export const useSendLetter = (letterId: string) =>
  useLetterChange(letterId, (body: { version: number; figures: string[] }) =>
    call('letterSend', { ...params(letterId), body }),
  );

export const dueQuery = readOf('lettersDue');

/** The draft of a build, made where there is none. */
export const draftQuery = (buildId: string) =>
  queryOptions({
    queryKey: keyOf('letterDraft', buildId),
    queryFn: ({ signal }) => call('letterDraft', { params: { buildId }, body: { id: uuidv7() }, signal }),
    // What is typed into it stands on the page; it is read anew when the round is opened again.
    staleTime: Infinity,
    gcTime: 0,
  });

export const mannerQuery = (buildId: string) => readOf('mannerRead', { params: { buildId } });

export function usePutManner(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: MannerPutDto) => call('mannerPut', { params: { buildId }, body }),
    onSuccess: (view) => client.setQueryData(mannerQuery(buildId).queryKey, view),
  });
}

export function useSaveWords() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: LetterWordsDto) => call('letterWordsSave', { body }),
    onSuccess: (_, words) =>
      client.setQueryData(dueQuery.queryKey, (due) => due && { ...due, words: { ...words } }),
  });
}
