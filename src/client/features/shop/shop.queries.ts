import { useMutation } from '@tanstack/react-query';
import type { AbsencePutDto, PersonPutDto, PlacePutDto, VendorPutDto } from '#contract/shop.ts';
import { call } from '../../shared/api.ts';
import { useChange } from '../../shared/changing.ts';
import { readOf } from '../../shared/reading.ts';

export const listsQuery = readOf('shopLists');

interface Put<B> {
  id: string;
  body: B;
}

export const usePutPerson = () =>
  useChange('personPut', ({ id, body }: Put<PersonPutDto>) => ({ params: { personId: id }, body }));
export const usePutPlace = () =>
  useChange('placePut', ({ id, body }: Put<PlacePutDto>) => ({ params: { placeId: id }, body }));
export const usePutVendor = () =>
  useChange('vendorPut', ({ id, body }: Put<VendorPutDto>) => ({ params: { vendorId: id }, body }));
export const usePutAbsence = () =>
  useChange('absencePut', ({ id, body }: Put<AbsencePutDto>) => ({ params: { absenceId: id }, body }));

export const useInvite = (personId: string) =>
  useMutation({ mutationFn: () => call('personInvite', { params: { personId } }) });
