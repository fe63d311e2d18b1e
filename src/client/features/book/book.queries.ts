import { queryOptions } from '@tanstack/react-query';
import type { BookAskDto, BookView } from '#contract/book.ts';
import { useChange } from '../../shared/changing.ts';
import { reading } from '../../shared/reading.ts';

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

export const useBind = (buildId: string) =>
  useChange('bookAsk', (body: BookAskDto) => ({ params: { buildId }, body }));

export const useGive = () => useChange('bookGive', (bookId: string) => ({ params: { bookId } }));

export const useBringIn = () =>
  useChange('bookBringIn', ({ bookId, file }: { bookId: string; file: File }) => ({
    params: { bookId },
    file,
  }));
