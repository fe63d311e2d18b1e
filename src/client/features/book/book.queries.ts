import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type { BookAskDto, BookView } from '#contract/book.ts';
import { call } from '../../shared/api.ts';
import { keyOf, reading } from '../../shared/reading.ts';

/** While one is being made, it is asked how far it is. */
const LOOK_AGAIN_MS = 1000;
export const isBeingMade = ({ state }: BookView): boolean => state === 'waiting' || state === 'making';

export const booksQuery = (buildId: string) =>
  queryOptions({
    ...reading('booksOf', { params: { buildId } }),
    select: (r) => r.books,
    refetchInterval: ({ state }) => (state.data?.books.some(isBeingMade) ? LOOK_AGAIN_MS : false),
  });

export const bookQuery = (bookId: string) =>
  queryOptions({
    ...reading('bookRead', { params: { bookId } }),
    refetchInterval: ({ state }) => (!state.data || isBeingMade(state.data) ? LOOK_AGAIN_MS : false),
  });

export function useBind(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BookAskDto) => call('bookAsk', { params: { buildId }, body }),
    onSettled: () => client.invalidateQueries({ queryKey: keyOf('booksOf', buildId) }),
  });
}

export function useGive(buildId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (bookId: string) => call('bookGive', { params: { bookId } }),
    onSettled: () => client.invalidateQueries({ queryKey: keyOf('booksOf', buildId) }),
  });
}

export const useBringIn = () =>
  useMutation({
    mutationFn: ({ bookId, file }: { bookId: string; file: File }) =>
      call('bookBringIn', { params: { bookId }, file }),
  });
