import { useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AbsencePutDto,
  PersonPutDto,
  PlacePutDto,
  ShopListsView,
  VendorPutDto,
} from '#contract/shop.ts';
import { call } from '../../shared/api.ts';
import { readAgain, readOf } from '../../shared/reading.ts';

export const listsQuery = readOf('shopLists');

/** What is put in each of the lists, and where to. */
export const PUT = {
  person: (personId: string, body: PersonPutDto) => call('personPut', { params: { personId }, body }),
  place: (placeId: string, body: PlacePutDto) => call('placePut', { params: { placeId }, body }),
  vendor: (vendorId: string, body: VendorPutDto) => call('vendorPut', { params: { vendorId }, body }),
  absence: (absenceId: string, body: AbsencePutDto) => call('absencePut', { params: { absenceId }, body }),
};

export function usePut<B>(put: (id: string, body: B) => Promise<ShopListsView>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: B }) => put(id, body),
    onSuccess: (view) => {
      client.setQueryData(listsQuery.queryKey, view);
      readAgain(client, 'known', 'waitsRead');
    },
    // Somebody else was first: the page shows theirs, the form keeps what was typed.
    onError: () => client.invalidateQueries({ queryKey: listsQuery.queryKey }),
  });
}

export const useInvite = (personId: string) =>
  useMutation({ mutationFn: () => call('personInvite', { params: { personId } }) });
