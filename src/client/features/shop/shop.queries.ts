import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import type {
  AbsencePutDto,
  InvitationView,
  PersonPutDto,
  PlacePutDto,
  ShopListsView,
  VendorPutDto,
} from '#contract/shop.ts';
import { call } from '../../shared/api.ts';

export const listsQuery = queryOptions({
  queryKey: ['shop-lists'],
  queryFn: ({ signal }) => call<ShopListsView>('shopLists', { signal }),
});

/** What is put in each of the lists, and where to. */
interface Puts {
  person: PersonPutDto;
  place: PlacePutDto;
  vendor: VendorPutDto;
  absence: AbsencePutDto;
}

export function usePut<K extends keyof Puts>(list: K) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: Puts[K] }) =>
      call<ShopListsView>(`${list}Put`, { params: { [`${list}Id`]: id }, body }),
    onSuccess: (view) => {
      client.setQueryData(listsQuery.queryKey, view);
      for (const queryKey of [['known'], ['waits']]) void client.invalidateQueries({ queryKey });
    },
    // Somebody else was first: the page shows theirs, the form keeps what was typed.
    onError: () => client.invalidateQueries({ queryKey: listsQuery.queryKey }),
  });
}

export const useInvite = (personId: string) =>
  useMutation({ mutationFn: () => call<InvitationView>('personInvite', { params: { personId } }) });
