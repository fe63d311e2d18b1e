import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { LetterRow, LetterView } from '#contract/letters.ts';
import type { Letter } from '#core/update/draft.ts';
import { call } from '../../shared/api.ts';
import { useBuildChanged } from '../entries/index.ts';

export const lettersQuery = (buildId: string) =>
  queryOptions({
    queryKey: ['letters', buildId],
    queryFn: ({ signal }) => call<LetterRow[]>('lettersList', { params: { buildId }, signal }),
  });

const POLL_MS = 1500;

export const letterQuery = (letterId: string) =>
  queryOptions({
    queryKey: ['letter', letterId],
    queryFn: ({ signal }) => call<LetterView>('letterRead', { params: { letterId }, signal }),
    // Until the mail server has taken it, ask again.
    refetchInterval: (query) => (query.state.data?.mail === 'queued' ? POLL_MS : false),
  });

export function useDraftLetter(buildId: string) {
  const client = useQueryClient();
  const changed = useBuildChanged();
  return useMutation({
    mutationFn: () => call<LetterView>('letterDraft', { params: { buildId }, body: { id: uuidv7() } }),
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
    call<LetterView>('letterSave', { ...params(letterId), body }),
  );
export const useRedraft = (letterId: string) =>
  useLetterChange(letterId, (version: number) =>
    call<LetterView>('letterRedraft', { ...params(letterId), body: { version } }),
  );
export const useSendLetter = (letterId: string) =>
  useLetterChange(letterId, (version: number) =>
    call<LetterView>('letterSend', { ...params(letterId), body: { version } }),
  );
