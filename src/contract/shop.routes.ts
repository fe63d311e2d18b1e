/** Routes of shop. */
import type { KnownView } from './builds.ts';
import type {
  AbsencePutDto,
  InvitationView,
  PersonPutDto,
  PlacePutDto,
  ShopListsView,
  VendorPutDto,
} from './shop.ts';
import { DESK, EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

export const shopRoutes = {
  shopLists: get('/api/shop/lists', DESK).of('every build').answers<ShopListsView>(),
  personPut: put('/api/shop/people/:personId', ['owner']).takes<PersonPutDto>().answers<ShopListsView>(),
  /** A link by which somebody sets their password. */
  personInvite: post('/api/shop/people/:personId/invite', ['owner']).answers<InvitationView>(),
  placePut: put('/api/shop/places/:placeId', DESK).takes<PlacePutDto>().answers<ShopListsView>(),
  vendorPut: put('/api/shop/vendors/:vendorId', DESK).takes<VendorPutDto>().answers<ShopListsView>(),
  known: get('/api/shop/known', EVERYBODY).of('every build').answers<KnownView>(),
  absencePut: put('/api/shop/absences/:absenceId', DESK).takes<AbsencePutDto>().answers<ShopListsView>(),
} as const;
