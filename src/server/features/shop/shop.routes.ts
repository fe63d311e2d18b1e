import { AbsencePutDto, PersonPutDto, PlacePutDto, VendorPutDto } from '#contract/shop.ts';
import type { Deps } from '../../deps.ts';
import type { Feature } from '../../http/routes.ts';
import * as s from './shop.service.ts';

export function shopRoutes(deps: Deps): Feature {
  return {
    known: { run: ({ who }) => s.readKnown(deps, who) },
    shopLists: { run: ({ who }) => s.readLists(deps, who) },
    personPut: {
      body: PersonPutDto,
      run: ({ who, params, body }) => s.putPerson(deps, who, params.personId, body),
    },
    personInvite: { run: ({ who, params }) => s.invitePerson(deps, who, params.personId) },
    placePut: {
      body: PlacePutDto,
      run: ({ who, params, body }) => s.putPlace(deps, who, params.placeId, body),
    },
    absencePut: {
      body: AbsencePutDto,
      run: ({ who, params, body }) => s.putAbsence(deps, who, params.absenceId, body),
    },
    vendorPut: {
      body: VendorPutDto,
      run: ({ who, params, body }) => s.putVendor(deps, who, params.vendorId, body),
    },
  };
}
