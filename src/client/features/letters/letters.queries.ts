import { queryOptions } from '@tanstack/react-query';
import { v7 as uuidv7 } from 'uuid';
import type { LetterSaveDto, LetterSendDto, LetterWordsDto, MannerPutDto } from '#contract/letters.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { keyOf, reading, readOf } from '../../shared/reading.ts';

export const lettersQuery = (buildId: string) => readOf('lettersList', { params: { buildId } });

const POLL_MS = 1500;

export const letterQuery = (letterId: string) =>
  queryOptions({
    ...reading('letterRead', { params: { letterId } }),
    // Until the mail server has taken it, ask again.
    refetchInterval: (query) => (query.state.data?.mail === 'queued' ? POLL_MS : false),
  });

export const useDraftLetter = (buildId: string) =>
  useChange('letterDraft', () => ({ params: { buildId }, body: { id: uuidv7() } }));

export const useSaveLetter = (letterId: string) =>
  useChange('letterSave', (body: LetterSaveDto) => ({ params: { letterId }, body }));
export const useRedraft = (letterId: string) =>
  useChange('letterRedraft', (version: number) => ({ params: { letterId }, body: { version } }));
export const useSendLetter = (letterId: string) =>
  useChange('letterSend', (body: LetterSendDto) => ({ params: { letterId }, body }));

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

export const usePutManner = (buildId: string) =>
  useChange('mannerPut', (body: MannerPutDto) => ({ params: { buildId }, body }));

export const useSaveWords = () => useChange('letterWordsSave', (body: LetterWordsDto) => ({ body }));
